<?php

declare(strict_types=1);

use Bowline\Editing\Edit\MoveCorner;
use Bowline\Editing\Edit\MoveLeg;
use Bowline\Editing\Edit\UntieCorner;
use Bowline\Editing\EditError;
use Bowline\Editing\Loosening;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\JobError;
use Tests\Jobs;

/** A pump at the origin with a port up at z = 50, a hatch hinged along the y axis, and runs through tied corners. */
function tiedJob(array $runs, array $more = []): stdClass
{
    $file = Jobs::file([], ['at' => [0, 0, 0]]);
    $file->version = 2;
    $file->fittings[] = Jobs::object([
        'id' => 'filter',
        'pose' => ['at' => [400, 300, 100]],
        'ports' => [['id' => 'in', 'at' => [0, 0, 0], 'axis' => '-x']],
    ]);
    $file->clamps = [Jobs::object(['id' => 'c1', 'at' => [200, 100, 60], 'axis' => '+y', 'bore' => 12, 'width' => 10])];
    $file->values = Jobs::object(['swing' => 0, ...($more['values'] ?? [])]);
    $file->surroundings = [
        Jobs::object([
            'id' => 'hatch',
            'name' => 'Hatch',
            'shape' => 'panel',
            'width' => 600,
            'height' => 400,
            'thickness' => 20,
            'pose' => ['at' => [300, 0, 0]], 'hinge' => ['at' => [-300, 0, 0], 'axis' => '+y', 'angle' => 'swing']]),
        Jobs::object([
            'id' => 'wall',
            'name' => 'Wall',
            'shape' => 'box',
            'size' => [1000, 20, 800],
            'pose' => ['at' => [0, 500, 0]],
        ]),
    ];
    $file->runs = array_map(
        static fn (array $run): stdClass => Jobs::object([
            'stock' => 't12',
            'from' => ['at' => [0, 0, 0]],
            'to' => ['at' => [900, 900, 900]],
            ...$run,
        ]),
        $runs,
    );

    return $file;
}

/** @return array<string, mixed> the one corner of a run, and what is free of it */
function tiedCorner(array $ties, array $at = [210, 220, 230], array $more = []): array
{
    $written = Jobs::written(
        tiedJob([['id' => 'a', 'route' => ['kind' => 'corners', 'stops' => [['at' => $at, 'ties' => $ties]]]]], $more),
    );

    return [
        'at' => $written['vertices'][1],
        'free' => $written['corners'][1]['free'],
        'findings' => $written['findings'],
        'ties' => $written['corners'][1]['ties'],
    ];
}

it('puts a corner at the nearest place that keeps its ties, and tells what is free', function (
    array $ties,
    array $at,
    int $free,
): void {
    $corner = tiedCorner($ties);
    expect($corner['at'])
        ->toEqualWithDelta($at, 1e-7)
        ->and($corner['free'])
        ->toHaveCount($free)
        ->and($corner['ties'][0]['holds'])
        ->toBeTrue();
})->with([
    'level with a port' => [[['level' => '+z', 'with' => 'pump.out']], [210, 220, 50], 2],
    'so far from a port along an axis' => [
        [['level' => '+x', 'with' => 'filter.in', 'distance' => -120]],
        [280, 220, 230],
        2,
    ],
    'on the axis of a clamp' => [[['on_axis' => 'c1']], [200, 220, 60], 1],
    'off a panel' => [[['away' => 40, 'from' => ['face' => 'front', 'of' => 'hatch']]], [210, 220, 40], 2],
    'off the near face of a wall' => [[['away' => 30, 'from' => ['face' => '-y', 'of' => 'wall']]], [210, 460, 230], 2],
    'off a face told by point and normal' => [
        [['away' => 5, 'from' => ['at' => [0, -10, 0], 'normal' => '-y', 'of' => 'wall']]],
        [210, 485, 230],
        2,
    ],
    'so far from a clamp axis' => [
        [['away' => 50, 'from' => 'c1']],
        [200 + 50 / sqrt(1 + 17 ** 2), 220, 60 + (50 * 17) / sqrt(1 + 17 ** 2)],
        2,
    ],
    'its leg along a face' => [[['parallel' => ['face' => 'front', 'of' => 'hatch']]], [210, 220, 0], 2],
    'its leg along an axis' => [[['parallel' => 'c1']], [0, 220, 0], 1],
    'its leg straight at a face' => [[['square' => ['face' => '-y', 'of' => 'wall']]], [0, 220, 0], 1],
    'its leg square to an axis' => [[['square' => 'c1']], [210, 0, 230], 2],
    'two at once' => [
        [['level' => '+z', 'with' => 'pump.out'], ['away' => 30, 'from' => ['face' => '-y', 'of' => 'wall']]],
        [210, 460, 50],
        1,
    ],
    'three at once' => [
        [
            ['level' => '+z', 'with' => 'pump.out'],
            ['level' => '+x', 'with' => 'c1'],
            ['level' => '+y', 'with' => 'filter.in'],
        ],
        [200, 300, 50],
        0,
    ],
]);

