<?php

declare(strict_types=1);

use App\Clearance\FindClearances;
use App\Clearance\KeptClearances;
use App\Models\ClearanceWork;
use App\Models\Job;
use Bowline\Clearance\Clearances;
use Bowline\Exchange\ClearanceWriter;
use Bowline\Job as CoreJob;
use Bowline\Job\Schema;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Queue\TimeoutExceededException;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Tests\Jobs;
use Tests\Triangles;

/*
 * What is too near in a stored job: told, waived with a reason, and counted again.
 */

/** @return array<string, mixed> a stock of round section */
function roundStock(string $id, string $kind, float $od, float $wall): array
{
    return [
        'id' => $id, 'kind' => $kind, 'density' => 8000,
        'section' => ['shape' => 'round', 'od' => $od, 'wall' => $wall],
        'bend' => ['radius' => 40, 'min_radius' => 20, 'min_straight' => 0],
    ];
}

/** Two tubes of 12 that cross 20 above each other: 8 are left between them. */
function crossingTubes(array $more = []): string
{
    $run = static fn (string $id, array $from, array $to): array => [
        'id' => $id, 'name' => ucfirst($id), 'stock' => 't', 'from' => ['at' => $from], 'to' => ['at' => $to],
        'route' => ['kind' => 'corners', 'stops' => []],
    ];

    return opened(json_encode([
        'format' => 'bowline-job', 'version' => 5, 'name' => 'Near', 'up' => 'z',
        'stock' => [roundStock('t', 'tube', 12, 1)],
        'clearances' => ['usual' => 25],
        'runs' => [$run('low', [-200, 0, 0], [200, 0, 0]), $run('high', [7, -100, 20], [7, 100, 20])], ...$more,
    ], JSON_THROW_ON_ERROR));
}

it('tells what is too near, in words and as places', function (): void {
    $job = crossingTubes();
    $told = test()->getJson($job.'/clearances')->assertOk();
    Schema::check(json_decode($told->content()), 'api.json#/$defs/jobClearances');
    $one = $told->json('found.0');

    expect($told->json('found'))->toHaveCount(1)
        ->and([$one['a'], $one['b']])->toBe([['list' => 'runs', 'id' => 'low'], ['list' => 'runs', 'id' => 'high']])
        ->and($one['distance'])->toEqualWithDelta(8, 1e-6)->and($one['required'])->toEqual(25)
        ->and($one['title'])->toBe('Low is too near to High')
        ->and($one['message'])->toBe('8 mm are left between them; 25 mm are needed.')
        ->and($one['at'][0])->toEqualWithDelta([7, 0, 6], 1e-4)->and($one['at'][1])->toEqualWithDelta([7, 0, 14], 1e-4)
        ->and($one['along'])->toEqualWithDelta([207, 100], 1e-3)
        ->and([$one['rule'], $one['severity'], $one['waived']])->toBe(['clearance', 'warning', null]);
});

it('follows every edit: insulated more, it is nearer; told less, it is gone', function (): void {
    $job = crossingTubes();
    $low = test()->getJson($job)->json('job.runs.0');
    $edit = static fn (array $edits, array $header = []) => test()->postJson(
        $job.'/edits', ['edits' => $edits, ...$header === [] ? [] : ['header' => $header]],
    )->assertOk();
    $edit([['list' => 'runs', 'id' => 'low', 'item' => [...$low, 'insulation' => 10]]]);
    $one = test()->getJson($job.'/clearances')->json('found.0');
    expect($one['distance'])->toEqualWithDelta(-2, 1e-6)->and($one['title'])->toBe('Low goes into High')
        ->and($one['message'])->toBe('They are 2 mm inside each other; 25 mm are needed.')
        ->and($one['severity'])->toBe('violation');
    $edit([['list' => 'runs', 'id' => 'low', 'item' => $low]], ['clearances' => ['usual' => 8]]);

    expect(test()->getJson($job.'/clearances')->json('found'))->toBe([])
        ->and(test()->getJson($job)->json('job.clearances.usual'))->toBe(8);
});

