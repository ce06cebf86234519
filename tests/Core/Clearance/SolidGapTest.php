<?php

declare(strict_types=1);

use Bowline\Clearance\Clearances;
use Bowline\Clearance\Shortfall;
use Bowline\Exchange\ClearanceWriter;
use Bowline\Job;
use Tests\Jobs;

/*
 * Fittings, clamps and surroundings against each other: distances by hand, and random boxes beside their corners.
 */

/**
 * A fitting that is a box.
 *
 * @param  array<float>  $at
 * @param  array<float>  $size
 * @param  array<string, mixed>  $more
 */
function boxFitting(string $id, array $at, array $size, array $more = []): array
{
    return [
        'id' => $id, 'name' => ucfirst($id), 'pose' => ['at' => $at], 'body' => ['shape' => 'box', 'size' => $size],
        'ports' => [], ...$more,
    ];
}

/** @return list<Shortfall> */
function solidsTooNear(array $fittings, array $more = [], float $usual = 50.0): array
{
    $job = Job::read(Jobs::decoded([
        'format' => 'bowline-job', 'version' => 5, 'name' => 'Solids', 'up' => 'z', 'stock' => [],
        'clearances' => ['usual' => $usual], 'fittings' => $fittings, ...$more,
    ]));

    return (new Clearances($job, []))->all();
}

$cube = static fn (string $id, array $at, array $turn = []): array => boxFitting(
    $id, $at, [100, 100, 100], $turn === [] ? [] : ['pose' => ['at' => $at, 'turn' => $turn]],
);
$round = static fn (string $id, array $at, array $turn = []): array => [
    'id' => $id, 'name' => ucfirst($id), 'ports' => [],
    'pose' => ['at' => $at, ...$turn === [] ? [] : ['turn' => $turn]],
    'body' => ['shape' => 'cylinder', 'diameter' => 80, 'height' => 200],
];
$quarter = ['about' => [0, 0, 1], 'by' => 45];

it('measures between solid things', function (array $one, array $other, float $distance) {
    $found = solidsTooNear([$one, $other]);

    expect($found)->toHaveCount(1)->and($found[0]->rule())->toBe('clearance')
        ->and($found[0]->gap->distance)->toEqualWithDelta($distance, 1e-3)
        ->and($found[0]->gap->at[0]->distanceTo($found[0]->gap->at[1]))->toEqualWithDelta($distance, 1e-3);
})->with([
    'faces' => [$cube('a', [0, 0, 0]), $cube('b', [130, 20, 0]), 30.0],
    'edges' => [$cube('a', [0, 0, 0]), $cube('b', [130, 120, 0]), hypot(30, 20)],
    'corners' => [$cube('a', [0, 0, 0]), $cube('b', [120, 130, 130]), sqrt(400 + 900 + 900)],
    // Its edge points at the face: 130 − 50 − 50·√2.
    'an edge to a face' => [$cube('a', [0, 0, 0]), $cube('b', [130, 0, 0], $quarter), 80 - 50 * M_SQRT2],
    'a cylinder upright beside a face' => [$cube('a', [0, 0, 0]), $round('b', [110, 0, 0]), 20.0],
    'two cylinders upright' => [$round('a', [0, 0, 0]), $round('b', [60, 80, 0]), 20.0],
    // One lies along x, 90 above the axis of the other, which lies along y.
    'two cylinders that cross' => [
        $round('a', [0, 0, 0], ['about' => [0, 1, 0], 'by' => 90]),
        $round('b', [0, 0, 90], ['about' => [1, 0, 0], 'by' => 90]), 10.0,
    ],
]);

it('finds what stands in each other, and nothing where one stands on the other', function (
    float $height,
    ?string $rule,
) use ($cube): void {
    $found = solidsTooNear([$cube('a', [0, 0, 0]), $cube('b', [20, 10, $height])]);

    expect(array_map(static fn (Shortfall $one): string => $one->rule(), $found))->toBe($rule === null ? [] : [$rule]);
})->with([
    'on it' => [100.0, null], 'a hair above it' => [100.2, null], 'a hair in it' => [99.8, null],
    'in it' => [98.0, 'clash'], 'off it' => [101.0, 'clearance'], 'as far as it has to be' => [150.0, null],
    'far in it' => [0.0, 'clash'],
]);

it('says so in words, without a depth', function () use ($cube): void {
    $found = solidsTooNear([$cube('pump', [0, 0, 0]), $cube('filter', [90, 0, 0])]);
    [$written] = ClearanceWriter::write($found, Bowline\Job\Units::millimetres());

    expect($written['title'])->toBe('Pump goes into Filter')
        ->and($written['message'])->toBe('They stand in each other; 50 mm are needed.')
        ->and([$written['distance'], $written['inside']])->toEqual([0.0, true])
        ->and([$written['a'], $written['b']])->toBe([
            ['list' => 'fittings', 'id' => 'pump'], ['list' => 'fittings', 'id' => 'filter'],
        ]);
});

