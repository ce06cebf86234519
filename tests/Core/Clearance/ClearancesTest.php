<?php

declare(strict_types=1);

use Bowline\Clearance\Clearances;
use Bowline\Clearance\Shortfall;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Bowline\Job\Schema;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use Bowline\Space\Progress;
use Tests\Jobs;

/*
 * How far things are from each other, against distances worked out by hand. Tubes of 12 unless told otherwise.
 */

/**
 * @param  list<float|int>  $from
 * @param  list<float|int>  $to
 * @param  list<list<float|int>>  $corners
 * @param  array<string, mixed>  $more
 */
function tubeBetween(string $id, array $from, array $to, array $corners = [], array $more = []): array
{
    return [
        'id' => $id, 'name' => ucfirst($id), 'stock' => 't', 'from' => ['at' => $from], 'to' => ['at' => $to],
        'route' => ['kind' => 'corners', 'stops' => array_map(
            static fn (array $at): array => ['at' => $at], $corners,
        )],
        ...$more,
    ];
}

/**
 * @param  array<array<string, mixed>>  $runs
 * @param  array<string, mixed>  $more  of the job
 */
function clearanceJob(array $runs, array $more = []): stdClass
{
    return Jobs::decoded([
        'format' => 'bowline-job', 'version' => 5, 'name' => 'Near', 'up' => 'z',
        'stock' => [[
            'id' => 't', 'kind' => 'tube', 'density' => 8000,
            'section' => ['shape' => 'round', 'od' => 12, 'wall' => 1],
            'bend' => ['radius' => 40, 'min_radius' => 20, 'min_straight' => 0],
        ]],
        'clearances' => ['usual' => 100],
        'runs' => $runs, ...$more,
    ]);
}

/** @return list<Shortfall> */
function tooNear(stdClass $file): array
{
    Schema::check($file, 'job.json');
    $job = Job::read($file);

    return (new Clearances($job, array_map(
        static fn (Run $run): LaidRun => $run->route->lay($run), array_values($job->runs),
    )))->all();
}

/** @return array<string, float> distances by the ids of both */
function distances(stdClass $file): array
{
    $found = [];
    foreach (tooNear($file) as $one) {
        $found[$one->gap->one->ref()->id.' '.$one->gap->other->ref()->id] = $one->gap->distance;
    }

    return $found;
}

/** A thing of the surroundings as a box about a point. */
function boxAt(array $at, array $size): array
{
    return ['id' => 'box', 'name' => 'Box', 'shape' => 'box', 'pose' => ['at' => $at], 'size' => $size];
}