it('is waived with a reason, undone, and counts again when it has come nearer', function (): void {
    $job = crossingTubes();
    $waiver = [
        'a' => ['list' => 'runs', 'id' => 'low'], 'b' => ['list' => 'runs', 'id' => 'high'], 'distance' => 8,
        'reason' => 'Both are cold',
    ];
    $answer = test()->postJson($job.'/edits', [
        'edits' => [], 'header' => ['waivers' => [[...$waiver, 'reason' => '']]],
    ])->assertStatus(422);
    expect($answer->json('pointer'))->toBe('/waivers/0/reason');
    test()->postJson($job.'/edits', [
        'edits' => [], 'header' => ['waivers' => [[...$waiver, 'by' => 'M. Larsen']]],
    ])->assertOk();
    expect(test()->getJson($job.'/clearances')->json('found.0.waived'))->toBe('Both are cold (M. Larsen)');
    test()->postJson($job.'/step', ['step' => 0])->assertOk();
    test()->postJson($job.'/edits', ['edits' => [], 'header' => ['waivers' => [$waiver]]])->assertOk();
    expect(test()->getJson($job.'/clearances')->json('found.0.waived'))->toBe('Both are cold')
        ->and(test()->getJson($job)->json('job.waivers.0'))->not->toHaveKey('by');
    $high = test()->getJson($job)->json('job.runs.1');
    [$high['from']['at'][2], $high['to']['at'][2]] = [19, 19];
    test()->postJson($job.'/edits', ['edits' => [['list' => 'runs', 'id' => 'high', 'item' => $high]]])->assertOk();
    expect(test()->getJson($job.'/clearances')->json('found.0.waived'))->toBeNull();
    test()->postJson($job.'/step', ['step' => 0])->assertOk();
    expect(test()->getJson($job)->json('job.waivers'))->toBeNull();
});

it('looks at trunks as thick as their bundles', function (): void {
    $connector = static fn (string $id, array $at, string $axis): array => [
        'id' => $id, 'pose' => ['at' => $at],
        'ports' => [['id' => 'X', 'at' => [0, 0, 0], 'axis' => $axis, 'pins' => ['1', '2']]],
    ];
    $job = crossingTubes([
        'stock' => [
            roundStock('t', 'tube', 12, 1), roundStock('w', 'wire', 4, 2),
            ['id' => 'b', 'kind' => 'bundle', 'bend' => ['radius' => 30]],
        ],
        'fittings' => [$connector('one', [-200, 0, 0], '+x'), $connector('two', [200, 0, 0], '-x')],
        'runs' => [
            ['id' => '12', 'stock' => 'b', 'from' => ['port' => 'one.X'], 'to' => ['port' => 'two.X'],
                'route' => ['kind' => 'corners', 'stops' => []]],
            ['id' => 'pipe', 'stock' => 't', 'from' => ['at' => [7, -100, 20]], 'to' => ['at' => [7, 100, 20]],
                'route' => ['kind' => 'corners', 'stops' => []]],
        ],
        'harnesses' => [['id' => 'h', 'trunks' => ['12'], 'wires' => [
            ['id' => 'W1', 'from' => 'one.X.1', 'to' => 'two.X.1', 'stock' => 'w'],
            ['id' => 'W2', 'from' => 'one.X.2', 'to' => 'two.X.2', 'stock' => 'w'],
        ]]],
    ]);

    // Two wires of 4 beside each other are 8 thick: 20 − 4 − 6.
    expect(test()->getJson($job.'/clearances')->json('found.0.distance'))->toEqualWithDelta(10, 1e-6);
});

/**
 * A goalpost of a tube of 12 from a pump: up to 200, 300 along x, and down again; a beam with its lower face at 260,
 * and a post with its face at x = 400; 20 to be kept.
 */
function underBeam(array $more = [], array $runs = []): string
{
    $box = static fn (string $id, array $at, array $size): array => [
        'id' => $id, 'name' => ucfirst($id), 'shape' => 'box', 'pose' => ['at' => $at], 'size' => $size,
    ];

    return opened(json_encode([
        'format' => 'bowline-job', 'version' => 5, 'name' => 'Goalpost', 'up' => 'z',
        'stock' => [roundStock('t', 'tube', 12, 1)], 'clearances' => ['usual' => 20],
        'fittings' => [[
            'id' => 'pump', 'pose' => ['at' => [0, 0, 0]], 'body' => ['shape' => 'box', 'size' => [60, 60, 60]],
            'ports' => [['id' => 'out', 'at' => [0, 0, 30], 'axis' => [0, 0, 1]]],
        ]],
        'surroundings' => [$box('beam', [150, 0, 285], [60, 400, 50]), $box('post', [425, 0, 0], [50, 50, 300])],
        'runs' => [[
            'id' => 'feed', 'name' => 'Feed', 'stock' => 't', 'from' => ['port' => 'pump.out'],
            'to' => ['at' => [300, 0, 30]],
            'route' => ['kind' => 'corners', 'stops' => [['at' => [0, 0, 200]], ['at' => [300, 0, 200]]]],
        ], ...$runs], ...$more,
    ], JSON_THROW_ON_ERROR));
}

