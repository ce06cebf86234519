<?php

declare(strict_types=1);

use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Tie\Tie;
use Bowline\Routing\RouteBook;
use Bowline\Routing\TieIntersection;
use Bowline\Routing\TieSolver;
use Tests\Jobs;

it('finds the corner of the report: 10° to the axis of a clamp', function (): void {
    // The axis is z through the origin and the leg begins there: at (−140, 181, 55) the told leg is 228.83 off the axis
    // and 55 along it; on the cone it is (228.83·sin 10° + 55·cos 10°) long: 93.90.
    $site = RouteBook::site(
        new Node(
            Jobs::file(
                [],
                ['at' => [0, 0, 0]],
                ['clamps' => [['id' => 'c', 'at' => [0, 0, 0], 'axis' => [0, 0, 1], 'bore' => 12, 'width' => 10]]],
            ),
        ),
    );
    $held = TieSolver::solve(
        [Tie::read(new Node(Jobs::object(['angle' => 10, 'to' => 'c'])), $site, null)],
        new Vector(-140, 181, 55),
        Vector::zero(),
    );
    $long = hypot(140, 181) * sin(deg2rad(10)) + 55 * cos(deg2rad(10));
    expect($held->broken)
        ->toBe([])
        ->and($held->at->length())
        ->toEqualWithDelta($long, 1e-9)
        ->and($held->at->z)
        ->toEqualWithDelta($long * cos(deg2rad(10)), 1e-9);
});

/**
 * Ties to axes and points: clamps "z" and "x" through the origin along those axes, "beside" along z through (60, 0, 0);
 * points "middle" at the origin, "right" at (120, 0, 0) and "top" at (0, 0, 120).
 *
 * @param  non-empty-list<array<string, mixed>>  $ties
 * @return non-empty-list<Tie>
 */
function tiesAboutOrigin(array $ties): array
{
    $points = ['middle' => 0, 'right' => 1, 'top' => 2];
    $clamp = static fn (string $id, array $at, array $axis): array => [
        'id' => $id, 'at' => $at, 'axis' => $axis, 'bore' => 12, 'width' => 10,
    ];
    $file = Jobs::file([['at' => [0, 0, 0]], ['at' => [120, 0, 0]], ['at' => [0, 0, 120]]], ['at' => [500, 0, 0]], [
        'clamps' => [
            $clamp('z', [0, 0, 0], [0, 0, 1]),
            $clamp('x', [0, 0, 0], [1, 0, 0]),
            $clamp('beside', [60, 0, 0], [0, 0, 1]),
        ],
    ]);
    $site = RouteBook::site(new Node($file));

    return array_map(static function (array $tie) use ($points, $site): Tie {
        foreach ($tie as $key => $what) {
            $tie[$key] = is_string($what) && isset($points[$what]) ? ['stop' => $points[$what], 'run' => 'run'] : $what;
        }

        return Tie::read(new Node(Jobs::object($tie)), $site, null);
    }, $ties);
}