it('keeps an angle to a face and to an axis', function (float $degrees): void {
    foreach ([['face' => 'front', 'of' => 'hatch'], 'c1'] as $anchor) {
        $corner = tiedCorner([['angle' => $degrees, 'to' => $anchor]]);
        [$x, $y, $z] = $corner['at'];
        $length = sqrt($x * $x + $y * $y + $z * $z);
        // The face lies in x–y and the clamp along y: sine to the one, cosine to the other.
        $part = is_string($anchor)
            ? cos(deg2rad($degrees)) - abs($y) / $length
            : sin(deg2rad($degrees)) - abs($z) / $length;
        expect($part)
            ->toEqualWithDelta(0, 1e-9)
            ->and($length)
            ->toBeGreaterThan(100)
            ->and($corner['findings'])
            ->toBe([]);
    }
})->with([10.0, 30.0, 45.0, 75.0]);

it('follows a hinge that is swung by its value', function (float $swing): void {
    $corner = tiedCorner(
        [['away' => 40, 'from' => ['face' => 'front', 'of' => 'hatch']]],
        [210, 220, 230],
        ['values' => ['swing' => $swing]],
    );
    // The hinge lies along y through the origin, the front looks along +z there: turned by s its normal is (sin s, 0,
    // cos s).
    $normal = new Vector(sin(deg2rad($swing)), 0.0, cos(deg2rad($swing)));
    $told = new Vector(210.0, 220.0, 230.0);
    $expected = $told->minus($normal->times($told->dot($normal) - 40.0));
    expect($corner['at'])->toEqualWithDelta($expected->toArray(), 1e-7);
})->with([0.0, 12.0, 45.0, 90.0, -30.0]);

it('moves what depends on a fitting through any depth', function (): void {
    $runs = [];
    foreach (range(1, 6) as $n) {
        $with = $n === 1 ? 'filter.in' : ['stop' => 0, 'run' => 'r'.($n - 1)];
        $runs[] = [
            'id' => 'r'.$n,
            'route' => [
                'kind' => 'corners',
                'stops' => [
                    ['at' => [10 * $n, 5, 7], 'ties' => [['level' => '+z', 'with' => $with, 'distance' => $n]]],
                ],
            ],
        ];
    }
    $file = tiedJob($runs);
    // 100 of the filter, and 1 + 2 + … + 6.
    expect(Jobs::written($file, 5)['vertices'][1])->toEqualWithDelta([60, 5, 121], 1e-9);
    $file->fittings[1]->pose->at = [400, 300, 250];
    expect(Jobs::written($file, 5)['vertices'][1])->toEqualWithDelta([60, 5, 271], 1e-9);
});

