<?php

declare(strict_types=1);

use App\Models\Job;
use App\Models\JobMember;
use App\Models\User;
use App\People\Ability;
use App\People\Role;
use App\People\RouteAccess;
use Illuminate\Support\Facades\Route;
use Tests\Jobs;

/*
 * Every address of the API × everybody who may send to it. What each role may do is stated here by hand; which ability
 * an address needs, in RouteAccess.
 */

const ROLES = ['viewer', 'shop', 'designer', 'checker', 'owner'];

/** Who has each ability: of a job that is worked on, and of an issued revision. */
const MAY = [
    'see' => [['viewer', 'designer', 'checker', 'owner'], ROLES],
    'meet' => [['viewer', 'designer', 'checker', 'owner'], ROLES],
    'see-issued' => [ROLES, ROLES],
    'mark-made' => [['shop', 'designer', 'owner'], ['shop', 'designer', 'owner']],
    'make' => [['designer', 'owner'], ['shop', 'designer', 'owner']],
    'edit' => [['designer', 'owner'], ['designer', 'owner']],
    'change' => [['designer', 'checker', 'owner'], ['designer', 'checker', 'owner']],
    'copy' => [['designer', 'owner'], ['designer', 'owner']],
    'remark' => [['designer', 'checker', 'owner'], ['designer', 'checker', 'owner']],
    'waive' => [['checker', 'owner'], ['checker', 'owner']],
    'issue' => [['checker', 'owner'], ['checker', 'owner']],
    'own' => [['owner'], ['owner']],
    'browse' => [ROLES, ROLES],
    'library' => [['designer', 'owner'], ['designer', 'owner']],
    'lead' => [['owner'], ['owner']],
    'signed-in' => [ROLES, ROLES],
];

/** @return list<array{string, string}> method and path of each route of the API */
function apiRoutes(): array
{
    $routes = [];
    foreach (Route::getRoutes()->getRoutes() as $route) {
        if (str_starts_with($route->uri(), 'api/')) {
            $routes[] = [$route->methods()[0], substr($route->uri(), 4)];
        }
    }

    return $routes;
}

/** The job that the senders have to do with; made again once somebody has deleted it. */
function jobOfTeam(User $owner): Job
{
    by($owner);
    $file = Jobs::file([['at' => [0, 0, 250]]], ['at' => [300, 0, 250]]);

    return Job::query()->findOrFail((int) basename(opened(json_encode($file, JSON_THROW_ON_ERROR))));
}

function sendTo(string $method, string $path, Job $job): int
{
    $address = preg_replace_callback('/\{(\w+)\??\}/', static fn (array $found): string => [
        'job' => (string) $job->id, 'row' => '999999', 'flange' => '999999', 'user' => '999999', 'token' => '999999',
        'work' => '999999', 'part' => '999999', 'pack' => '999999', 'remark' => '999999', 'number' => '77',
        'key' => str_repeat('a', 40), 'link' => str_repeat('a', 40), 'format' => 'svg', 'kind' => 'none',
    ][$found[1]] ?? 'none', $path);

    return test()->json($method, '/api/'.$address, [])->getStatusCode();
}

it('has every address in its table, and no other', function (): void {
    $there = array_map(static fn (array $route): string => implode(' ', $route), apiRoutes());
    expect(array_diff($there, array_keys(RouteAccess::TABLE)))->toBe([])
        ->and(array_diff(array_keys(RouteAccess::TABLE), $there))->toBe([]);
});

it('states who has each ability', function (): void {
    foreach (Ability::cases() as $ability) {
        if ($ability === Ability::Anyone) {
            continue;
        }
        foreach (Role::cases() as $role) {
            expect($role->can($ability))->toBe(in_array($role->value, MAY[$ability->value][0], true), $ability->value)
                ->and($role->canOfIssued($ability))
                ->toBe(in_array($role->value, MAY[$ability->value][1], true), $ability->value.' '.$role->value);
        }
    }
});

it('refuses an address to everybody who may not have it, and to nobody who may', function (string $role): void {
    peopleOn();
    $owner = person(Role::Owner);
    $sender = match ($role) {
        'nobody' => null,
        'stranger' => person(Role::Owner, 'Other yard'),
        default => person(Role::from($role)),
    };
    $job = jobOfTeam($owner);
    foreach (apiRoutes() as [$method, $path]) {
        $ability = RouteAccess::TABLE["$method $path"];
        if (Job::query()->find($job->id) === null) {
            $job = jobOfTeam($owner);
        }
        by($sender);
        $status = sendTo($method, $path, $job);
        $isOfJob = str_contains($path, '{job}');
        $label = "$role: $method $path is $status";
        match (true) {
            $ability === Ability::Anyone => expect($status)->not->toBe(401, $label)->not->toBe(403, $label),
            $role === 'nobody' => expect($status)->toBe(401, $label),
            $role === 'stranger' && $isOfJob => expect($status)->toBe(404, $label),
            $role === 'stranger' || in_array($role, MAY[$ability->value][0], true) => expect($status)
                ->not->toBe(401, $label)->not->toBe(403, $label)->toBeLessThan(500, $label),
            default => expect($status)->toBe(403, $label),
        };
    }
})->with([...ROLES, 'nobody', 'stranger']);

