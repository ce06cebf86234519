<?php

declare(strict_types=1);

use App\Models\Job;
use App\Models\User;
use App\People\Role;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Spatie\Activitylog\Models\Activity;
use Tests\Jobs;

/*
 * Several people on the jobs of a team: what each does, whose it is, and what others never see.
 */

beforeEach(function (): void {
    peopleOn();
});

/** A job of somebody: up 200, along x 300, along y 250; a fitting, and a run whose end is at 250. */
function jobOf(User $user): string
{
    by($user);

    return opened(json_encode(Jobs::file(
        [['at' => [0, 0, 250]], ['at' => [300, 0, 250]]], ['at' => [300, 250, 250]],
    ), JSON_THROW_ON_ERROR));
}

/** Moves the end of the run to another place along y. */
function endAt(string $job, float $y): void
{
    edit($job, 'runs', 'run', [...item($job, 'runs', 'run'), 'to' => ['at' => [300, $y, 250]]])->assertOk();
}

function renameStock(string $job, string $name): void
{
    $stock = test()->getJson($job)->json('job.stock.0');
    edit($job, 'stock', $stock['id'], [...$stock, 'name' => $name])->assertOk();
}

it('takes back the last step of one’s own, and leaves those of others', function (): void {
    [$ida, $ola] = [person(Role::Designer), person(Role::Designer)];
    $job = jobOf($ida);
    endAt($job, 300.0);
    by($ola);
    renameStock($job, 'Tube of Ola');
    $told = test()->getJson($job);
    expect($told->json('steps.*.by'))->toBe([$ida->name, $ola->name])->and($told->json('undo'))->toBe(2);
    by($ida);
    // It is told beforehand which step it will be.
    expect(test()->getJson($job)->json('undo'))->toBe(1);
    $after = test()->postJson($job.'/undo', [])->assertOk();
    expect($after->json('job.runs.0.to.at.1'))->toEqual(250)
        ->and($after->json('job.stock.0.name'))->toBe('Tube of Ola')
        ->and($after->json('steps.2'))->toMatchArray(['by' => $ida->name, 'name' => 'Take back “'
            .$after->json('steps.0.name').'”']);
    // Nothing of hers is left.
    expect($after->json('undo'))->toBeNull();
    test()->postJson($job.'/undo', [])->assertUnprocessable();
    by($ola);
    expect(test()->postJson($job.'/undo', [])->assertOk()->json('job.stock.0.name'))->not->toBe('Tube of Ola');
});

it('leaves a step where somebody has changed the same since, and says so', function (): void {
    [$ida, $ola] = [person(Role::Designer), person(Role::Designer)];
    $job = jobOf($ida);
    endAt($job, 300.0);
    by($ola);
    endAt($job, 400.0);
    by($ida);
    expect(test()->postJson($job.'/undo', [])->assertUnprocessable()->json('message'))
        ->toContain('somebody has changed the same since');
    expect(test()->getJson($job)->json('job.runs.0.to.at.1'))->toEqual(400);
});

it('is as before on one desk: undo is of the last step', function (): void {
    config(['people.on' => false]);
    $job = opened(json_encode(Jobs::file([['at' => [0, 0, 250]]], ['at' => [300, 0, 250]]), JSON_THROW_ON_ERROR));
    expect(test()->getJson($job)->json('undo'))->toBeNull();
    renameStock($job, 'Other tube');
    expect(test()->getJson($job)->json('undo'))->toBe(1);
    expect(test()->postJson($job.'/undo', [])->assertOk()->json('step'))->toBe(0);
});

