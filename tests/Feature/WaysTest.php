<?php

declare(strict_types=1);

use App\Models\LayWork;
use App\Ways\LayRuns;
use Bowline\Job\Schema;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Tests\RandomScenes;

/** A job with two rows of ports that face each other, opened; what is queued waits. */
function rowsOfTubes(int $count = 3): string
{
    Queue::fake();
    $file = RandomScenes::boxes(1, 0);
    $file['fittings'] = [];
    for ($i = 0; $i < $count; $i++) {
        foreach (['l' => [[0, 100 * $i, 0], '+x'], 'r' => [[900, 100 * $i, 200], '-x']] as $side => [$at, $axis]) {
            $file['fittings'][] = [
                'id' => $side.$i, 'ports' => [['id' => 'p', 'at' => $at, 'axis' => $axis]],
            ];
        }
    }

    return opened(json_encode([...$file, 'clearances' => ['usual' => 10]], JSON_THROW_ON_ERROR));
}

/** @return array<string, mixed> */
function pair(int $number, array $more = []): array
{
    return ['from' => "l$number.p", 'to' => "r$number.p", 'stock' => 't12', ...$more];
}

/** Lays what waits, as the queue does. */
function layOn(LayWork $work): void
{
    app()->call((new LayRuns($work->id))->handle(...));
}

it('finds ways for one run at once, and stores none', function (): void {
    $job = rowsOfTubes();
    $answer = test()->postJson($job.'/ways', ['errands' => [pair(0)], 'ways' => 3])->assertOk();
    Schema::check(json_decode($answer->content()), 'api.json#/$defs/layWork');

    expect($answer->json('state'))->toBe('done')->and($answer->json('id'))->toBeNull()
        ->and($answer->json('ways'))->toHaveCount(3)
        // Over by 900 and up by 200, less what two bends of 36 save.
        ->and($answer->json('ways.0.length'))->toEqualWithDelta(1100 - 2 * (2 - M_PI_2) * 36, 1e-6)
        ->and($answer->json('ways.0.bends'))->toBe(2)
        ->and(test()->getJson($job)->json('job.runs') ?? [])->toBe([]);
    Queue::assertNothingPushed();
});

it('keeps a way as an ordinary run', function (): void {
    $job = rowsOfTubes();
    $run = test()->postJson($job.'/ways', ['errands' => [pair(0)]])->json('ways.1.run');
    test()->postJson($job.'/edits', ['edits' => [['list' => 'runs', 'id' => $run['id'], 'item' => $run]]])->assertOk();

    expect(test()->getJson($job)->json('solutions.0.status'))->toBe('good')
        ->and(test()->getJson($job.'/clearances')->json('found'))->toBe([]);
});

it('lays several on the queue and tells how far it has come', function (): void {
    $job = rowsOfTubes();
    $begun = test()->postJson($job.'/ways', ['errands' => [pair(0), pair(1), pair(2)]])->assertStatus(202);
    Queue::assertPushed(LayRuns::class, 1);
    expect($begun->json())->toMatchArray(['state' => 'waiting', 'laid' => 0, 'of' => 3, 'ways' => []]);

    layOn(LayWork::query()->sole());
    $done = test()->getJson($job.'/ways/'.$begun->json('id'))->assertOk();
    Schema::check(json_decode($done->content()), 'api.json#/$defs/layWork');
    expect($done->json())->toMatchArray(['state' => 'done', 'laid' => 3, 'of' => 3, 'not_laid' => [], 'whole' => true])
        ->and(array_unique(array_column(array_column($done->json('ways'), 'run'), 'id')))->toHaveCount(3);
});

it('stops, and keeps what is laid so far', function (): void {
    $job = rowsOfTubes(16);
    $id = test()->postJson($job.'/ways', ['errands' => array_map(pair(...), range(0, 15))])->json('id');
    $work = LayWork::query()->sole();
    // Stopped as soon as the first run is written down.
    DB::listen(static function (QueryExecuted $query) use ($work): void {
        if (str_starts_with($query->sql, 'update "lay_works" set "answer"')) {
            LayWork::query()->whereKey($work->id)->update(['state' => 'stopping']);
        }
    });
    layOn($work);

    $told = test()->getJson($job.'/ways/'.$id)->json();
    expect($told['state'])->toBe('done')->and($told['whole'])->toBeFalse()->and($told['laid'])->toBeLessThan(16)
        ->and($told['laid'])->toBeGreaterThan(0)->and($told['ways'])->toHaveCount($told['laid'])
        ->and(array_column($told['not_laid'], 'why'))->each->toContain('stopped');
});

it('ends what has not begun when it is stopped', function (): void {
    $job = rowsOfTubes();
    $id = test()->postJson($job.'/ways', ['errands' => [pair(0), pair(1)]])->json('id');
    test()->postJson($job.'/ways/'.$id.'/stop')->assertOk()->assertJson(['state' => 'done', 'whole' => false]);
    layOn(LayWork::query()->sole());

    expect(test()->getJson($job.'/ways/'.$id)->json('ways'))->toBe([]);
});

