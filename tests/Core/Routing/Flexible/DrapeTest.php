<?php

declare(strict_types=1);

use Bowline\Geometry\Curve;
use Bowline\Geometry\Path;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\Node;
use Bowline\Job\Surrounding;
use Bowline\Job\Values;
use Bowline\Routing\DrapeRoute;
use Bowline\Routing\Flexible\Bodies;
use Bowline\Routing\Flexible\DrapedEnd;
use Bowline\Routing\Flexible\Draping;
use Bowline\Routing\LaidRun;
use Bowline\Rules\LiesIn;
use Bowline\Solving\SolvedRun;
use Bowline\Solving\Solver;
use Tests\Jobs;
use Tests\Triangles;

/**
 * A cable of 12 mm, least radius 60, from (−400, 0, z) to (400, y, 150), over boxes [middle, size]; or over the same as
 * meshes.
 */
function draped(array $route, array $boxes = [], float $z = 150.0, float $y = 0.0, bool $asMeshes = false): SolvedRun
{
    $job = [
        'format' => 'bowline-job',
        'version' => 2,
        'name' => 'Quay',
        'show_units' => 'mm',
        'values' => (object) [],
        'stock' => [
            [
                'id' => 'c',
                'kind' => 'cable',
                'name' => 'Shore cable',
                'section' => ['shape' => 'round', 'od' => 12, 'wall' => 6],
                'density' => 2000,
                'bend' => [
                    'radius' => 60,
                    'min_radius' => 60,
                    'min_straight' => 0,
                    'stretch_per_degree' => 0,
                    'springback' => ['ratio' => 0, 'offset' => 0],
                ],
            ],
        ],
        'fittings' => [],
        'clamps' => [],
        'surroundings' => array_map(
            static fn (int $i, array $box): array => [
                'id' => 'b'.$i,
                'name' => 'Box',
                'pose' => ['at' => $box[0]],
                ...$asMeshes
                    ? [
                        'shape' => 'mesh',
                        'mesh' => 'm'.$i,
                        'extent' => [
                            array_map(static fn (float $side): float => -$side / 2, $box[1]),
                            array_map(static fn (float $side): float => $side / 2, $box[1]),
                        ],
                    ]
                    : ['shape' => 'box', 'size' => $box[1]],
            ],
            array_keys($boxes),
            $boxes,
        ),
        'meshes' => (object) array_combine(
            array_map(static fn (int $i): string => 'm'.$i, array_keys($boxes)),
            array_map(static fn (array $box): string => base64_encode(Triangles::box($box[1], 3)), $boxes),
        ),
        'runs' => [
            [
                'id' => 'r',
                'name' => 'Shore cable',
                'stock' => 'c',
                'from' => ['at' => [-400, 0, $z]],
                'to' => ['at' => [400, $y, 150]],
                'route' => ['kind' => 'drape', ...$route],
            ],
        ],
    ];

    return (new Solver(Job::fromJson(json_encode($job, JSON_THROW_ON_ERROR))))->all()[0];
}

function curveOf(SolvedRun $solved): Curve
{
    $curve = $solved->laid->path->segments[0];
    assert($curve instanceof Curve);

    return $curve;
}

/** How deep the cable of 12 mm is in an upright box at the worst place, mm. */
function depth(Curve $curve, array $box): float
{
    [$middle, $size] = $box;
    $deepest = 0.0;
    for ($i = 1; $i < 3000; $i++) {
        $point = $curve->pointAt(($curve->length() * $i) / 3000)->minus(new Vector(...$middle));
        $over = array_map(
            static fn (float $part, float $side): float => abs($part) - $side / 2,
            $point->toArray(),
            $size,
        );
        $outside = hypot(hypot(max($over[0], 0), max($over[1], 0)), max($over[2], 0));
        $deepest = max($deepest, 6.0 - ($outside > 0.0 ? $outside : max($over)));
    }

    return $deepest;
}

$floor = [[0, 0, -10], [4000, 4000, 20]];