it('finds the nearest place that keeps its ties', function (
    array $ties, array $told, ?array $nearest, array $last = [0, 0, -500],
): void {
    $found = TieIntersection::nearest(tiesAboutOrigin($ties), new Vector(...$told), new Vector(...$last));
    if ($nearest === null) {
        expect($found)->toBeNull();
    } else {
        expect($found?->toArray())->toEqualWithDelta($nearest, 5e-6);
    }
})->with([
    'a plane' => [[['level' => '+x', 'with' => 'z', 'distance' => 60]], [10, 20, 30], [60, 20, 30]],
    'two planes' => [
        [['level' => '+x', 'with' => 'z', 'distance' => 60], ['level' => '+z', 'with' => 'middle', 'distance' => 7]],
        [10, 20, 30], [60, 20, 7],
    ],
    'three planes' => [
        [
            ['level' => '+x', 'with' => 'z', 'distance' => 60], ['level' => '+z', 'with' => 'z', 'distance' => 7],
            ['level' => '+y', 'with' => 'z', 'distance' => -8],
        ], [10, 20, 30], [60, -8, 7],
    ],
    // A sphere goes 0.0001 into a cylinder: near (10, 0, 0) they meet in z² + 1.2·y² = 0.00200001, x = 10 + y²/100,
    // near (50, 0, 0) in z² + 2.4·y² = 0.01400001, x = 50 − y²/100: narrow beside the step in which the cylinder is
    // looked at. Seen from far off along (0, 1, 1), z is 1.2·y and 2.4·y.
    'a cylinder and a sphere that all but touch' => [
        [['away' => 50, 'from' => 'beside'], ['away' => 10.0001, 'from' => 'middle']], [10, 5000, 5000],
        [10 + 0.00200001 / 264, sqrt(0.00200001 / 2.64), 1.2 * sqrt(0.00200001 / 2.64)],
    ],
    'a cylinder and a sphere on its other side' => [
        [['away' => 50, 'from' => 'z'], ['away' => 70.0001, 'from' => 'right']], [50, 5000, 5000],
        [50 - 0.01400001 / 816, sqrt(0.01400001 / 8.16), 2.4 * sqrt(0.01400001 / 8.16)],
    ],
    // On the cylinder and 100 from (120, 0, 0) z² is 12000·cos t − 6900, so z ends at 0; at 119.95 below (0, 0, 120) it
    // is 0.05, beside that end.
    'three surfaces beside where two of them end' => [
        [
            ['away' => 50, 'from' => 'z'], ['away' => 100, 'from' => 'right'],
            ['away' => sqrt(50 ** 2 + 119.95 ** 2), 'from' => 'top'],
        ],
        [30, 40, 5],
        [50 * 6900.0025 / 12000, 50 * sqrt(1 - (6900.0025 / 12000) ** 2), 0.05],
    ],
    // x = 60, and (x + y)/√2 = 50√2.
    'two planes that are not square' => [
        [
            ['level' => '+x', 'with' => 'z', 'distance' => 60],
            ['level' => [1, 1, 0], 'with' => 'z', 'distance' => 50 * M_SQRT2],
        ],
        [10, 20, 30], [60, 40, 30],
    ],
    'a plane twice' => [
        [['level' => '+x', 'with' => 'z', 'distance' => 60], ['level' => '-x', 'with' => 'z', 'distance' => -60]],
        [10, 20, 30], [60, 20, 30],
    ],
    'two planes that are apart' => [
        [['level' => '+x', 'with' => 'z', 'distance' => 60], ['level' => '+x', 'with' => 'z', 'distance' => 61]],
        [10, 20, 30], null,
    ],
    'an axis' => [[['on_axis' => 'x']], [10, 20, 30], [10, 0, 0]],
    'an axis, by a distance of nothing' => [[['away' => 0, 'from' => 'x']], [10, 20, 30], [10, 0, 0]],
    'a point, by a distance of nothing' => [[['away' => 0, 'from' => 'right']], [10, 20, 30], [120, 0, 0]],
    'a sphere' => [[['away' => 100, 'from' => 'middle']], [300, 0, 400], [60, 0, 80]],
    'a sphere, from within' => [[['away' => 100, 'from' => 'right']], [120, 3, 4], [120, 60, 80]],
    'a cylinder' => [[['away' => 50, 'from' => 'z']], [300, 400, 7], [30, 40, 7]],
    'a cylinder, from within' => [[['away' => 50, 'from' => 'beside']], [60.3, 0.4, 7], [90, 40, 7]],
    'a sphere and a plane' => [
        [['away' => 100, 'from' => 'middle'], ['level' => '+x', 'with' => 'z', 'distance' => 60]],
        [60, 300, 0], [60, 80, 0],
    ],
    'a sphere and a plane, from its other side' => [
        [['away' => 100, 'from' => 'middle'], ['level' => '+x', 'with' => 'z', 'distance' => -60]],
        [0, -30, -40], [-60, -48, -64],
    ],
    'a sphere and a plane beyond it' => [
        [['away' => 100, 'from' => 'middle'], ['level' => '+x', 'with' => 'z', 'distance' => 101]], [60, 300, 0], null,
    ],
    'a sphere and two planes' => [
        [
            ['away' => 100, 'from' => 'middle'], ['level' => '+x', 'with' => 'z', 'distance' => 60],
            ['level' => '+z', 'with' => 'z'],
        ], [60, -1, 5], [60, -80, 0],
    ],
    'two spheres' => [
        [['away' => 100, 'from' => 'middle'], ['away' => 100, 'from' => 'right']], [60, 0, 500], [60, 0, 80],
    ],
    // x² + r² = 90², (120 − x)² + r² = 78²: 240 x = 120² + 90² − 78².
    'two spheres of two sizes' => [
        [['away' => 90, 'from' => 'middle'], ['away' => 78, 'from' => 'right']], [60, 500, 0],
        [68.4, sqrt(90 ** 2 - 68.4 ** 2), 0],
    ],
    'two spheres that touch' => [
        [['away' => 70, 'from' => 'middle'], ['away' => 50, 'from' => 'right']], [60, 500, 0], [70, 0, 0],
    ],
    'two spheres that are apart' => [
        [['away' => 59, 'from' => 'middle'], ['away' => 60, 'from' => 'right']], [60, 500, 0], null,
    ],
    'three spheres' => [
        [['away' => 100, 'from' => 'middle'], ['away' => 100, 'from' => 'right'], ['away' => 100, 'from' => 'top']],
        [0, 10, 0], [60, sqrt(10000 - 2 * 3600), 60],
    ],
    'a cylinder and a plane along it' => [
        [['away' => 50, 'from' => 'z'], ['level' => '+x', 'with' => 'z', 'distance' => 30]], [100, 10, 7], [30, 40, 7],
    ],
    'a cylinder and a plane along it, on the other side' => [
        [['away' => 50, 'from' => 'z'], ['level' => '+x', 'with' => 'z', 'distance' => 30]],
        [100, -10, 7], [30, -40, 7],
    ],
    'a cylinder and a plane that touches it' => [
        [['away' => 50, 'from' => 'z'], ['level' => '+x', 'with' => 'z', 'distance' => 50]], [100, 10, 7], [50, 0, 7],
    ],
    'a cylinder and a plane beside it' => [
        [['away' => 50, 'from' => 'z'], ['level' => '+x', 'with' => 'z', 'distance' => 51]], [100, 10, 7], null,
    ],
    'a cylinder and a plane across it' => [
        [['away' => 50, 'from' => 'z'], ['level' => '+z', 'with' => 'z', 'distance' => 20]], [0, 90, 5], [0, 50, 20],
    ],
    // At 45°: an ellipse whose farthest point along x is (50, 0, 50).
    'a cylinder and a plane aslant' => [
        [['away' => 50, 'from' => 'z'], ['level' => [1, 0, -1], 'with' => 'z']], [200, 0, 200], [50, 0, 50],
    ],
    'a cylinder and a line' => [
        [
            ['away' => 50, 'from' => 'z'], ['level' => '+x', 'with' => 'z', 'distance' => 30],
            ['level' => '+z', 'with' => 'z', 'distance' => 9],
        ], [0, -1, 0], [30, -40, 9],
    ],
    'a cylinder and a line beside it' => [
        [
            ['away' => 50, 'from' => 'z'], ['level' => '+x', 'with' => 'z', 'distance' => 51],
            ['level' => '+z', 'with' => 'z', 'distance' => 9],
        ], [0, -1, 0], null,
    ],
    'a cylinder and its axis' => [[['away' => 50, 'from' => 'z'], ['on_axis' => 'z']], [10, 20, 30], null],
    'a cylinder and a sphere about its axis' => [
        [['away' => 50, 'from' => 'z'], ['away' => 130, 'from' => 'middle']], [100, 0, 100], [50, 0, 120],
    ],
    'a cylinder and a sphere that it holds' => [
        [['away' => 50, 'from' => 'z'], ['away' => 49, 'from' => 'middle']], [100, 0, 100], null,
    ],
    'two cylinders beside each other' => [
        [['away' => 50, 'from' => 'z'], ['away' => 50, 'from' => 'beside']], [0, 1, 5], [30, 40, 5],
    ],
    'two cylinders across each other' => [
        [['away' => 50, 'from' => 'z'], ['away' => 50, 'from' => 'x']], [200, 0, 200], [50, 0, 50],
    ],
    'two cylinders and a plane' => [
        [
            ['away' => 50, 'from' => 'z'], ['away' => 50, 'from' => 'x'],
            ['level' => '+y', 'with' => 'z', 'distance' => 30],
        ], [-1, 0, 5], [-40, 30, 40],
    ],
    'two cylinders and a sphere' => [
        // x² + y² = y² + z² = 50², and x² + y² + z² = 3400: z = ±30, x = ±30, y = ±40.
        [['away' => 50, 'from' => 'z'], ['away' => 50, 'from' => 'x'], ['away' => sqrt(3400), 'from' => 'middle']],
        [10, -1, 5], [30, -40, 30],
    ],
    'the same twice' => [[['away' => 50, 'from' => 'z'], ['away' => 50, 'from' => 'z']], [300, 400, 7], [30, 40, 7]],
    // Legs out of (0, 0, 0), on the double cone of 45° about z: of (100, 0, 0) half way.
    'a cone' => [[['angle' => 45, 'to' => 'z']], [100, 0, 0], [50, 0, 50], [0, 0, 0]],
    'a cone and a plane across it' => [
        [['angle' => 45, 'to' => 'z'], ['level' => '+z', 'with' => 'z', 'distance' => 20]],
        [30, 40, 0], [12, 16, 20], [0, 0, 0],
    ],
    'a cone and a cylinder about its axis' => [
        [['angle' => 45, 'to' => 'z'], ['away' => 50, 'from' => 'z']], [300, 400, 60], [30, 40, 50], [0, 0, 0],
    ],
    'a cone and a sphere about its apex' => [
        [['angle' => 60, 'to' => 'z'], ['away' => 100, 'from' => 'middle']],
        [0, 90, -1], [0, 50 * sqrt(3), -50], [0, 0, 0],
    ],
    // Directions at 60° to z and to x: (1, ±√2, 1)/2.
    'two cones of one apex, and a sphere' => [
        [['angle' => 60, 'to' => 'z'], ['angle' => 60, 'to' => 'x'], ['away' => 100, 'from' => 'middle']],
        [30, 30, 30], [50, 50 * M_SQRT2, 50], [0, 0, 0],
    ],
    'a leg square to an axis' => [[['square' => 'z']], [10, 20, 30], [10, 20, 5], [1, 2, 5]],
    'a leg along an axis' => [[['parallel' => 'z']], [10, 20, 30], [1, 2, 30], [1, 2, 5]],
    'an angle of 0° as along it' => [[['angle' => 0, 'to' => 'z']], [10, 20, 30], [1, 2, 30], [1, 2, 5]],
    'an angle of 90° as square to it' => [[['angle' => 90, 'to' => 'z']], [10, 20, 30], [10, 20, 5], [1, 2, 5]],
]);