it('is measured from surface to surface', function (
    array $runs,
    float $distance,
    array $more = [],
    float $within = 1e-4,
): void {
    $found = distances(clearanceJob($runs, $more));

    expect($found)->toHaveCount(1)->and(array_values($found)[0])->toEqualWithDelta($distance, $within);
})->with(function (): array {
    $along = tubeBetween('a', [-200, 0, 0], [200, 0, 0]);
    $bend = tubeBetween('a', [-200, 0, 0], [0, 0, 200], [[0, 0, 0]]);
    $flanged = [...$along, 'to' => [
        'at' => [200, 0, 0], 'end' => ['type' => 'flange', 'od' => 60, 'thickness' => 10, 'bore' => 10],
    ]];

    return [
        'skew lines' => [[$along, tubeBetween('b', [7, -100, 30], [7, 100, 30])], 18.0],
        'parallel' => [[$along, tubeBetween('b', [-300, 30, 40], [300, 30, 40])], 38.0],
        'one through the other' => [[$along, tubeBetween('b', [7, -100, 5], [7, 100, 5])], -7.0],
        // Its flat end looks at the other, 50 from the axis of that.
        'an end at a wall of a tube' => [[$along, tubeBetween('b', [0, 0, 50], [0, 0, 150])], 44.0],
        // Rims: both ends in one line, 20 apart and 30 beside: 20 and 30 less two radii, from corner to corner.
        'ends beside each other' => [[$along, tubeBetween('b', [220, 30, 0], [400, 30, 0])], hypot(20, 18)],
        // A line across in front of a bend of R 40 about (−40, 40) in x and z: hypot(50, 50) − 40 − 12.
        'a line beside a bend' => [[$bend, tubeBetween('b', [10, -100, -10], [10, 100, -10])], 50 * M_SQRT2 - 52],
        // Two bends about one axis, R 40 and 80 − but the second about (−40, 40), too: legs and bends all 40 apart.
        'bends about one axis' => [[
            $bend, tubeBetween('b', [-200, 0, -40], [40, 0, 200], [[40, 0, -40]], [
                'route' => ['kind' => 'corners', 'corner' => ['radius' => 80], 'stops' => [['at' => [40, 0, -40]]]],
            ]),
        ], 28.0],
        'a flange beside a tube' => [[$flanged, tubeBetween('b', [100, 50, 0], [300, 50, 0])], 14.0],
        'insulated' => [[[...$along, 'insulation' => 25], tubeBetween('b', [-200, 50, 0], [200, 50, 0])], 13.0],
        'a face' => [[$along], 14.0, ['surroundings' => [boxAt([0, 0, 70], [600, 600, 100])]]],
        // To the edge at (y, z) = (30, 40).
        'an edge' => [[$along], 44.0, ['surroundings' => [boxAt([0, 80, 90], [600, 100, 100])]]],
        'a flat end at a face' => [[$along], 5.0, ['surroundings' => [boxAt([255, 0, 0], [100, 200, 200])]]],
        // From the rim at (200, 6) to the edge at (210, 16).
        'a rim at an edge' => [[$along], hypot(10, 10), ['surroundings' => [boxAt([260, 66, 0], [100, 100, 200])]]],
        'a cylinder' => [[$along], 24.0, ['surroundings' => [
            ['id' => 'c', 'shape' => 'cylinder', 'pose' => ['at' => [0, 50, 0]], 'diameter' => 40, 'height' => 300],
        ]]],
        // Sleeves of 16.8 (1.4 times the tube) and 24 long, about 200; the other tube is 40 above.
        'a coupling' => [[
            [...$along, 'joints' => [['at' => ['length' => 200], 'kind' => 'coupling']]],
            tubeBetween('b', [-300, 0, 40], [300, 0, 40]),
        ], 40 - 8.4 - 6, [], 0.1],
        // From its rim at (50, 30) to that of the flat end at (60, 34).
        'the rim of a long sleeve' => [[
            [...$along, 'joints' => [['at' => ['length' => 200], 'kind' => 'union', 'sleeve' => [
                'length' => 100, 'od' => 60,
            ]]]], tubeBetween('b', [60, 0, 40], [300, 0, 40]),
        ], hypot(10, 4), [], 1e-3],
        'flanges of a joint' => [[
            [...$along, 'joints' => [['at' => ['length' => 200], 'kind' => 'flanges', 'flange' => [
                'type' => 'flange', 'od' => 60, 'thickness' => 10, 'bore' => 13,
            ]]]], tubeBetween('b', [-300, 0, 50], [300, 0, 50]),
        ], 50 - 30 - 6],
        // 4 over the tube.
        'clips' => [[
            [...$along, 'repeats' => [['kind' => 'clip', 'count' => 3, 'from' => 50, 'to' => 50]]],
            tubeBetween('b', [-300, 0, 40], [300, 0, 40]),
        ], 40 - 10 - 6],
        'marks take no room' => [[
            [...$along, 'repeats' => [['kind' => 'mark', 'count' => 3, 'from' => 50, 'to' => 50]]],
            tubeBetween('b', [-300, 0, 40], [300, 0, 40]),
        ], 28.0],
        'a clamp of others' => [[$along], 24.0, ['clamps' => [
            ['id' => 'k', 'at' => [0, 40, 0], 'axis' => '+x', 'bore' => 20, 'width' => 10],
        ]]],
    ];
});

it('needs what the classes say: of both, else the greatest of one, else as usual', function (
    array $services,
    float $needed,
): void {
    $runs = [
        tubeBetween('a', [-200, 0, 0], [200, 0, 0], [], $services[0] === null ? [] : ['service' => $services[0]]),
        tubeBetween('b', [-200, 13, 0], [200, 13, 0], [], $services[1] === null ? [] : ['service' => $services[1]]),
    ];
    $service = static fn (string $class): array => ['id' => $class, 'colour' => '#112233', 'class' => $class];
    $found = tooNear(clearanceJob($runs, [
        'services' => [$service('hot'), $service('fuel'), $service('live'), $service('drain')],
        'clearances' => ['usual' => 3, 'between' => [
            ['classes' => ['hot', 'fuel'], 'distance' => 150, 'why' => 'Fuel vapour'],
            ['classes' => ['hot'], 'distance' => 40], ['classes' => ['live'], 'distance' => 20],
            ['classes' => ['fuel', 'drain'], 'distance' => 2],
        ]],
    ]));

    expect($found[0]->needed)->toBe($needed)->and($found[0]->rule())->toBe('clearance')
        ->and($found[0]->isViolation())->toBeFalse()
        ->and($found[0]->why)->toBe($needed === 150.0 ? 'Fuel vapour' : null);
})->with([
    'both' => [['hot', 'fuel'], 150.0], 'the other way round' => [['fuel', 'hot'], 150.0],
    'one' => [['hot', 'drain'], 40.0], 'the greater of one and one' => [['live', 'hot'], 40.0],
    'against nothing' => [[null, 'live'], 20.0], 'a smaller one of both' => [['drain', 'fuel'], 2.0],
    'neither' => [[null, 'drain'], 3.0],
]);

