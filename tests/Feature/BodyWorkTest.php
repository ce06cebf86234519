<?php

declare(strict_types=1);

use App\Bodies\FindBody;
use App\Models\BodyWork;
use Bowline\Job\Schema;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Tests\Blocks;
use Tests\Tees;

/**
 * The job of a pipe with a branch as wide, rounded with 8, opened; what is queued waits.
 *
 * @param  stdClass|null  $file  other runs
 */
function roundedJob(?stdClass $file = null): string
{
    Queue::fake();
    $file ??= Tees::file([['stock' => 'pipe', 'to' => ['at' => [200, 0, 110]]]], ['to' => ['at' => [300, 0, 0]]]);
    $file->bodies[0]->round = 8;

    return opened(json_encode($file, JSON_THROW_ON_ERROR));
}

/** Works on what waits, as the queue does. */
function workOn(BodyWork $work): void
{
    app()->call((new FindBody($work->id))->handle(...));
}

/** Changes the radius of the rounding. */
function roundOff(string $job, float $round): void
{
    $body = test()->getJson($job)->json('job.bodies.0');
    test()->postJson($job.'/edits', ['edits' => [], 'header' => ['bodies' => [[...$body, 'round' => $round]]]])
        ->assertOk();
}

it('answers at once what is coarse or exact', function (): void {
    $job = roundedJob();
    test()->getJson($job.'/joined/tee/mesh?chord=2')->assertOk();
    $exact = opened(json_encode(Tees::file(), JSON_THROW_ON_ERROR));
    foreach (['joined/tee/mesh?chord=0.1', 'joined/tee/mass', 'mass', 'bodies.step', 'bodies.stl?chord=0.1'] as $of) {
        test()->get($exact.'/'.$of)->assertOk();
    }
    $block = opened(json_encode(
        Blocks::file([Blocks::through([0, 0, -30], [], [0, 0, 30])]), JSON_THROW_ON_ERROR,
    ));
    test()->getJson($block.'/joined/block/mesh?chord=0.05')->assertOk();
    Queue::assertNothingPushed();
});

it('works on the queue on what takes long, once however often it is asked for', function (string $asked): void {
    $job = roundedJob();
    $first = test()->get($job.$asked)->assertStatus(202);
    Schema::check(json_decode($first->content()), 'api.json#/$defs/bodyWork');
    expect($first->json())->toMatchArray(['body' => 'tee', 'state' => 'waiting', 'part' => 0])
        ->and(test()->get($job.$asked)->assertStatus(202)->json('id'))->toBe($first->json('id'));
    Queue::assertPushed(FindBody::class, 1);
    test()->getJson($job.'/body-works/'.$first->json('id'))->assertOk()->assertJsonPath('state', 'waiting');

    workOn(BodyWork::query()->sole());
    test()->getJson($job.'/body-works/'.$first->json('id'))->assertOk()->assertJsonPath('state', 'done');
    test()->get($job.$asked)->assertOk();
    expect(BodyWork::query()->count())->toBe(0);
})->with([
    '/joined/tee/mesh?chord=0.5', '/joined/tee/walls', '/joined/tee/wall-map?chord=0.8', '/joined/tee/mass', '/mass',
    '/bodies.stl?chord=0.6', '/bodies.3mf?chord=0.6',
]);

it('tells on what the body in a file was written', function (stdClass $file, string $on, string $has): void {
    $file->bodies[0]->order = 'hollow-first';
    $job = roundedJob($file);
    test()->get($job.'/bodies.step?chord=1&body=tee')->assertStatus(202);
    workOn(BodyWork::query()->sole());
    $file = test()->get($job.'/bodies.step?chord=1&body=tee')->assertOk()->assertHeader('X-Written-On', $on);

    expect($file->content())->toContain($has);
    $exact = opened(json_encode(Tees::file(), JSON_THROW_ON_ERROR));
    test()->get($exact.'/bodies.step?body=tee')->assertOk()->assertHeader('X-Written-On', 'exact');
})->with([
    'rods' => [fn () => Tees::file([[]], [], [40, 20], [20, 10]), 'splines', 'B_SPLINE_SURFACE'],
    'with edges in its bores' => [fn () => Tees::file([[]]), 'triangles', 'TRIANGULATED_SURFACE_SET'],
]);

it('is drawn from the same triangles that are saved', function (): void {
    $job = roundedJob();
    test()->getJson($job.'/joined/tee/mesh?chord=0.6')->assertStatus(202);
    workOn(BodyWork::query()->sole());
    test()->get($job.'/bodies.stl?chord=0.6')->assertOk();
    Queue::assertPushed(FindBody::class, 1);
});