it('hangs as a catenary where it meets nothing, and lies straight when it is taut', function () use ($floor): void {
    // √(L² − v²) = 2a·sinh(h/2a) with h = 800, v = 0 and a = 1000 gives L = 2000·sinh(0.4) and a sag of a·(cosh 0.4 −
    // 1) = 81.07.
    $curve = curveOf(draped(['length' => 2000 * sinh(0.4)], [$floor]));
    expect($curve->pointAt($curve->length() / 2)->z)
        ->toEqualWithDelta(150 - 1000 * (cosh(0.4) - 1), 1e-3)
        ->and($curve->least)
        ->toEqualWithDelta(1000.0, 0.01);

    // With 10⁻⁸ of slack the sag is h·√(3/8 · 10⁻⁸), 0.05 mm.
    $taut = curveOf(draped(['slack' => 1e-8], [$floor]));
    expect($taut->pointAt(400)->z)->toEqualWithDelta(150 - 800 * sqrt((3 / 8) * 1e-8), 1e-3);
});

it('lies on the floor by half its thickness, with its ends alike but for friction', function () use ($floor): void {
    $solved = draped(['length' => 1200], [$floor]);
    $curve = curveOf($solved);
    expect($curve->pointAt(600)->z)->toEqualWithDelta(6.0, 0.2)->and($solved->findings)->toBe([]);
    foreach ([50, 150, 300, 450] as $along) {
        expect($curve->pointAt($along)->z)->toEqualWithDelta($curve->pointAt($curve->length() - $along)->z, 5.0);
    }
});

it('keeps its length and its radius and stays out of everything, the same each time', function () use ($floor): void {
    mt_srand(4711);
    for ($scene = 0; $scene < 3; $scene++) {
        $boxes = [$floor, [[mt_rand(-80, 80), mt_rand(-40, 40), 100], [mt_rand(150, 400), 600, 200]]];
        $length = mt_rand(1150, 1700);
        $solved = draped(['length' => $length], $boxes, mt_rand(120, 500), mt_rand(-100, 100));
        $curve = curveOf($solved);
        expect($curve->length())
            ->toEqualWithDelta($length, 1e-3 * $length)
            ->and($curve->least)
            ->toBeGreaterThan(60.0 * 0.995)
            ->and(max(depth($curve, $boxes[0]), depth($curve, $boxes[1])))
            ->toBeLessThan(0.2);
        if ($scene === 0) {
            mt_srand(4711);
            [$x, $y, $wide] = [mt_rand(-80, 80), mt_rand(-40, 40), mt_rand(150, 400)];
            $again = draped(
                ['length' => mt_rand(1150, 1700)],
                [$floor, [[$x, $y, 100], [$wide, 600, 200]]],
                mt_rand(120, 500),
                mt_rand(-100, 100),
            );
            expect(curveOf($again)->points)->toEqual($curve->points);
        }
    }
});

it('lies on a mesh as on the box it is of', function () use ($floor): void {
    $boxes = [$floor, [[20, 10, 100], [300, 600, 200]]];
    [$onBoxes, $onMeshes] = array_map(
        static fn (bool $asMeshes): Curve => curveOf(draped(['length' => 1300], $boxes, 300.0, 0.0, $asMeshes)),
        [false, true],
    );
    foreach (range(0, 1300, 50) as $along) {
        expect($onMeshes->pointAt($along)->toArray())->toEqualWithDelta($onBoxes->pointAt($along)->toArray(), 1e-3);
    }
});

it('falls through nothing, however thin', function (): void {
    mt_srand(99);
    for ($scene = 0; $scene < 4; $scene++) {
        $thick = [0.5, 1.0, 2.0, 5.0][$scene];
        $boxes = [
            [[0, 0, -$thick / 2], [mt_rand(300, 700), mt_rand(400, 1200), $thick]],
            [[0, 0, -300], [4000, 4000, $thick]],
        ];
        $from = mt_rand(100, 900);
        $length = hypot(800, $from - 150) * (1.05 + mt_rand(0, 50) / 100);
        $solved = draped(['length' => $length], $boxes, $from, mt_rand(-150, 150), $scene % 2 === 0);
        $curve = curveOf($solved);
        // None of it is in them, and it has not gone through: it never crosses the middle of one within its rim.
        expect(max(depth($curve, $boxes[0]), depth($curve, $boxes[1])))
            ->toBeLessThan(0.2)
            ->and($solved->findings)
            ->toBe([])
            ->and(min(array_map(static fn (Vector $point): float => $point->z, $curve->points)))
            ->toBeGreaterThan(-300.0);
    }
});