it('finds a place on a circle when it is told a point on the axis of the circle', function (): void {
    // The plane z = 30 cuts the sphere of 50 in a circle of 40, all of which is as far from (0, 0, z).
    $ties = tiesAboutOrigin([
        ['level' => '+z', 'with' => 'middle', 'distance' => 30], ['away' => 50, 'from' => 'middle'],
    ]);
    foreach ([30.0, 90.0] as $z) {
        $found = TieIntersection::nearest($ties, new Vector(0.0, 0.0, $z), new Vector(0.0, 0.0, -500.0));
        expect(hypot($found->x ?? 0.0, $found->y ?? 0.0))->toEqualWithDelta(40.0, 1e-9)
            ->and($found?->z)->toEqualWithDelta(30.0, 1e-9);
    }
});

it('finds where a plane touches a cylinder, on whatever side', function (int $side): void {
    // At and between the rulings that are looked at first, and where their turn begins anew.
    foreach ([...range(0, 359, 21), 89.6, 90.4, 179.6, 180.4, 269.6, 270.4, 359.6, 0.4] as $degrees) {
        $out = [cos(deg2rad($degrees)), sin(deg2rad($degrees)), 0.0];
        $plane = ['level' => array_map(static fn (float $x): float => $side * $x, $out), 'with' => 'z'];
        $ties = tiesAboutOrigin([['away' => 50, 'from' => 'z'], [...$plane, 'distance' => 50 * $side]]);
        $found = TieIntersection::nearest($ties, new Vector(3, 4, 7), new Vector(0, 0, -500));
        expect($found?->toArray())->toEqualWithDelta([50 * $out[0], 50 * $out[1], 7], 1e-4);
    }
})->with(['from outside' => [1], 'told from the other side' => [-1]]);