it('leaves out what is meant to touch', function (array $runs, array $more = []): void {
    expect(distances(clearanceJob($runs, ['clearances' => ['usual' => 10], ...$more])))->toBe([]);
})->with(function (): array {
    $pump = ['id' => 'pump', 'pose' => ['at' => [0, 0, 0]], 'body' => ['shape' => 'box', 'size' => [100, 100, 100]],
        'ports' => [['id' => 'out', 'at' => [50, 0, 0], 'axis' => '+x']]];
    $out = [...tubeBetween('a', [0, 0, 0], [300, 0, 0]), 'from' => ['port' => 'pump.out']];
    $clamp = ['id' => 'k', 'at' => [100, 0, 0], 'axis' => '+x', 'bore' => 12, 'width' => 10];

    return [
        'the fitting that it begins at' => [[$out], ['fittings' => [$pump]]],
        'what that is mounted on' => [[$out], [
            'fittings' => [[...$pump, 'on' => 'box']],
            'surroundings' => [boxAt([0, 0, 0], [90, 300, 300])],
        ]],
        'a run that goes on' => [[
            tubeBetween('a', [0, 0, 0], [200, 0, 0]), tubeBetween('b', [200, 0, 0], [200, 300, 0]),
        ]],
        'a branch' => [[
            tubeBetween('a', [0, 0, 0], [400, 0, 0]),
            [...tubeBetween('b', [0, 0, 0], [200, 0, 200]), 'from' => [
                'on' => ['run' => 'a', 'length' => 200], 'axis' => [0, 0, 1],
            ]],
        ]],
        'its clamp' => [[tubeBetween('a', [0, 0, 0], [200, 0, 0])], ['clamps' => [$clamp]]],
    ];
});

it('finds a run that comes back to what it began at', function (): void {
    $pump = ['id' => 'pump', 'pose' => ['at' => [0, 0, 0]], 'body' => ['shape' => 'box', 'size' => [100, 100, 100]],
        'ports' => [['id' => 'out', 'at' => [50, 0, 0], 'axis' => '+x']]];
    $run = [
        ...tubeBetween('a', [0, 0, 0], [-200, 0, 59], [[150, 0, 0], [150, 0, 59]]), 'from' => ['port' => 'pump.out'],
    ];

    // Level over its top face, 59 − 50 − 6.
    expect(distances(clearanceJob([$run], ['fittings' => [$pump], 'clearances' => ['usual' => 10]])))
        ->toEqualWithDelta(['a pump' => 3.0], 1e-4);
});

it('goes by ids that are numbers', function (): void {
    // Lies on the floor “7”: a draped cable between two ports, whatever it touches there.
    $file = clearanceJob([[
        ...tubeBetween('12', [0, 0, 6], [300, 0, 6]), 'route' => ['kind' => 'drape', 'length' => 320],
    ]], ['clearances' => ['usual' => 1], 'surroundings' => [[...boxAt([150, 0, -10], [900, 900, 20]), 'id' => '7']]]);

    expect(distances($file))->toBe([]);
});

it('is waived with a reason until it becomes worse', function (float $waived, bool $isWaived): void {
    $file = clearanceJob(
        [tubeBetween('a', [-200, 0, 0], [200, 0, 0]), tubeBetween('b', [7, -100, 8], [7, 100, 8])],
        ['waivers' => [[
            'a' => ['list' => 'runs', 'id' => 'b'], 'b' => ['list' => 'runs', 'id' => 'a'], 'distance' => $waived,
            'reason' => 'Flexible here',
        ]]],
    );
    [$one] = tooNear($file);

    // 4 inside each other.
    expect($one->rule())->toBe('clash')->and($one->isViolation())->toBe(! $isWaived)
        ->and($one->waiver?->reason)->toBe($isWaived ? 'Flexible here' : null);
})->with(['at this distance' => [-4.0, true], 'at a greater one' => [-3.9, false], 'at a smaller one' => [-5.0, true]]);