it('lays a run again around what has come into its way', function (): void {
    $job = rowsOfTubes();
    $run = test()->postJson($job.'/ways', ['errands' => [pair(0)]])->json('ways.0.run');
    $box = ['id' => 'box', 'shape' => 'box', 'pose' => ['at' => [450, 0, 100]], 'size' => [60, 60, 400]];
    test()->postJson($job.'/edits', ['edits' => [
        ['list' => 'runs', 'id' => $run['id'], 'item' => $run],
        ['list' => 'surroundings', 'id' => 'box', 'item' => $box],
    ]])->assertOk();
    expect(test()->getJson($job.'/clearances')->json('found.0.rule'))->toBe('clash');

    $again = test()->postJson($job.'/ways', ['errands' => [['again' => $run['id']]]])->assertOk()->json('ways.0.run');
    test()->postJson($job.'/edits', [
        'edits' => [['list' => 'runs', 'id' => $run['id'], 'item' => $again]],
    ])->assertOk();
    expect($again['id'])->toBe($run['id'])->and(test()->getJson($job.'/clearances')->json('found'))->toBe([]);
});

it('says what stands in the way where there is none', function (): void {
    $job = rowsOfTubes();
    $shut = [
        'id' => 'shut', 'name' => 'Hatch', 'shape' => 'box', 'pose' => ['at' => [30, 0, 0]], 'size' => [20, 90, 90],
    ];
    test()->postJson($job.'/edits', [
        'edits' => [['list' => 'surroundings', 'id' => 'shut', 'item' => $shut]],
    ])->assertOk();

    expect(test()->postJson($job.'/ways', ['errands' => [pair(0)]])->assertOk()->json('not_laid.0.why'))
        ->toContain('Hatch would have to move');
});

it('refuses what is wrong with its pointer', function (array $body, string $pointer): void {
    $job = rowsOfTubes();
    expect(test()->postJson($job.'/ways', $body)->assertStatus(422)->json('pointer'))->toBe($pointer);
})->with([
    'no errand' => [['errands' => []], '/errands'],
    'no such port' => [['errands' => [['from' => 'l0.p', 'to' => 'x.p', 'stock' => 't12']]], '/errands/0/to'],
    'no such run' => [['errands' => [['again' => 'x']]], '/errands/0/again'],
    'too many ways' => [['errands' => [['from' => 'l0.p', 'to' => 'r0.p', 'stock' => 't12']], 'ways' => 9], '/ways'],
]);

it('reads pairs that are pasted, each refused row with its reason', function (): void {
    $job = rowsOfTubes();
    $rows = test()->postJson($job.'/pairs', [
        'text' => "From\tTo\tLength\nl0.p\tr0.p\t1200\nl1.p\tnone.p\t\nl2.p\tr2.p\tlong", 'stock' => 't12',
    ])->assertOk()->json();

    expect($rows['errands'])->toBe([['from' => 'l0.p', 'to' => 'r0.p', 'length' => 1200, 'stock' => 't12']])
        ->and(array_column($rows['refused'], 'line'))->toBe([3, 4])
        ->and($rows['refused'][0]['why'])->toContain('there is no port “none.p”')
        ->and($rows['refused'][1]['why'])->toContain('“long” is no number');
});

it('knows no work of another job', function (): void {
    $id = test()->postJson(rowsOfTubes().'/ways', ['errands' => [pair(0), pair(1)]])->json('id');

    test()->getJson(rowsOfTubes().'/ways/'.$id)->assertNotFound();
});

it('keeps boxes that are stayed out of, and where they are', function (): void {
    $job = rowsOfTubes();
    $box = [
        'id' => 'door', 'name' => 'Door',
        'pose' => ['at' => [450, 0, 100], 'turn' => ['about' => [0, 0, 1], 'by' => 90]],
        'size' => ['2 * 100', 60, 400],
    ];
    $before = test()->postJson($job.'/ways', ['errands' => [pair(0)]])->json('ways.0.length');
    test()->postJson($job.'/edits', ['edits' => [], 'header' => ['keep_outs' => [$box]]])->assertOk();
    $state = test()->getJson($job)->assertOk();
    Schema::check(json_decode($state->content()), 'api.json#/$defs/jobState');

    expect($state->json('keep_outs'))->toHaveCount(1)
        ->and($state->json('keep_outs.0.size'))->toEqual([200, 60, 400])
        ->and($state->json('keep_outs.0.pose.angle'))->toEqual(90)
        ->and(test()->postJson($job.'/ways', ['errands' => [pair(0)]])->json('ways.0.length'))
        ->toBeGreaterThan($before);
});

it('refuses a box without a size and a stand-off below 0', function (array $header, string $pointer): void {
    test()->postJson(rowsOfTubes().'/edits', ['edits' => [], 'header' => $header])->assertStatus(422)
        ->assertJsonPath('pointer', $pointer);
})->with([
    'flat' => [['keep_outs' => [['id' => 'x', 'size' => [0, 10, 10]]]], '/keep_outs/0/size'],
    'below 0' => [['follow' => [['of' => 'x', 'stand_off' => -1]]], '/follow/0/stand_off'],
    'twice' => [['follow' => [['of' => 'x'], ['of' => 'x']]], '/follow/1/of'],
]);