it('lets whoever has the link read, and nothing else, until it is ended', function (): void {
    peopleOn();
    $owner = person(Role::Owner);
    $job = jobOfTeam($owner);
    $link = (string) test()->postJson("/api/jobs/$job->id/link", ['on' => true])->assertOk()->json('link');
    by(null);
    test()->getJson("/api/jobs/$job->id")->assertUnauthorized();
    test()->postJson('/api/shared/'.basename($link))->assertOk()->assertJson(['job' => $job->id]);
    $shared = ['shared' => [$job->id => hash('sha256', basename($link))]];
    foreach (apiRoutes() as [$method, $path]) {
        if (! str_contains($path, '{job}')) {
            continue;
        }
        by(null, $shared);
        $ability = RouteAccess::TABLE["$method $path"];
        $status = sendTo($method, $path, $job);
        in_array($ability, [Ability::See, Ability::SeeIssued], true)
            ? expect($status)->not->toBe(401, "$method $path")->not->toBe(403, "$method $path")
            : expect($status)->toBe(401, "$method $path");
    }
    by($owner);
    test()->postJson("/api/jobs/$job->id/link", ['on' => false])->assertOk()->assertJson(['link' => null]);
    by(null, $shared);
    test()->getJson("/api/jobs/$job->id")->assertUnauthorized();
    test()->postJson('/api/shared/'.basename($link))->assertNotFound();
});

it('goes by the role in the job before that in the team', function (): void {
    peopleOn();
    $job = jobOfTeam(person(Role::Owner));
    $viewer = person(Role::Viewer);
    $guest = person(Role::Designer, 'Other yard');
    foreach ([[$viewer, 403], [$guest, 404]] as [$user, $before]) {
        by($user);
        expect(sendTo('POST', 'jobs/{job}/entry', $job))->toBe($before);
        JobMember::query()->create(['job_id' => $job->id, 'user_id' => $user->id, 'role' => Role::Designer]);
        expect(sendTo('POST', 'jobs/{job}/entry', $job))->toBe(422)
            ->and(sendTo('DELETE', 'jobs/{job}', $job))->toBe(403);
        expect(test()->getJson('/api/jobs')->json('*.id'))->toBe([$job->id]);
    }
});

it('reaches as far with a token as its scopes', function (array $scopes, string $path, bool $isIn): void {
    peopleOn();
    $owner = person(Role::Owner);
    $job = jobOfTeam($owner);
    test()->flushSession();
    $token = $owner->createToken('script', $scopes)->plainTextToken;
    [$method, $path] = explode(' ', $path);
    test()->withToken($token);
    expect(sendTo($method, $path, $job) !== 403)->toBe($isIn);
    $owner->tokens()->update(['expires_at' => now()->subSecond()]);
    expect(sendTo($method, $path, $job))->toBe(401);
})->with([
    [['read'], 'GET jobs/{job}', true], [['read'], 'POST jobs/{job}/edits', false], [['edit'], 'GET jobs', false],
    [['read', 'edit'], 'POST jobs/{job}/edits', true], [['edit'], 'POST jobs/{job}/revisions', false],
    [['issue'], 'POST jobs/{job}/revisions', true], [['read', 'edit', 'issue'], 'GET trail', false],
    [['read', 'edit', 'issue'], 'GET me/tokens', false], [['read', 'edit', 'issue'], 'POST people', false],
    [['read', 'edit', 'issue'], 'DELETE jobs/{job}', false], [['*'], 'GET jobs', false],
]);

it('is as it was on one desk: no session, no cookie, nobody to sign in', function (): void {
    $answer = test()->getJson('/api/jobs')->assertOk();
    expect($answer->headers->getCookies())->toBe([]);
    test()->getJson('/api/me')->assertOk()->assertExactJson([
        'people' => false, 'person' => null, 'team' => null, 'may' => [],
    ]);
    foreach (['POST sign-in', 'GET people', 'GET trail', 'POST me/tokens'] as $address) {
        [$method, $path] = explode(' ', $address);
        test()->json($method, '/api/'.$path)->assertNotFound();
    }
});