it('leaves out what is mounted on it, and surroundings against each other', function (): void {
    $floor = ['id' => 'floor', 'shape' => 'box', 'pose' => ['at' => [0, 0, 0]], 'size' => [900, 900, 20]];
    $post = ['id' => 'post', 'shape' => 'box', 'pose' => ['at' => [0, 200, 100]], 'size' => [50, 50, 200]];
    $clamp = ['at' => [300, 0, 15], 'axis' => [1, 0, 0], 'bore' => 20, 'width' => 10];
    $found = static fn (array $pump, array $more): array => array_map(
        static fn (Shortfall $one): string => $one->title(),
        solidsTooNear([$pump], ['surroundings' => [$floor, $post], 'clamps' => [[...$clamp, 'id' => 'k', ...$more]]]),
    );

    expect($found(boxFitting('pump', [0, 0, 40], [100, 100, 100], ['on' => 'floor']), ['on' => 'floor']))->toBe([])
        ->and($found(boxFitting('pump', [0, 0, 40], [100, 100, 100]), []))->toEqualCanonicalizing([
            'Pump goes into floor', 'k goes into floor',
        ]);
});

it('leaves out fittings that are put together at their ports', function (): void {
    $port = static fn (array $axis): array => ['ports' => [['id' => 'p', 'at' => [0, 0, 0], 'axis' => $axis]]];
    $at = static fn (float $x): array => [
        boxFitting('one', [0, 0, 0], [20, 20, 20], $port([1, 0, 0])),
        boxFitting('two', [$x, 0, 0], [20, 20, 20], $port([-1, 0, 0])),
    ];

    expect(solidsTooNear($at(0.0)))->toBe([])->and(solidsTooNear($at(1.0)))->toHaveCount(1);
});

it('measures to a mesh with a hollow', function (float $z, float $distance): void {
    // A tray open to above: a floor of 200 × 200 at z = 0 and walls 100 high round it, of two triangles each.
    $quad = static fn (array $a, array $b, array $c, array $d): array => [[$a, $b, $c], [$a, $c, $d]];
    $tray = [
        ...$quad([-100, -100, 0], [100, -100, 0], [100, 100, 0], [-100, 100, 0]),
        ...$quad([-100, -100, 0], [-100, 100, 0], [-100, 100, 100], [-100, -100, 100]),
        ...$quad([100, 100, 0], [100, -100, 0], [100, -100, 100], [100, 100, 100]),
    ];
    $binary = implode('', array_map(
        static fn (array $triangle): string => pack('g9', ...array_merge(...$triangle)), $tray,
    ));
    $found = solidsTooNear(
        [boxFitting('box', [0, 0, $z], [100, 100, 20])], [
            'meshes' => ['tray' => base64_encode($binary)],
            'surroundings' => [[
                'id' => 'tray', 'shape' => 'mesh', 'mesh' => 'tray', 'pose' => ['at' => [0, 0, 0]],
                'extent' => [[-100, -100, 0], [100, 100, 100]],
            ]],
        ],
        60.0,
    );

    expect($found)->toHaveCount(1)->and($found[0]->gap->distance)->toEqualWithDelta($distance, 1e-3);
})->with(['above its floor' => [40.0, 30.0], 'nearer to its walls' => [70.0, 50.0]]);

it('is as near as brute force says, on random boxes', function (int $seed): void {
    mt_srand($seed);
    $number = static fn (float $low, float $high): float => $low + ($high - $low) * mt_rand() / mt_getrandmax();
    [$size, $angle] = [[$number(30, 90), $number(30, 90), $number(30, 90)], $number(0, 90)];
    $at = [$number(90, 130), $number(-40, 40), $number(-40, 40)];
    // The distance of a box about the origin from a place is known in closed form; the other is turned about z.
    $least = INF;
    $steps = 24;
    for ($i = 0; $i <= $steps; $i++) {
        for ($j = 0; $j <= $steps; $j++) {
            for ($k = 0; $k <= $steps; $k++) {
                [$x, $y, $z] = [
                    $size[0] * ($i / $steps - 0.5), $size[1] * ($j / $steps - 0.5), $size[2] * ($k / $steps - 0.5),
                ];
                $place = [
                    $at[0] + $x * cos(deg2rad($angle)) - $y * sin(deg2rad($angle)),
                    $at[1] + $x * sin(deg2rad($angle)) + $y * cos(deg2rad($angle)), $at[2] + $z,
                ];
                $off = array_map(static fn (float $part): float => max(0.0, abs($part) - 40.0), $place);
                $least = min($least, sqrt($off[0] ** 2 + $off[1] ** 2 + $off[2] ** 2));
            }
        }
    }
    $found = solidsTooNear([
        boxFitting('a', [0, 0, 0], [80, 80, 80]),
        boxFitting('b', $at, $size, [
            'pose' => ['at' => $at, 'turn' => ['about' => [0, 0, 1], 'by' => $angle]],
        ]),
    ], [], 400.0);

    // Brute force is never nearer, and no more than half a step of its grid farther off; what stands on it is left out.
    $distance = ($found[0] ?? null)->gap->distance ?? 0.0;
    expect($distance)->toBeLessThanOrEqual($least + 1e-6)->toBeGreaterThan($least > 0.5 ? $least - 4.0 : -90.0);
})->with(range(1, 25));