it('tells how far it has come, and stops and goes on when it is told', function (): void {
    $job = roundedJob();
    $id = test()->getJson($job.'/joined/tee/mesh?chord=0.05')->json('id');
    $work = $job.'/body-works/'.$id;
    test()->postJson($work, ['again' => false])->assertOk()->assertJsonPath('state', 'stopped');
    test()->getJson($job.'/joined/tee/mesh?chord=0.05')->assertStatus(202)->assertJsonPath('state', 'stopped');
    workOn(BodyWork::query()->sole());
    test()->getJson($work)->assertJsonPath('state', 'stopped');
    test()->postJson($work, ['again' => true])->assertOk()->assertJsonPath('state', 'waiting');
    Queue::assertPushed(FindBody::class, 2);

    // Stopped while it is worked on: the second time that it writes how far it has come.
    $parts = [];
    DB::listen(static function ($query) use (&$parts, $id): void {
        if (str_starts_with($query->sql, 'update "body_works" set "state" = ?, "part" = ?')) {
            $parts[] = $query->bindings[1];
            if (count($parts) === 2) {
                BodyWork::query()->whereKey($id)->update(['state' => 'stopped']);
            }
        }
    });
    workOn(BodyWork::query()->sole());
    expect($parts)->toHaveCount(3)
        ->and($parts[1])->toBeGreaterThan($parts[0])->toBeLessThan(0.9);
    test()->getJson($work)->assertJsonPath('state', 'stopped');
    test()->postJson($work, ['again' => 'yes'])->assertStatus(422)->assertJsonPath('pointer', '/again');
    test()->getJson(str_replace('body-works', 'body-works/0', $job.'/body-works'))->assertJsonPath('state', 'done');
});

it('gives up what is not wanted any more', function (): void {
    $job = roundedJob();
    test()->getJson($job.'/joined/tee/mesh?chord=0.5');
    $old = BodyWork::query()->sole();
    roundOff($job, 6);
    // Its triangles would be those of 8.
    workOn($old);
    expect(BodyWork::query()->count())->toBe(0);

    roundOff($job, 8);
    test()->getJson($job.'/joined/tee/mesh?chord=0.5');
    roundOff($job, 5);
    test()->getJson($job.'/joined/tee/mesh?chord=0.5')->assertStatus(202);
    expect(BodyWork::query()->count())->toBe(1);
    workOn(BodyWork::query()->sole());
    test()->getJson($job.'/joined/tee/mesh?chord=0.5')->assertOk();
});

it('says why a body cannot be made, and when the queue has broken it off', function (): void {
    $job = roundedJob();
    test()->getJson($job.'/joined/tee/mesh?chord=0')->assertStatus(422);
    $body = test()->getJson($job)->json('job.bodies.0');
    unset($body['round']);
    test()->postJson($job.'/edits', ['edits' => [], 'header' => ['bodies' => [[...$body, 'wall' => 3]]]])->assertOk();
    $pipe = test()->getJson($job)->json('job.stock.0');
    test()->getJson($job.'/joined/tee/mesh?chord=0.5')->assertStatus(202);
    (new FindBody(BodyWork::query()->sole()->id))->failed();
    test()->getJson($job.'/joined/tee/mesh?chord=0.5')->assertStatus(202)->assertJson([
        'state' => 'failed', 'problem' => 'It was broken off.',
    ]);

    // A rod has no wall: told in words once the queue has found it so.
    test()->postJson($job.'/edits', ['edits' => [[
        'list' => 'stock', 'id' => 'pipe', 'item' => [...$pipe, 'section' => ['shape' => 'round', 'od' => 60]],
    ]], 'header' => ['bodies' => [[...$body, 'round' => 5]]]])->assertOk();
    test()->getJson($job.'/joined/tee/wall-map?chord=2')->assertStatus(202);
    workOn(BodyWork::query()->where('answer', 'wall-map')->sole());
    test()->getJson($job.'/joined/tee/wall-map?chord=2')->assertStatus(422)
        ->assertJsonPath('message', 'it has no wall');
});

it('is cut coarsely until it is found', function (): void {
    $job = roundedJob();
    $cut = static fn () => test()->postJson(
        $job.'/section', ['run' => 'main', 'along' => 200, 'runs' => ['main', 'b1']],
    )->assertOk();
    $first = $cut();
    Schema::check(json_decode($first->content()), 'api.json#/$defs/sectionView');
    expect($first->json('works.0.state'))->toBe('waiting')->and($first->json('cuts'))->toHaveCount(1);
    workOn(BodyWork::query()->sole());
    $second = $cut();
    // Through the middle of both: finer, so that less of the round is cut off.
    expect($second->json('works'))->toBe([])
        ->and(count($second->json('cuts.0.loops.0')))->toBeGreaterThan(count($first->json('cuts.0.loops.0')));
});

it('is taken up again when the queue begins', function (): void {
    $job = roundedJob();
    test()->getJson($job.'/joined/tee/walls')->assertStatus(202);
    // While it is on the queue it is not put there again.
    Artisan::call('bowline:take-up-again');
    Queue::assertPushed(FindBody::class, 1);
    Queue::fake();
    Artisan::call('bowline:take-up-again');
    Queue::assertPushed(FindBody::class, 1);
    // Stopped, it stays so.
    BodyWork::query()->update(['state' => 'stopped']);
    Queue::fake();
    Artisan::call('bowline:take-up-again');
    Queue::assertNothingPushed();
});