it('refuses what it cannot go by, with its place', function (array $more, string $pointer): void {
    $file = clearanceJob([], $more);
    expect(static fn (): Job => Job::read($file))
        ->toThrow(static fn (JobError $error) => expect($error->pointer)->toBe($pointer));
})->with([
    'two rows about the same' => [['clearances' => ['between' => [
        ['classes' => ['a', 'b'], 'distance' => 1], ['classes' => ['b', 'a'], 'distance' => 2],
    ]]], '/clearances/between/1/classes'],
    'less than nothing' => [['clearances' => ['usual' => -1]], '/clearances/usual'],
    'no reason' => [['waivers' => [[
        'a' => ['list' => 'runs', 'id' => 'a'], 'b' => ['list' => 'runs', 'id' => 'b'], 'distance' => 1,
        'reason' => ' ',
    ]]], '/waivers/0/reason'],
]);

it('is as near as the nearest of many points, on random runs', function (int $seed): void {
    mt_srand($seed);
    $point = static fn (): array => [mt_rand(-150, 150), mt_rand(-150, 150), mt_rand(-150, 150)];
    $runs = [];
    foreach (['a', 'b'] as $id) {
        $runs[] = [...tubeBetween($id, $point(), $point()), 'route' => ['kind' => 'flow', 'points' => [
            $point(), $point(),
        ]]];
    }
    $file = clearanceJob($runs, ['clearances' => ['usual' => 1000]]);
    $job = Job::read($file);
    $points = array_map(static function (Run $run): array {
        $laid = $run->route->lay($run);
        $count = (int) ceil($laid->length());

        // Within the ends: those are flat.
        return array_map(
            static fn (int $i): array => $laid->path->pointAt(6 + ($laid->length() - 12) * $i / $count)->toArray(),
            range(0, $count),
        );
    }, array_values($job->runs));
    $least = INF;
    foreach ($points[0] as [$x, $y, $z]) {
        foreach ($points[1] as [$u, $v, $w]) {
            $least = min($least, ($x - $u) ** 2 + ($y - $v) ** 2 + ($z - $w) ** 2);
        }
    }
    $found = array_values(distances($file))[0];

    // Steps of 1 are a little off the nearest place; rims may come nearer than the balls in the ends.
    expect($found)->toBeLessThan(sqrt($least) - 12 + 1e-6);
    expect($found)->toBeGreaterThan(sqrt($least) - 12 - 6);
})->with(range(1, 12));

it('does not depend on where the whole job stands', function (): void {
    $by = static fn (array $at): array => [$at[0] + 1234.5, $at[1] - 777, $at[2] + 31];
    $pair = static fn (callable $place): stdClass => clearanceJob([
        tubeBetween('a', $place([-200, 0, 0]), $place([0, 0, 200]), [$place([0, 0, 0])]),
        tubeBetween('b', $place([10, -100, -10]), $place([10, 100, -10])),
    ], ['surroundings' => [boxAt($place([-100, 60, 0]), [50, 50, 50])]]);

    expect(distances($pair($by)))->toEqualWithDelta(distances($pair(static fn (array $at): array => $at)), 1e-6);
});

it('is written as version 5, and a job without any of it as before', function (): void {
    expect(json_decode(JobFile::encode(clearanceJob([])))->version)->toBe(5);
    $plain = clearanceJob([]);
    unset($plain->clearances);
    expect(json_decode(JobFile::encode($plain))->version)->toBeLessThan(5);
    $plain->runs = [Jobs::object(tubeBetween('a', [0, 0, 0], [9, 0, 0], [], ['insulation' => 20]))];
    expect(json_decode(JobFile::encode($plain))->version)->toBe(5);
    $plain->runs = [Jobs::object(tubeBetween('a', [0, 0, 0], [9, 0, 0], [], ['fall' => 0]))];
    expect(json_decode(JobFile::encode($plain))->version)->toBe(5);
});

it('tells how far it has come, run by run, and can be broken off', function (): void {
    $runs = array_map(
        static fn (int $i): array => tubeBetween("r$i", [-200, 50 * $i, 0], [200, 50 * $i, 0]), range(0, 3),
    );
    $job = Job::read(clearanceJob($runs));
    $clearances = new Clearances($job, array_map(
        static fn (Run $run): LaidRun => $run->route->lay($run), array_values($job->runs),
    ));
    $told = [];
    $clearances->all(new Progress(static function (float $part) use (&$told): void {
        $told[] = $part;
    }));
    // Half of it is what is at rest, of four runs; nothing moves.
    expect($told)->toEqualWithDelta([0, 0.125, 0.25, 0.375], 1e-12);
    expect(static fn () => $clearances->all(new Progress(static function (float $part): void {
        if ($part > 0.2) {
            throw new DomainException('Not any more.');
        }
    })))->toThrow(DomainException::class);
});