it('lets a checker waive and not change, and a designer change and not waive', function (): void {
    $job = jobOf(person(Role::Designer));
    $waived = static fn (array $run): array => [...$run, 'waived' => [
        ['rule' => 'bend-radius', 'of' => 'bend 1', 'off' => 5, 'reason' => 'It has been tried.'],
    ]];
    $run = item($job, 'runs', 'run');
    edit($job, 'runs', 'run', $waived($run))->assertForbidden();
    by(person(Role::Checker));
    edit($job, 'runs', 'run', $waived($run))->assertOk();
    edit($job, 'runs', 'run', [...$waived($run), 'name' => 'Other'])->assertForbidden();
    edit($job, 'runs', 'run', null)->assertForbidden();
    test()->postJson($job.'/edits', ['edits' => [], 'header' => ['name' => 'Other']])->assertForbidden();
    by(person(Role::Designer));
    // What is waived stays so when the run is changed, and goes with it.
    edit($job, 'runs', 'run', [...$waived($run), 'name' => 'Other'])->assertOk();
    edit($job, 'runs', 'run', [...$run, 'name' => 'Other'])->assertForbidden();
    edit($job, 'runs', 'run', null)->assertOk();
    // Undone and done again, it is what it was.
    test()->postJson($job.'/step', ['step' => 0])->assertForbidden();
    by(person(Role::Owner));
    test()->postJson($job.'/step', ['step' => 0])->assertOk();
});

it('says who waived what, whatever their window says', function (): void {
    [$first, $second] = [person(Role::Checker), person(Role::Owner)];
    $job = jobOf(person(Role::Designer));
    by($first);
    $waived = static fn (string $reason, array $more = []): array => [
        'rule' => 'bend-radius', 'of' => 'bend 1', 'off' => 5, 'reason' => $reason, ...$more,
    ];
    $run = item($job, 'runs', 'run');
    $waive = static fn (array ...$all) => edit($job, 'runs', 'run', [...$run, 'waived' => $all])->assertOk();
    $kept = static fn (): array => array_column(item($job, 'runs', 'run')['waived'], 'by', 'reason');

    $waive($waived('Tried'));
    expect($kept())->toBe(['Tried' => $first->name]);
    by($second);
    // The name of the other is neither lost nor taken, and a new reason is one's own.
    $waive($waived('Tried', ['by' => $second->name]), $waived('Bought so', ['by' => 'Somebody else']));
    expect($kept())->toBe(['Tried' => $first->name, 'Bought so' => $second->name]);
    $waive($waived('Tried again', ['by' => $first->name]));
    expect($kept())->toBe(['Tried again' => $second->name]);

    test()->postJson($job.'/edits', ['edits' => [], 'header' => ['waivers' => [[
        'a' => ['list' => 'runs', 'id' => 'run'], 'b' => ['list' => 'fittings', 'id' => 'other'],
        'distance' => 3, 'reason' => 'Cold', 'by' => $first->name,
    ]]]])->assertOk();
    expect(test()->getJson($job)->json('job.waivers.0.by'))->toBe($second->name);
    // What is undone and done again is still of whoever did it.
    test()->postJson($job.'/step', ['step' => 0])->assertOk();
    test()->postJson($job.'/step', ['step' => 1])->assertOk();
    expect($kept())->toBe(['Tried' => $first->name]);
});

it('is issued by a checker, under the name of whoever signs in, and read and made in the shop', function (): void {
    $designer = person(Role::Designer);
    $job = jobOf($designer);
    $body = ['name' => 'A', 'by' => 'Somebody else', 'note' => ''];
    test()->postJson($job.'/revisions', $body)->assertForbidden();
    test()->postJson($job.'/remarks', [
        'list' => 'runs', 'item' => 'run', 'words' => 'Why here?', 'by' => 'Somebody else',
    ])->assertCreated()->assertJson(['by' => $designer->name]);
    $remark = test()->getJson($job.'/remarks')->json('remarks.0.id');
    $checker = person(Role::Checker);
    by($checker);
    test()->postJson("$job/remarks/$remark", ['by' => 'x', 'answer' => 'As asked.', 'resolved' => true])->assertOk();
    test()->postJson($job.'/revisions', $body)->assertStatus(202)->assertJson(['by' => $checker->name]);

    $shop = person(Role::Shop);
    by($shop);
    test()->getJson($job)->assertForbidden();
    $listed = test()->getJson('/api/jobs')->json('0');
    expect($listed['may_see'])->toBeFalse();
    test()->getJson('/api/jobs/'.$listed['issued'])->assertOk();
    test()->get("$job/revisions/1/files/run-bends.csv")->assertOk();
    expect(test()->getJson("$job/revisions/1")->json('parts'))->toBe([
        ['part' => 'run', 'made_by' => null, 'made_at' => null],
    ]);
    test()->postJson("$job/revisions/1/made", ['part' => 'other', 'made' => true])->assertUnprocessable()
        ->assertJsonPath('pointer', '/part');
    test()->postJson("$job/revisions/1/made", ['part' => 'run', 'made' => true])->assertOk()
        ->assertJsonPath('parts.0.made_by', $shop->name);
    test()->postJson("$job/revisions/1/made", ['part' => 'run', 'made' => false])->assertOk()
        ->assertJsonPath('parts.0.made_by', null);
    by(person(Role::Viewer));
    test()->postJson("$job/revisions/1/made", ['part' => 'run', 'made' => true])->assertForbidden();
});