it('holds a leg that is dragged where it would come too near, and lets it past when asked to', function (): void {
    $job = underBeam();
    $drag = static fn (float $up, ?float $hold): TestResponse => test()->postJson($job.'/preview/run', [
        'run' => 'feed', 'change' => ['do' => 'move-leg', 'vertex' => 2, 'by' => [0, 0, $up]],
        ...$hold === null ? [] : ['hold' => $hold],
    ])->assertOk();

    // 260 − 20 − 6 − 200.
    expect($drag(60, 1)->json('amount'))->toEqualWithDelta(34, 1e-9)
        ->and($drag(60, 1)->json('held'))->toBe('Feed is too near to Beam')
        ->and($drag(60, 1)->json('item.route.stops.0.at.2'))->toEqualWithDelta(234, 1e-9)
        ->and($drag(30, 1)->json('held'))->toBeNull()
        ->and($drag(60, null)->json('item.route.stops.0.at.2'))->toEqualWithDelta(260, 1e-9);
});

it('holds nothing where it is too near already, or that is waived', function (array $more): void {
    $job = underBeam($more);
    $held = test()->postJson($job.'/preview/run', [
        'run' => 'feed', 'change' => ['do' => 'move-leg', 'vertex' => 2, 'by' => [0, 0, 60]], 'hold' => 1,
    ])->assertOk();

    expect($held->json('held'))->toBeNull()->and($held->json('amount'))->toEqualWithDelta(60, 1e-9);
})->with([
    'too near already' => [['clearances' => ['usual' => 70]]],
    'waived down to nothing' => [['waivers' => [[
        'a' => ['list' => 'runs', 'id' => 'feed'], 'b' => ['list' => 'surroundings', 'id' => 'beam'],
        'reason' => 'Cut out for it', 'distance' => -20,
    ]]]],
]);

it('holds a thing that is dragged into a run', function (): void {
    $job = underBeam();
    $drag = static fn (float $by): TestResponse => test()->postJson($job.'/preview/place', [
        'list' => 'surroundings', 'id' => 'post', 'change' => ['do' => 'move', 'by' => [-$by, 0, 0]], 'hold' => 1,
    ])->assertOk();

    // From 400 to 300 + 6 + 20.
    expect($drag(90)->json('amount'))->toEqualWithDelta(74, 1e-9)
        ->and($drag(90)->json('held'))->toBe('Feed is too near to Post')
        ->and($drag(50)->json('held'))->toBeNull();
});

/** Moves the upper leg of the goalpost up, or the post towards it, and asks what is nearest. */
function nearestWhen(
    string $job, string $what, float $by, ?float $hold = null, array $more = ['nearest' => true],
): TestResponse {
    return test()->postJson($job.'/preview/'.($what === 'leg' ? 'run' : 'place'), $more + [
        'hold' => $hold,
        ...$what === 'leg'
            ? ['run' => 'feed', 'change' => ['do' => 'move-leg', 'vertex' => 2, 'by' => [0, 0, $by]]]
            : ['list' => 'surroundings', 'id' => 'post', 'change' => ['do' => 'move', 'by' => [-$by, 0, 0]]],
    ]);
}

it('tells what is nearest while something is dragged', function (
    string $what, float $by, ?float $hold, ?string $thing, float $distance, ?array $at,
): void {
    $job = underBeam();
    $answer = nearestWhen($job, $what, $by, $hold)->assertOk();
    Schema::check(json_decode($answer->content()), 'api.json#/$defs/preview');
    $near = $answer->json('nearest');

    expect($near['b']['id'] ?? null)->toBe($thing)
        ->and($near['distance'] ?? 0.0)->toEqualWithDelta($distance, 1e-4)
        ->and(test()->getJson($job)->json('revision'))->toBe(1);
    if ($at !== null) {
        expect(array_intersect_key($near['at'][1], $at))->toEqualWithDelta($at, 1e-4);
    }
})->with([
    // Faces of the beam at z = 260 and of the post at x = 400; the tube at 200 and 300, 6 thick from its middle.
    'a leg' => ['leg', 20, null, 'beam', 260 - 220 - 6, [2 => 260]],
    'a leg that may go there' => ['leg', 20, 1, 'beam', 260 - 220 - 6, [2 => 260]],
    'a leg that is held' => ['leg', 60, 1, 'beam', 20, [2 => 260]],
    'a leg that goes past, into it' => ['leg', 60, null, 'beam', 0, null],
    'a leg so low that another thing is nearer' => ['leg', -80, null, 'post', 400 - 300 - 6, [0 => 400]],
    'a thing' => ['post', 50, 1, 'post', 350 - 300 - 6, [0 => 350]],
    'a thing that is held' => ['post', 90, 1, 'post', 20, [0 => 326]],
    'a thing that goes past' => ['post', 90, null, 'post', 310 - 300 - 6, [0 => 310]],
    'a thing far off' => ['post', -100, 1, null, 0, null],
]);