it('says so when a mesh has not come with the job', function (): void {
    $alone = json_encode(
        [
            'format' => 'bowline-job',
            'version' => 2,
            'stock' => [
                [
                    'id' => 'c',
                    'kind' => 'cable',
                    'section' => ['shape' => 'round', 'od' => 12],
                    'density' => 2000,
                    'bend' => ['radius' => 60, 'min_radius' => 60, 'min_straight' => 0],
                ],
            ],
            'surroundings' => [
                [
                    'id' => 'quay',
                    'name' => 'Quay wall',
                    'shape' => 'mesh',
                    'mesh' => 'gone',
                    'extent' => [[-500, -500, -20], [500, 500, 0]],
                ],
            ],
            'runs' => [
                [
                    'id' => 'r',
                    'stock' => 'c',
                    'from' => ['at' => [-400, 0, 100]],
                    'to' => ['at' => [400, 0, 100]],
                    'route' => ['kind' => 'drape', 'length' => 1100],
                ],
            ],
        ],
        JSON_THROW_ON_ERROR,
    );
    $finding = (new Solver(Job::fromJson($alone)))->all()[0]->findings[0];
    expect($finding->rule)
        ->toBe('unknown-shape')
        ->and($finding->severity->value)
        ->toBe('warning')
        ->and($finding->title)
        ->toContain('Quay wall');
});

it('says where it lies in something that it has not found its way out of', function (): void {
    // A line right through a wall of 40.
    $file = json_decode(
        json_encode(
            [
                'format' => 'bowline-job',
                'version' => 2,
                'stock' => [
                    [
                        'id' => 'c',
                        'kind' => 'cable',
                        'section' => ['shape' => 'round', 'od' => 12],
                        'density' => 2000,
                        'bend' => ['radius' => 60, 'min_radius' => 60, 'min_straight' => 0],
                    ],
                ],
                'surroundings' => [
                    [
                        'id' => 'w',
                        'name' => 'Bulkhead',
                        'shape' => 'box',
                        'size' => [40, 2000, 2000],
                        'pose' => ['at' => [0, 0, 0]],
                    ],
                ],
                'runs' => [
                    [
                        'id' => 'r',
                        'stock' => 'c',
                        'from' => ['at' => [-300, 0, 0]],
                        'to' => ['at' => [300, 0, 0]],
                        'route' => ['kind' => 'drape', 'length' => 700],
                    ],
                ],
            ],
            JSON_THROW_ON_ERROR,
        ),
    );
    $run = Job::read($file)->runs['r'];
    $route = $run->route;
    assert($route instanceof DrapeRoute);
    $through = LaidRun::curve($run, new Path([Curve::straight(new Vector(-300, 0, 0), new Vector(400, 0, 0))]));
    [$deep, $along, $at, $name] = $route->deepest($through) ?? [0, 0, null, ''];
    // In the middle of the wall it is 20 from either face, and wants 6 more.
    expect($deep)
        ->toEqualWithDelta(26.0, 3.5)
        ->and($along)
        ->toEqualWithDelta(300.0, 4.0)
        ->and($name)
        ->toBe('Bulkhead')
        ->and(abs($at->x))
        ->toBeLessThan(4.0);
    // Level, 10 behind the face x = 20, over its whole length: 10 and the 6 of its half thickness.
    $within = LaidRun::curve($run, new Path([Curve::straight(new Vector(10, -350, 0), new Vector(10, 350, 0))]));
    expect($route->deepest($within)[0] ?? 0.0)->toEqualWithDelta(16.0, 1e-9);
    $finding = (new LiesIn)->check($through)[0];
    expect([$finding->rule, $finding->title])
        ->toBe(['lies-in', 'It lies in Bulkhead'])
        ->and($finding->measured)
        ->toBe($deep)
        ->and($finding->required)
        ->toBe(0.2);
});

it('says when it does not reach over what lies between', function () use ($floor): void {
    // Over a block 600 high and 400 wide 1000 mm cannot reach: from 150 up to 600 and down again alone take 900,
    // and the top 400 more; slantwise from both ends it is 2·√(200² + 450²) + 400 = 1385.
    $solved = draped(['length' => 1000], [$floor, [[0, 0, 300], [400, 3000, 600]]]);
    $short = $solved->findings[(int) array_search('too-short', array_column($solved->findings, 'rule'), true)];
    expect($short->rule)
        ->toBe('too-short')
        ->and($short->required)
        ->toBeGreaterThan(1385.0)
        ->toBeLessThan(1385.0 * 1.15);
    // And 810 of 800 straight without anything between do.
    expect(array_column(draped(['length' => 810])->findings, 'rule'))->toBe([]);
});