it('offers tried moves of two things that are too near, and none of those that are not', function (): void {
    $job = rowsOfTubes();
    $run = test()->postJson($job.'/ways', ['errands' => [pair(0)]])->json('ways.0.run');
    // Up by 200 at x = 48, out of its straight of 12 and a bend of 36: the box is 5 off that leg, where 10 are needed.
    $box = ['id' => 'box', 'shape' => 'box', 'pose' => ['at' => [48 - 6 - 5 - 20, 0, 110]], 'size' => [40, 40, 40]];
    $far = ['id' => 'far', 'shape' => 'box', 'pose' => ['at' => [0, 0, 2000]], 'size' => [40, 40, 40]];
    test()->postJson($job.'/edits', ['edits' => [
        ['list' => 'runs', 'id' => $run['id'], 'item' => [
            ...$run, 'from' => ['port' => 'l0.p', 'lead' => 48], 'to' => ['port' => 'r0.p', 'lead' => 852],
            'route' => ['kind' => 'corners', 'stops' => []],
        ]],
        ['list' => 'surroundings', 'id' => 'box', 'item' => $box],
        ['list' => 'surroundings', 'id' => 'far', 'item' => $far],
    ]])->assertOk();
    $near = test()->getJson($job.'/clearances')->json('found.0');
    $ask = static fn (array $b): array => test()
        ->postJson($job.'/clearances/cures', ['a' => $near['a'], 'b' => $b])
        ->assertOk()
        ->json();

    expect($near['measured'])->toEqualWithDelta(5, 1e-6)
        ->and($ask($near['b'])[0]['words'])->toBe('Move leg 2 of '.$run['name'].' by 5 mm along +x')
        ->and($ask(['list' => 'surroundings', 'id' => 'far']))->toBe([]);
    $cure = $ask($near['b'])[0]['items'][0]['item'];
    test()->postJson($job.'/edits', ['edits' => [['list' => 'runs', 'id' => $run['id'], 'item' => $cure]]])->assertOk();
    expect(test()->getJson($job.'/clearances')->json('found'))->toBe([]);
    test()->postJson($job.'/clearances/cures', ['a' => $near['a']])->assertStatus(422);
});

it('keeps an answer for an hour, so that every window can fetch it', function (): void {
    $job = rowsOfTubes();
    $first = test()->postJson($job.'/ways', ['errands' => [pair(0), pair(1)]])->json('id');
    layOn(LayWork::query()->sole());
    $second = test()->postJson($job.'/ways', ['errands' => [pair(1), pair(2)]])->json('id');
    test()->getJson($job.'/ways/'.$first)->assertOk()->assertJson(['state' => 'done', 'laid' => 2]);

    // An hour later it is forgotten; what still waits is not.
    test()->travel(61)->minutes();
    test()->postJson($job.'/ways', ['errands' => [pair(0), pair(2)]])->assertStatus(202);
    test()->getJson($job.'/ways/'.$first)->assertNotFound();
    test()->getJson($job.'/ways/'.$second)->assertOk()->assertJson(['state' => 'waiting']);
});

it('does not begin again what was stopped, nor what a job has lost the ports of', function (): void {
    $job = rowsOfTubes();
    test()->postJson($job.'/ways', ['errands' => [pair(0), pair(1)]])->assertStatus(202);
    $work = LayWork::query()->sole();
    test()->postJson($job.'/edits', ['edits' => [['list' => 'fittings', 'id' => 'r1', 'item' => null]]])->assertOk();
    layOn($work);
    expect($work->fresh()->state)->toBe('failed');
    test()->getJson($job.'/ways/'.$work->id)->assertOk()->assertJsonPath('problem', 'There is no port “r1.p”.');

    $work->update(['state' => 'stopping']);
    layOn($work);
    expect($work->fresh()->state)->toBe('stopping');
});

it('says why no way has the length or the fall that is asked for', function (array $more, string $why): void {
    $job = rowsOfTubes();

    expect(test()->postJson($job.'/ways', ['errands' => [pair(0, $more)]])->assertOk()->json('not_laid.0.why'))
        ->toContain($why);
})->with([
    // 900 over and 200 up, less two bends of 36: 1100 − 30.9.
    'too short' => [['length' => 1000], 'No way is as short as 1000 mm: the best is 1069.1 mm long.'],
    // From 0 up to 200: it drains towards its beginning, 200 in 900 at most.
    'too steep' => [['fall' => 400], 'No way falls by 400 mm a metre all along.'],
]);

it('takes up again what waits when the worker starts', function (): void {
    $job = rowsOfTubes();
    test()->postJson($job.'/ways', ['errands' => [pair(0), pair(1)]])->assertStatus(202);
    Queue::fake();
    Artisan::call('bowline:take-up-again');

    Queue::assertPushed(LayRuns::class, 1);
});