it('refuses a loop and spells out the way round', function (): void {
    $tie = fn (string $run): array => [
        ['at' => [1, 2, 3], 'ties' => [['level' => '+z', 'with' => ['stop' => 0, 'run' => $run]]]],
    ];
    $file = tiedJob([
        ['id' => 'a', 'name' => 'Feed', 'route' => ['kind' => 'corners', 'stops' => $tie('b')]],
        ['id' => 'b', 'name' => 'Drain', 'route' => ['kind' => 'corners', 'stops' => $tie('c')]],
        ['id' => 'c', 'name' => 'Vent', 'route' => ['kind' => 'corners', 'stops' => $tie('a')]],
    ]);
    expect(fn () => Job::read($file))->toThrow(
        JobError::class,
        'corner 1 of Drain → corner 1 of Vent → corner 1 of Feed → corner 1 of Drain',
    );
    // Two runs that hang on each other at different corners are no loop.
    $both = tiedJob([
        [
            'id' => 'a',
            'route' => [
                'kind' => 'corners',
                'stops' => [
                    ['at' => [1, 2, 3]],
                    ['at' => [5, 5, 5], 'ties' => [['level' => '+x', 'with' => ['stop' => 0, 'run' => 'b']]]],
                ],
            ],
        ],
        [
            'id' => 'b',
            'route' => [
                'kind' => 'corners',
                'stops' => [['at' => [7, 8, 9], 'ties' => [['level' => '+y', 'with' => ['stop' => 0, 'run' => 'a']]]]],
            ],
        ],
    ]);
    expect(Jobs::written($both, 1)['vertices'][1])
        ->toEqualWithDelta([7, 2, 9], 1e-9)
        ->and(Jobs::written($both, 0)['vertices'][2])
        ->toEqualWithDelta([7, 5, 5], 1e-9);
    // Nor are these: the second corner of b is level with a plain corner, and does not depend on the first.
    $level = static fn (string $run, int $stop): array => [
        ['level' => '+z', 'with' => ['stop' => $stop, 'run' => $run]],
    ];
    $crossed = tiedJob([
        ['id' => 'a', 'route' => ['kind' => 'corners', 'stops' => [['at' => [1, 2, 3], 'ties' => $level('b', 1)]]]],
        ['id' => 'b', 'route' => ['kind' => 'corners', 'stops' => [
            ['at' => [4, 5, 6], 'ties' => $level('a', 0)], ['at' => [7, 8, 9], 'ties' => $level('c', 0)],
        ]]],
        ['id' => 'c', 'route' => ['kind' => 'corners', 'stops' => [['at' => [10, 11, 12]]]]],
    ]);
    expect(Jobs::written($crossed, 0)['vertices'][1])->toEqualWithDelta([1, 2, 12], 1e-9)
        ->and(Jobs::written($crossed, 1)['vertices'][1])->toEqualWithDelta([4, 5, 12], 1e-9);
    $own = tiedJob([
        [
            'id' => 'a',
            'route' => [
                'kind' => 'corners',
                'stops' => [['at' => [1, 2, 3], 'ties' => [['level' => '+z', 'with' => ['stop' => 0]]]]],
            ],
        ],
    ]);
    expect(fn () => Job::read($own))->toThrow(JobError::class, 'comes back to itself');
});

it('follows a stop that its run moves to hold a length', function (): void {
    $file = tiedJob([
        [
            'id' => 'a',
            'to' => ['at' => [200, 0, 0]],
            'route' => [
                'kind' => 'corners',
                'corner' => ['radius' => 1],
                'stops' => [['at' => [0, 0, 50]], ['at' => [200, 0, 50]]],
            ],
            'fixed_length' => ['length' => 400, 'tolerance' => 0.1, 'adjust' => ['stops' => [0, 1], 'along' => '+z']]],
        [
            'id' => 'b',
            'route' => [
                'kind' => 'corners',
                'stops' => [
                    ['at' => [30, 30, 30], 'ties' => [['level' => '+z', 'with' => ['stop' => 1, 'run' => 'a']]]],
                ],
            ],
        ],
    ]);
    // Up and down by h and 200 across, two bends of R 1 saving 2 − π/2 each: h = (200 + 4 − π) / 2.
    expect(Jobs::written($file, 1)['vertices'][1][2])->toEqualWithDelta((200 + 4 - M_PI) / 2, 1e-7);
});