it('stays as it is kept whatever moves, and says when its ends no longer fit', function () use ($floor): void {
    $kept = array_map(static fn (int $x): array => [$x, 0, 150 - 100 * cos(($x / 800) * M_PI)], range(-400, 400, 50));
    $before = draped(['length' => 850, 'kept' => $kept], [$floor]);
    $after = draped(['length' => 850, 'kept' => $kept], [[[0, 0, 40], [4000, 4000, 20]]]);
    expect(curveOf($after)->points)->toEqual(curveOf($before)->points)->and($before->findings)->toBe([]);

    // A kept shape is not checked for bodies that it lies in.
    assert($after->laid->run->route instanceof DrapeRoute);
    expect($after->laid->run->route->deepest($after->laid))->toBeNull();

    $off = draped(['length' => 850, 'kept' => $kept], [$floor], 170.0);
    expect(array_column($off->findings, 'rule'))
        ->toBe(['kept-away'])
        ->and($off->findings[0]->measured)
        ->toEqualWithDelta(20.0, 1e-9);
    $freed = $off->findings[0]->remedies[0]->item->route ?? null;
    expect($freed->kept ?? null)->toBeNull();
});

it('keeps its radius in a loop between ends above one another', function (array $to): void {
    $draped = Draping::between(
        DrapedEnd::pinned(new Vector(0, 0, 500)),
        DrapedEnd::pinned(new Vector(...$to)),
        new Vector(0, 0, 1),
        900.0,
        6.0,
        60.0,
        30.0,
        new Bodies([]),
    );
    expect($draped->length())
        ->toEqualWithDelta(900.0, 0.9)
        ->and($draped->least)
        ->toBeGreaterThan(59.5)
        ->and($draped->start()->toArray())
        ->toEqualWithDelta([0, 0, 500], 1e-9)
        ->and($draped->end()->toArray())
        ->toEqualWithDelta($to, 1e-9);
})->with([[[0, 0, 300]], [[0, 0, 500]], [[5, 0, 500]]]);

it('leaves a clamped end on its axis, and keeps its radius there', function (array $axis): void {
    $draped = Draping::between(
        DrapedEnd::clamped(new Vector(0, 0, 300), new Vector(...$axis)),
        DrapedEnd::clamped(new Vector(500, 0, 200), new Vector(0, 0, -1)),
        new Vector(0, 0, 1),
        900.0,
        6.0,
        60.0,
        30.0,
        new Bodies([]),
    );
    expect($draped->directions[0]->toArray())
        ->toEqualWithDelta($axis, 1e-9)
        ->and($draped->directions[count($draped->directions) - 1]->toArray())
        ->toEqualWithDelta([0, 0, 1], 1e-9)
        ->and($draped->length())
        ->toEqualWithDelta(900.0, 0.9)
        ->and($draped->least)
        ->toBeGreaterThan(59.7);
})->with([[[0, 0, 1]], [[0, 0, -1]], [[1, 0, 0]], [[0, -1, 0]]]);

it('keeps its radius out of clamps that look anywhere', function (): void {
    mt_srand(5);
    $way = static fn (): Vector => (new Vector(mt_rand(-9, 9), mt_rand(-9, 9), mt_rand(-9, 9) + 0.5))->unit();
    for ($i = 0; $i < 8; $i++) {
        $to = new Vector(mt_rand(-500, 500), mt_rand(-500, 500), mt_rand(0, 500));
        $length = (new Vector(0, 0, 300))->distanceTo($to) * 1.3 + 400;
        $draped = Draping::between(
            DrapedEnd::clamped(new Vector(0, 0, 300), $way()),
            DrapedEnd::clamped($to, $way()),
            new Vector(0, 0, 1),
            $length,
            6.0,
            60.0,
            30.0,
            new Bodies([]),
        );
        expect($draped->least)
            ->toBeGreaterThan(60.0)
            ->and($draped->length())
            ->toEqualWithDelta($length, 1e-3 * $length);
    }
});

it('lies down sideways where it is too long, not in waves that stand', function () use ($floor): void {
    // 1300 over 800, which with 150 down to the floor at both ends want no more than 1100.
    $curve = curveOf(draped(['length' => 1300], [$floor]));
    $lying = array_filter($curve->points, static fn (Vector $point): bool => abs($point->x) < 300);
    expect(max(array_map(static fn (Vector $point): float => $point->z, $lying)))
        ->toBeLessThan(12.0)
        ->and(max(array_map(static fn (Vector $point): float => abs($point->y), $lying)))
        ->toBeGreaterThan(20.0);
});