it('shows who else is in a job, what they have picked, and what they have done', function (): void {
    [$ida, $ola] = [person(Role::Designer), person(Role::Viewer)];
    $job = jobOf($ida);
    $tell = static fn (string $window, mixed $picked = null) => test()->postJson($job.'/presence', [
        'window' => $window, 'picked' => $picked,
    ])->assertOk();
    expect($tell('w1', ['list' => 'runs', 'id' => 'run'])->json('others'))->toBe([]);
    by($ola);
    expect($tell('w2')->json('others'))->toBe([
        ['name' => $ida->name, 'window' => 'w1', 'picked' => ['list' => 'runs', 'id' => 'run']],
    ]);
    by($ida);
    endAt($job, 300.0);
    expect($tell('w1')->json())->toMatchArray(['step' => 1])->and($tell('w1')->json('others.0.name'))->toBe($ola->name);
    // By a link nobody learns who works on it.
    $link = (string) tap(Job::query()->findOrFail((int) basename($job)), static fn (Job $one) => $one->update([
        'share_hash' => hash('sha256', 'link'),
    ]))->share_hash;
    by(null, ['shared' => [(int) basename($job) => $link]]);
    expect($tell('w3')->json('others'))->toBe([]);
    test()->getJson($job.'/people')->assertUnauthorized();
    by($ida);
    test()->travel(46)->seconds();
    expect($tell('w1')->json('others'))->toBe([]);
});

it('notes who did what, with what there was before and after, where nobody can change it', function (): void {
    $owner = person(Role::Owner);
    $job = jobOf($owner);
    endAt($job, 300.0);
    test()->get($job.'/file')->assertOk();
    $trail = test()->getJson('/api/trail?job='.basename($job))->assertOk();
    expect($trail->json('entries.*.event'))->toBe(['export', 'edit', 'job'])
        ->and($trail->json('entries.*.by'))->each->toBe($owner->name)
        ->and($trail->json('entries.1.details.changes.0.before.to.at.1'))->toEqual(250)
        ->and($trail->json('entries.1.details.changes.0.after.to.at.1'))->toEqual(300)
        ->and($trail->json('entries.0.words'))->toContain('/file');
    // As the page asks: what is left empty is everything.
    expect(test()->getJson('/api/trail?what=edit&person=&from=&to=&before=')->json('found'))->toBe(1)
        ->and(test()->getJson("/api/trail?person=$owner->id&from=2020-01-01&to=2020-12-31")->json('found'))->toBe(0);
    $csv = (string) test()->get('/api/trail.csv?what=edit')->assertOk()->content();
    if ($csv === '') {
        $csv = test()->get('/api/trail.csv?what=edit')->streamedContent();
    }
    expect($csv)->toStartWith('number,when,who,what,job,words,details')->and(substr_count($csv, "\n"))->toBe(2);
    expect(fn () => DB::table('activity_log')->update(['description' => 'x']))
        ->toThrow(QueryException::class, 'the trail does not change')
        ->and(fn () => Activity::query()->delete())->toThrow(QueryException::class);
    by(person(Role::Owner, 'Other yard'));
    expect(test()->getJson('/api/trail')->json('entries.*.job'))->not->toContain('Test');
    by(person(Role::Designer));
    test()->getJson('/api/trail')->assertForbidden();
});