it('tells what is nearest to a run that is not stored yet', function (): void {
    $job = underBeam();
    $draft = ['id' => 'new', 'name' => 'New', 'stock' => 't',
        'from' => ['at' => [0, 100, 200]], 'to' => ['at' => [300, 100, 200]],
        'route' => ['kind' => 'corners', 'stops' => [['at' => [0, 100, 220]], ['at' => [300, 100, 220]]]]];
    $near = test()->postJson($job.'/preview/run', [
        'draft' => $draft, 'change' => ['do' => 'move-leg', 'vertex' => 2, 'by' => [0, 0, 15]], 'nearest' => true,
    ])->assertOk()->json('nearest');

    // The beam is 400 wide along y.
    expect([$near['a']['id'], $near['b']['id']])->toBe(['new', 'beam'])
        ->and($near['distance'])->toEqualWithDelta(260 - 235 - 6, 1e-4);
});

it('tells nothing of what is nearest unless it is asked, and says what is wrong with the question', function (): void {
    $job = underBeam();

    expect(nearestWhen($job, 'leg', 20, 1, [])->assertOk()->json('nearest'))->toBeNull()
        ->and(nearestWhen($job, 'leg', 20, 1, ['nearest' => false])->assertOk()->json('nearest'))->toBeNull()
        ->and(nearestWhen($job, 'leg', 20, 1, ['nearest' => 'beam'])->assertStatus(422)->json('pointer'))
        ->toBe('/nearest');
});

it('finds the same nearest thing whether or not hundreds of runs are far off', function (): void {
    $far = array_map(static fn (int $i): array => [
        'id' => "far$i", 'stock' => 't', 'from' => ['at' => [5000, 60 * $i, 0]], 'to' => ['at' => [9000, 60 * $i, 0]],
        'route' => ['kind' => 'corners', 'stops' => []],
    ], range(1, 60));
    $near = static fn (array $runs): array => nearestWhen(underBeam([], $runs), 'leg', 20)->assertOk()->json('nearest');

    expect($near($far))->toEqual($near([]));
});

it('tells what a hose comes too near to while its arm swings, again after each edit', function (): void {
    $route = static fn (int $length): array => ['kind' => 'spring', 'length' => $length];
    $file = [
        'format' => 'bowline-job', 'version' => 5, 'name' => 'Arm', 'up' => 'z',
        'stock' => [roundStock('t', 'tube', 12, 1), roundStock('h', 'hose', 20, 5)],
        'clearances' => ['usual' => 10],
        'fittings' => [[
            'id' => 'arm', 'ports' => [['id' => 'a', 'at' => [200, 0, 0], 'axis' => [0, 1, 0]]],
            'moves' => ['swing' => ['at' => [0, 0, 0], 'axis' => [0, 0, 1], 'from' => -10, 'to' => 40]],
        ]],
        'runs' => [
            ['id' => 'hose', 'stock' => 'h', 'from' => ['port' => 'arm.a'],
                'to' => ['at' => [-250, 300, 0], 'axis' => [1, 0, 0]], 'route' => $route(700)],
            ['id' => 'post', 'stock' => 't', 'from' => ['at' => [150, 345, -300]], 'to' => ['at' => [150, 345, 300]],
                'route' => ['kind' => 'corners', 'stops' => []]],
        ],
    ];
    $job = opened(json_encode($file, JSON_THROW_ON_ERROR));
    $told = test()->getJson($job.'/clearances')->assertOk();
    Schema::check(json_decode($told->content()), 'api.json#/$defs/jobClearances');
    $one = $told->json('found.0');
    // Laid anew, over the whole movement.
    $core = CoreJob::read(Jobs::decoded($file));
    $alone = ClearanceWriter::write((new Clearances($core, array_map(
        static fn (Run $run): LaidRun => $run->route->lay($run), array_values($core->runs),
    )))->all(), $core->site->units)[0];

    expect($told->json('found'))->toHaveCount(1)
        ->and($one['distance'])->toEqualWithDelta($alone['distance'], 0.01)
        ->and($one['moment']['angle'])->toEqualWithDelta($alone['moment']['angle'], 0.5)
        ->and($one['moment']['lines'][0]['id'])->toBe('hose')
        ->and($one['moment']['lines'][0]['points'][0])->toEqualWithDelta([
            200 * cos(deg2rad($one['moment']['angle'])), 200 * sin(deg2rad($one['moment']['angle'])), 0,
        ], 0.01);

    $hose = test()->getJson($job)->json('job.runs.0');
    test()->postJson($job.'/edits', ['edits' => [
        ['list' => 'runs', 'id' => 'hose', 'item' => [...$hose, 'route' => $route(640)]],
    ]])->assertOk();
    expect(test()->getJson($job.'/clearances')->json('found.0.distance') ?? INF)
        ->not->toEqualWithDelta($one['distance'], 0.5);
});