it('lies down sideways though it is stiff to bend', function () use ($floor): void {
    // A hose of 20 that bends to 100, 1200 long over 800, 150 over the floor.
    $floored = new Bodies([
        'floor' => Surrounding::read(
            new Node(
                (object) [
                    'id' => 'floor',
                    'shape' => 'box',
                    'size' => $floor[1],
                    'pose' => (object) ['at' => $floor[0]],
                ],
            ),
            Values::read(null),
        ),
    ]);
    $draped = Draping::between(
        DrapedEnd::pinned(new Vector(-400, 0, 150)),
        DrapedEnd::pinned(new Vector(400, 0, 150)),
        new Vector(0, 0, 1),
        1200.0,
        10.0,
        100.0,
        50.0,
        $floored,
    );
    expect($draped->least)
        ->toBeGreaterThan(100.0)
        ->and($draped->length())
        ->toEqualWithDelta(1200.0, 1.2)
        ->and(min(array_map(static fn (Vector $point): float => $point->z, $draped->points)))
        ->toBeGreaterThan(9.8);
});

it('lets a free end fall: plumb where there is nothing, and along the floor where there is', function () use (
    $floor,
): void {
    $in = static fn (array $boxes): Curve => curveOf(draped(['length' => 800, 'end_held' => 'free'], $boxes, 306.0));
    $plumb = curveOf(draped(['length' => 800, 'end_held' => 'free'], [], 1300.0));
    expect($plumb->end()->toArray())
        ->toEqualWithDelta([-400, 0, 500], 5.0)
        ->and($plumb->length())
        ->toEqualWithDelta(800.0, 0.8);
    // 300 down to the floor; bends of at least 60 there take (2 − π/2)·60 = 26 off what lies along it, at most.
    $lying = $in([$floor]);
    expect($lying->end()->z)
        ->toEqualWithDelta(6.0, 0.2)
        ->and($lying->end()->x)
        ->toBeGreaterThan(100.0 - 26.0)
        ->toBeLessThan(250.0)
        ->and($lying->length())
        ->toEqualWithDelta(800.0, 0.8)
        ->and(depth($lying, $floor))
        ->toBeLessThan(0.2);
});

it('lies where it has been nudged to, the same each time', function () use ($floor): void {
    $route = ['length' => 1200, 'nudges' => [['along' => 0.5, 'to' => [0, 200, 20]]]];
    [$before, $after, $again] = [
        curveOf(draped(['length' => 1200], [$floor])),
        curveOf(draped($route, [$floor])),
        curveOf(draped($route, [$floor])),
    ];
    expect($before->pointAt(600)->y)
        ->toEqualWithDelta(0.0, 10.0)
        ->and($after->pointAt(600)->y)
        ->toBeGreaterThan(120.0)
        ->and($after->length())
        ->toEqualWithDelta(1200.0, 1.2)
        ->and(depth($after, $floor))
        ->toBeLessThan(0.2)
        ->and($again->points)
        ->toEqual($after->points);
});

it('asks more of a stiff cable than of a soft one', function (): void {
    // 50 N·m² sags over (EI/w)^⅓ = 2.8 m for its 0.23 kg/m: it hardly hangs; the soft one nearly is a catenary.
    $lowest = static function (?float $stiffness): float {
        $curve = Draping::between(
            DrapedEnd::clamped(new Vector(0, 0, 0), new Vector(1, 0, 0)),
            DrapedEnd::clamped(new Vector(800, 0, 0), new Vector(-1, 0, 0)),
            new Vector(0, 0, 1),
            900.0,
            6.0,
            60.0,
            $stiffness ?? 10.0,
            new Bodies([]),
        );

        return min(array_map(static fn (Vector $point): float => $point->z, $curve->points));
    };
    expect($lowest(null))
        ->toBeLessThan(-150.0)
        ->and($lowest(400.0))
        ->toBeGreaterThan($lowest(null));
});