it('keeps a tie that cannot hold, says by how much it is missed, and offers to let go of either', function (): void {
    $corner = tiedCorner([
        ['level' => '+z', 'with' => 'pump.out'],
        ['away' => 40, 'from' => ['face' => 'front', 'of' => 'hatch']],
    ]);
    expect($corner['at'])
        ->toEqualWithDelta([210, 220, 50], 1e-9)
        ->and($corner['ties'][1])
        ->toMatchArray(['holds' => false])
        ->and($corner['ties'][1]['off'])->toEqualWithDelta(10, 1e-9)
        ->and($corner['findings'][0]['rule'])
        ->toBe('tie')
        ->and($corner['findings'][0]['measured'])
        ->toEqualWithDelta(10, 1e-9)
        ->and($corner['findings'][0]['remedies'])
        ->toBe(['Let go of “40 mm off Hatch”', 'Let go of “level with pump.out along +z”']);
});

it('moves a tied corner only where its ties let it, and stays when one is let go', function (): void {
    $file = tiedJob([
        [
            'id' => 'a',
            'route' => [
                'kind' => 'corners',
                'stops' => [['at' => [210, 220, 230], 'ties' => [['level' => '+z', 'with' => 'pump.out']]]],
            ],
        ],
    ]);
    $file->runs[0] = RunDraft::of(Jobs::laid($file))->apply(new MoveCorner(1, new Vector(5.0, 0.0, 80.0)))->run();
    expect(Jobs::written($file)['vertices'][1])->toEqualWithDelta([215, 220, 50], 1e-9);
    expect(fn () => RunDraft::of(Jobs::laid($file))->apply(new MoveCorner(1, new Vector(0.0, 0.0, 80.0))))->toThrow(
        EditError::class,
        'level with pump.out',
    );
    $file->runs[0] = RunDraft::of(Jobs::laid($file))->apply(new UntieCorner(1, 0))->run();
    expect(Jobs::written($file)['vertices'][1])
        ->toEqualWithDelta([215, 220, 50], 1e-9)
        ->and(isset($file->runs[0]->route->stops[0]->ties))
        ->toBeFalse();
});

it('moves a leg only where the ties of both its corners let it', function (): void {
    // The one corner keeps its height, the other its place along x: of a move by 5, 7 and 80 only the 7 are left.
    $file = tiedJob([
        [
            'id' => 'a',
            'route' => [
                'kind' => 'corners',
                'stops' => [
                    ['at' => [210, 220, 230], 'ties' => [['level' => '+z', 'with' => 'pump.out']]],
                    ['at' => [300, 220, 50], 'ties' => [['level' => '+x', 'with' => 'pump.out', 'distance' => 300]]],
                ],
            ],
        ],
    ]);
    [, $first, $second] = Jobs::written($file)['vertices'];
    $file->runs[0] = RunDraft::of(Jobs::laid($file))->apply(new MoveLeg(2, new Vector(5.0, 7.0, 80.0)))->run();
    [, $firstNow, $secondNow] = Jobs::written($file)['vertices'];
    expect($firstNow)
        ->toEqualWithDelta([$first[0], $first[1] + 7, $first[2]], 1e-9)
        ->and($secondNow)
        ->toEqualWithDelta([$second[0], $second[1] + 7, $second[2]], 1e-9)
        // And what was said is where it stands: the ties have nothing left to take back.
        ->and($file->runs[0]->route->stops[0]->at)
        ->toEqualWithDelta($firstNow, 1e-6)
        ->and($file->runs[0]->route->stops[1]->at)
        ->toEqualWithDelta($secondNow, 1e-6);
    expect(fn () => RunDraft::of(Jobs::laid($file))->apply(new MoveLeg(2, new Vector(0.0, 0.0, 80.0))))->toThrow(
        EditError::class,
        'level with pump.out',
    );
});