it('keeps a large mesh divided, and finds the same in it again', function (): void {
    Storage::fake();
    // A sheet of 102,152 triangles, 100 under a tube of 12.
    $triangles = [];
    for ($i = 0; $i < 226; $i++) {
        for ($j = 0; $j < 226; $j++) {
            [$x, $y] = [10.0 * $i, 10.0 * $j];
            [$a, $b, $c, $d] = [[$x, $y, 0.0], [$x + 10, $y, 0.0], [$x + 10, $y + 10, 0.0], [$x, $y + 10, 0.0]];
            array_push($triangles, [$a, $b, $c], [$a, $c, $d]);
        }
    }
    $packed = Triangles::pack($triangles);
    $job = opened(json_encode([
        'format' => 'bowline-job', 'version' => 5, 'name' => 'Sheet', 'up' => 'z',
        'stock' => [roundStock('t', 'tube', 12, 1)], 'clearances' => ['usual' => 120],
        'meshes' => ['sheet' => base64_encode($packed)],
        'surroundings' => [['id' => 'sheet', 'name' => 'Sheet', 'shape' => 'mesh', 'mesh' => 'sheet',
            'extent' => [[0, 0, 0], [2260, 2260, 0]]]],
        'runs' => [['id' => 'tube', 'stock' => 't', 'from' => ['at' => [500, 500, 100]],
            'to' => ['at' => [1500, 700, 100]], 'route' => ['kind' => 'corners', 'stops' => []]]],
    ], JSON_THROW_ON_ERROR));
    $kept = [];
    foreach ([1, 2] as $_) {
        $found = test()->getJson($job.'/clearances')->assertOk()->json('found');
        expect($found)->toHaveCount(1)->and($found[0]['distance'])->toEqualWithDelta(94, 1e-4);
        $kept = array_filter(Storage::files('meshes'), static fn (string $one): bool => str_ends_with($one, '.cubes'));
        expect($kept)->toHaveCount(1);
    }
    // Cut off by a full disk, it is made anew.
    Storage::put(array_values($kept)[0], 'short');
    expect(test()->getJson($job.'/clearances')->assertOk()->json('found.0.distance'))->toEqualWithDelta(94, 1e-4);
});

/** What a request began and did not come to the end of is left to the queue (WorkTime): as if this one had. */
function isLong(string $job): void
{
    config(['bowline.has_alarm' => false]);
    $model = Job::query()->findOrFail((int) basename($job));
    Cache::put('computing:clearances '.KeptClearances::key($model), true, 60);
}

function findOnQueue(): void
{
    app()->call((new FindClearances(ClearanceWork::query()->sole()->id))->handle(...));
}