it('says by how much a place misses a tie', function (array $tie, array $at, float $missed): void {
    /** @var array<string, mixed> $tie */
    [$read] = tiesAboutOrigin([$tie]);
    expect(TieIntersection::missed($read, new Vector(...$at), new Vector(1, 2, 5)))->toEqualWithDelta($missed, 1e-9);
})->with([
    'a plane' => [['level' => '+x', 'with' => 'z', 'distance' => 60], [50, 1, 2], 10.0],
    'an axis' => [['on_axis' => 'z'], [30, 40, 7], 50.0],
    'a distance from an axis' => [['away' => 20, 'from' => 'z'], [30, 40, 7], 30.0],
    'a distance from a point' => [['away' => 150, 'from' => 'top'], [30, 40, 0], 20.0],
    'a leg along an axis' => [['parallel' => 'z'], [4, 6, 9], 5.0],
    'a leg square to an axis' => [['square' => 'z'], [4, 6, 9], 4.0],
    // The leg (3, 4, 5): 5 along z of a length of √50, at 45°.
    'an angle that is kept' => [['angle' => 45, 'to' => 'z'], [4, 6, 10], 0.0],
    'an angle that is not' => [['angle' => 60, 'to' => 'z'], [4, 6, 10], 5.0 - sqrt(50) / 2],
]);