it('lies on what it is joined to and on other fittings as well', function (): void {
    $job = [
        'format' => 'bowline-job',
        'version' => 2,
        'stock' => [
            [
                'id' => 'c',
                'kind' => 'cable',
                'section' => ['shape' => 'round', 'od' => 12],
                'density' => 2000,
                'bend' => ['radius' => 60, 'min_radius' => 60, 'min_straight' => 0],
            ],
        ],
        'fittings' => [
            ['id' => 'left', 'ports' => [['id' => 'a', 'at' => [-500, 0, 300], 'axis' => '+x']]],
            ['id' => 'right', 'ports' => [['id' => 'a', 'at' => [500, 0, 300], 'axis' => '-x']]],
            [
                'id' => 'battery',
                'pose' => ['at' => [0, 0, 100]],
                'body' => ['shape' => 'box', 'size' => [300, 600, 200]],
            ],
        ],
        'runs' => [
            [
                'id' => 'r',
                'stock' => 'c',
                'from' => ['port' => 'left.a'],
                'to' => ['port' => 'right.a'],
                'route' => ['kind' => 'drape', 'length' => 1300],
            ],
        ],
    ];
    $curve = curveOf((new Solver(Job::fromJson(json_encode($job, JSON_THROW_ON_ERROR))))->all()[0]);
    $over = array_filter($curve->points, static fn (Vector $point): bool => abs($point->x) < 100);
    expect(min(array_map(static fn (Vector $point): float => $point->z, $over)))
        ->toEqualWithDelta(206.0, 0.3)
        ->and(depth($curve, [[0, 0, 100], [300, 600, 200]]))
        ->toBeLessThan(0.2);
});

it('lies symmetrically over what is symmetric', function (float $diameter, float $length, float $z): void {
    // Over a cylinder square to the way, its ends level on both sides: whichever end it is let down from first.
    $cylinder = new Bodies([
        'c' => Surrounding::read(
            new Node(
                Jobs::object([
                    'id' => 'c',
                    'shape' => 'cylinder',
                    'diameter' => $diameter,
                    'height' => 1000,
                    'pose' => ['turn' => ['about' => [1, 0, 0], 'by' => 90], 'at' => [0, 0, 0]],
                ]),
            ),
            Values::read(null),
        ),
    ]);
    $curve = Draping::between(
        DrapedEnd::pinned(new Vector(-300, 0, $z)),
        DrapedEnd::pinned(new Vector(300, 0, $z)),
        new Vector(0, 0, 1),
        $length,
        6.0,
        30.0,
        15.0,
        $cylinder,
    );
    expect($curve->pointAt($curve->length() / 2)->toArray())->toEqualWithDelta([0, 0, $diameter / 2 + 6], 0.5);
    foreach (range(0, 20) as $i) {
        [$one, $other] = [
            $curve->pointAt(($curve->length() * $i) / 20),
            $curve->pointAt(($curve->length() * (20 - $i)) / 20),
        ];
        expect([$one->x, $one->z])->toEqualWithDelta([-$other->x, $other->z], 0.5);
    }
})->with([[200, 900, 0], [150, 1400, 100], [300, 1100, -50]]);

it('draws what is longer than ten thousand diameters as it would hang, and says so', function (
    float $length,
    bool $isLaid,
): void {
    // A wire of 2 mm over a floor at 0, between ends 10 m apart and 300 above it: 20 m are ten thousand diameters.
    $file = Jobs::decoded([
        'format' => 'bowline-job',
        'version' => 2,
        'stock' => [
            [
                'id' => 'w',
                'kind' => 'wire',
                'section' => ['shape' => 'round', 'od' => 2],
                'bend' => ['radius' => 200, 'min_radius' => 200, 'min_straight' => 0],
                'density' => 2000,
            ],
        ],
        'surroundings' => [
            ['id' => 'far', 'shape' => 'box', 'size' => [100, 100, 100], 'pose' => ['at' => [0, 90000, 0]]],
        ],
        'runs' => [
            [
                'id' => 'r',
                'stock' => 'w',
                'from' => ['at' => [0, 0, 300]],
                'to' => ['at' => [10000, 0, 300]],
                'route' => ['kind' => 'drape', 'length' => $length],
            ],
        ],
    ]);
    $started = hrtime(true);
    $solved = Jobs::solve($file);
    expect($solved->laid->length())
        ->toEqualWithDelta($length, $length * 1e-3)
        ->and(
            array_map(
                static fn ($one): string => $one->title,
                array_filter($solved->findings, static fn ($one): bool => $one->rule === 'unknown-shape'),
            ),
        )
        ->toBe($isLaid ? [] : ['It is too long to be laid over what it meets'])
        ->and((hrtime(true) - $started) / 1e9)
        ->toBeLessThan(60.0);
})->with([
    'exactly so long' => [20000.0, true],
    'a millimetre longer' => [20001.0, false],
    'a million kilometres' => [1e12, false],
]);