it('finds on the queue what takes long, and keeps it until the job changes', function (): void {
    Queue::fake();
    $job = crossingTubes();
    $atOnce = test()->getJson($job.'/clearances')->assertOk()->json('found');
    expect(ClearanceWork::query()->count())->toBe(0);
    isLong($job);
    $begun = test()->getJson($job.'/clearances')->assertStatus(202);
    Schema::check(json_decode($begun->content()), 'api.json#/$defs/jobClearances');
    expect($begun->json())->toMatchArray(['found' => null, 'work' => [
        'state' => 'waiting', 'part' => 0, 'problem' => null,
    ]]);
    // Asked again meanwhile, by this window or another, it is queued once.
    test()->getJson($job.'/clearances')->assertStatus(202);
    Queue::assertPushed(FindClearances::class, 1);
    findOnQueue();
    expect(test()->getJson($job.'/clearances')->assertOk()->json('found'))->toBe($atOnce)
        ->and($atOnce)->toHaveCount(1);

    $low = item($job, 'runs', 'low');
    edit($job, 'runs', 'low', [...$low, 'insulation' => 10])->assertOk();
    test()->getJson($job)->assertOk();
    test()->getJson($job.'/clearances')->assertStatus(202);
    // A worker that has the question as it was before the next change answers nothing.
    edit($job, 'runs', 'low', [...$low, 'insulation' => 9])->assertOk();
    test()->getJson($job)->assertOk();
    findOnQueue();
    expect(ClearanceWork::query()->sole()->found)->toBeNull();
    test()->getJson($job.'/clearances')->assertStatus(202);
    findOnQueue();
    // 8 less 9 of insulation.
    expect(test()->getJson($job.'/clearances')->json('found.0.distance'))->toEqualWithDelta(-1, 1e-6);
    Queue::assertPushed(FindClearances::class, 3);
});

it('stops, before it begins and in the middle, and goes on when asked', function (bool $isBegun): void {
    Queue::fake();
    $job = crossingTubes();
    isLong($job);
    test()->getJson($job.'/clearances')->assertStatus(202);
    $change = static fn (bool $again) => test()->postJson($job.'/clearances/work', ['again' => $again]);
    if ($isBegun) {
        $isStopped = false;
        DB::listen(static function ($query) use (&$isStopped): void {
            if (! $isStopped && str_contains($query->sql, 'update "clearance_works" set "state"')) {
                $isStopped = true;
                DB::table('clearance_works')->where('state', 'working')->update(['state' => 'stopped']);
            }
        });
    } else {
        expect($change(false)->assertStatus(202)->json('work.state'))->toBe('stopped');
    }
    findOnQueue();
    expect(ClearanceWork::query()->sole()->only(['state', 'found']))->toBe(['state' => 'stopped', 'found' => null]);
    DB::getEventDispatcher()?->forget(QueryExecuted::class);
    expect($change(true)->assertStatus(202)->json('work.state'))->toBe('waiting');
    Queue::assertPushed(FindClearances::class, 2);
    findOnQueue();
    expect(test()->getJson($job.'/clearances')->assertOk()->json('found'))->toHaveCount(1);
    // There is nothing to stop any more.
    expect($change(false)->assertOk()->json('work'))->toBeNull();
})->with(['before it begins' => [false], 'in the middle' => [true]]);

it('says that it has failed, and is taken up again', function (): void {
    Queue::fake();
    $job = crossingTubes();
    isLong($job);
    test()->getJson($job.'/clearances')->assertStatus(202);
    (new FindClearances(ClearanceWork::query()->sole()->id))->failed(new TimeoutExceededException);
    expect(test()->getJson($job.'/clearances')->assertStatus(202)->json('work'))->toBe([
        'state' => 'failed', 'part' => 0, 'problem' => 'It took longer than 5 minutes.',
    ]);
    test()->postJson($job.'/clearances/work', ['again' => 1])->assertUnprocessable()
        ->assertJsonPath('pointer', '/again');
    test()->postJson($job.'/clearances/work', ['again' => true])->assertStatus(202)
        ->assertJsonPath('work.problem', null);
    findOnQueue();
    expect(test()->getJson($job.'/clearances')->assertOk()->json('found'))->toHaveCount(1);
});

it('is not issued before it is known what is too near', function (): void {
    Queue::fake();
    $job = crossingTubes();
    // 2 mm inside each other.
    edit($job, 'runs', 'low', [...item($job, 'runs', 'low'), 'insulation' => 10])->assertOk();
    test()->getJson($job)->assertOk();
    $words = static fn (): array => test()->postJson($job.'/revisions', [
        'name' => 'A', 'by' => 'Maud Larsen', 'note' => '',
    ])->assertStatus(422)->json('open.*.words');
    isLong($job);
    expect($words())->toBe(['What is too near to each other is still being looked at']);
    ClearanceWork::query()->update(['state' => 'stopped']);
    expect($words())
        ->toBe(['What is too near to each other has not been looked at; have it looked at under Check']);
    ClearanceWork::query()->update(['state' => 'waiting']);
    findOnQueue();
    expect($words())->toBe(['Low goes into High']);
});