it('leaves corners where they were when what they are tied to goes', function (): void {
    $before = tiedJob(
        [
            [
                'id' => 'a',
                'route' => [
                    'kind' => 'corners',
                    'stops' => [
                        [
                            'at' => [210, 220, 230],
                            'ties' => [
                                ['away' => 40, 'from' => ['face' => 'front', 'of' => 'hatch']],
                                ['level' => '+y', 'with' => 'c1'],
                            ],
                        ],
                    ],
                ],
            ],
            [
                'id' => 'b',
                'from' => ['like' => ['run' => 'a', 'end' => 'from', 'offset' => [0, 9, 0]]],
                'to' => ['like' => ['run' => 'a', 'end' => 'to', 'offset' => [0, 9, 0]]],
                'route' => ['kind' => 'corners', 'like' => ['run' => 'a', 'offset' => [0, 9, 0]], 'stops' => []],
            ],
        ],
        ['values' => ['swing' => 20]],
    );
    $before->clamps[0] = Jobs::object([
        'id' => 'c1',
        'on' => 'hatch',
        'at' => [0, 100, 0],
        'axis' => '+y',
        'stand_off' => 25,
        'bore' => 12,
        'width' => 10,
    ]);
    $was = Job::read($before)->site->clamps['c1'];
    expect($was->at->toArray())->toEqualWithDelta(
        [300 * cos(deg2rad(20)) + 25 * sin(deg2rad(20)), 100, -300 * sin(deg2rad(20)) + 25 * cos(deg2rad(20))],
        1e-9,
    );
    $after = clone $before;
    $after->surroundings = [$before->surroundings[1]];
    $fitted = Loosening::of($before)->fit($after);
    expect(Jobs::written($fitted)['vertices'])->toEqualWithDelta(Jobs::written($before)['vertices'], 1e-8)
        ->and(count($fitted->runs[0]->route->stops[0]->ties))->toBe(1)
        ->and(Job::read($fitted)->site->clamps['c1']->at->toArray())->toEqualWithDelta($was->at->toArray(), 1e-8);
    $gone = clone $before;
    $gone->runs = [$before->runs[1]];
    expect(Jobs::written(Loosening::of($before)->fit($gone))['vertices'])->toEqualWithDelta(
        Jobs::written($before, 1)['vertices'],
        1e-8,
    );
});

it('brings a set of runs to the length of the longest', function (): void {
    $u = fn (string $id, float $height): array => [
        'id' => $id,
        'to' => ['at' => [200, 0, 0]],
        'route' => [
            'kind' => 'corners',
            'corner' => ['radius' => 10],
            'stops' => [['at' => [0, 0, $height]], ['at' => [200, 0, $height]]],
        ],
        'fixed_length' => ['same_as' => 'risers', 'tolerance' => 0.1, 'adjust' => ['stops' => [0, 1], 'along' => '+z']],
    ];
    $file = tiedJob([$u('a', 50), $u('b', 90), $u('c', 70)]);
    $file->sets = [Jobs::object(['id' => 'risers', 'runs' => ['a', 'b', 'c'], 'budget' => 1200])];
    $longest = 200 + 180 - 2 * (20 - 5 * M_PI);
    foreach ([0, 1, 2] as $run) {
        expect(Jobs::written($file, $run)['length'])->toEqualWithDelta($longest, 1e-6);
    }
    expect(Jobs::written($file, 0)['adjusted_by'])->toEqualWithDelta(40, 1e-6);
});