it('lists jobs by as many questions to the database, however many there are', function (): void {
    $ida = person(Role::Designer);
    $questions = function () use ($ida): int {
        by($ida);
        DB::flushQueryLog();
        DB::enableQueryLog();
        expect(array_unique(test()->getJson('/api/jobs')->assertOk()->json('*.may_see')))->toBe([true]);
        DB::disableQueryLog();

        return count(DB::getQueryLog());
    };
    jobOf($ida);
    $one = $questions();
    foreach (range(1, 5) as $_) {
        jobOf($ida);
    }
    expect($questions())->toBe($one);
});

it('leaves nothing behind in a browser, but what is named by its content', function (): void {
    $job = jobOf(person(Role::Owner));
    expect(test()->getJson($job)->headers->get('Cache-Control'))->toContain('no-store')
        ->and(test()->get($job.'/file')->headers->get('Cache-Control'))->toContain('no-store')
        ->and(test()->get($job.'/picture.svg')->headers->get('Cache-Control'))->toContain('immutable');
});

it('keeps what a team has from every other', function (): void {
    $ida = person(Role::Owner);
    $job = jobOf($ida);
    $row = [
        'part_number' => 'OWN-1', 'kind' => 'tube', 'name' => 'Tube of ours', 'standard' => '', 'od' => 13,
        'wall' => 1, 'radius' => 40, 'min_radius' => 30, 'min_straight' => 20, 'density' => 7850,
    ];
    test()->postJson('/api/catalogue', $row)->assertOk();
    $flange = ['part_number' => 'FL-1', 'flange' => [
        'type' => 'flange', 'thickness' => 10, 'plate' => ['shape' => 'round', 'od' => 90],
    ]];
    $kept = test()->postJson('/api/flanges', $flange);
    $mesh = test()->call('POST', '/api/meshes?name=cube.stl', [], [], [], [
        'CONTENT_TYPE' => 'application/octet-stream',
    ], implode("\n", [
        'solid t', 'facet normal 0 0 1', 'outer loop', 'vertex 0 0 0', 'vertex 10 0 0', 'vertex 0 10 0', 'endloop',
        'endfacet', 'endsolid t', '',
    ]))->assertCreated()->json('mesh');
    test()->get("/api/meshes/$mesh")->assertOk();
    $own = test()->getJson('/api/catalogue?find=OWN-1')->json('rows.0.id');
    expect($own)->toBeInt();

    by(person(Role::Owner, 'Other yard'));
    expect(test()->getJson('/api/jobs')->json())->toBe([])
        ->and(test()->getJson('/api/catalogue?find=OWN-1')->json('rows'))->toBe([])
        ->and(test()->getJson('/api/catalogue?find=BC-10')->json('rows'))->not->toBe([])
        ->and((string) test()->get('/api/catalogue.csv?own=1')->content())->not->toContain('OWN-1')
        ->and((string) test()->get('/api/flanges.csv')->content())->not->toContain('FL-1');
    test()->deleteJson("/api/catalogue/$own")->assertNotFound();
    test()->get("/api/meshes/$mesh")->assertNotFound();
    test()->getJson($job)->assertNotFound();
    // The same part number is another team's own.
    test()->postJson('/api/catalogue', [...$row, 'name' => 'Theirs'])->assertOk();
    $theirs = jobOf(person(Role::Owner, 'Other yard'));
    $other = basename($job);
    test()->getJson("$theirs/comparison?before=working&after=job:$other")->assertUnprocessable();

    by($ida);
    expect(test()->getJson('/api/catalogue?find=OWN-1')->json('rows.*.name'))->toBe(['Tube of ours'])
        ->and(Job::query()->pluck('team_id')->unique()->count())->toBe(2);
    expect($kept->status())->toBeLessThan(500);
});
