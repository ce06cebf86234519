<?php

declare(strict_types=1);

use Bowline\Body\Boundary\CylinderSurface;
use Bowline\Body\Boundary\EdgeCurve;
use Bowline\Body\Cut\CutLoop;
use Bowline\Body\Cut\PlaneCut;
use Bowline\Body\Junction\BranchedBody;
use Bowline\Body\MassProperties;
use Bowline\Body\Mesh;
use Bowline\Body\Tessellation;
use Bowline\Exchange\MassWriter;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\JobError;
use Tests\Jobs;
use Tests\Seeds;
use Tests\Tees;

/*
 * One body of a pipe and its branches: volumes against integrals over the discs of the branches, and the closed form of
 * two cylinders of radius r square to each other, which have 16/3 r³ in common.
 */
$body = static fn (stdClass $file): BranchedBody => BranchedBody::of('Tee', Tees::laid($file), '/bodies/0');

/** @return array<string, list<bool>> sides of triangles that are not gone along once each way */
function openSides(Mesh $mesh): array
{
    $sides = [];
    foreach ($mesh->triangles as [$a, $b, $c]) {
        foreach ([[$a, $b], [$b, $c], [$c, $a]] as [$from, $to]) {
            $sides[min($from, $to).' '.max($from, $to)][] = $from < $to;
        }
    }

    return array_filter($sides, static fn (array $used): bool => array_sum($used) !== 1 || count($used) !== 2);
}

dataset('tees', [
    // outside diameters and walls, axis, angle between both in degrees
    'square' => [[60, 3], [40, 2], [0, 0, 1], 90],
    'as wide' => [[60, 3], [60, 3], [0, 0, 1], 90],
    'nearly as wide' => [[60, 3], [59.8, 3], [0, 1, 2], 90],
    'leaning ahead' => [[60, 3], [40, 2], [1, 0, 1], 45],
    'leaning back' => [[60, 3], [40, 4], [-1, 2, 0], rad2deg(M_PI - atan2(2, 1))],
    'as wide, leaning' => [[60, 3], [60, 3], [1, 0, 2], rad2deg(atan2(2, 1))],
    'thin' => [[60, 3], [6, 1], [0, -1, 0], 90],
]);

it('is what both are together, closed, its bores open to each other', function (
    array $pipe,
    array $tube,
    array $axis,
    float $degrees,
) use ($body): void {
    $file = Tees::file([Tees::branch(200, $axis)], [], $pipe, $tube);
    $made = $body($file);
    $of = static fn (float $in): float => M_PI * ($pipe[0] / 2 - $in * $pipe[1]) ** 2 * 400
        + Tees::added($pipe[0] / 2 - $in * $pipe[1], $tube[0] / 2 - $in * $tube[1], deg2rad($degrees), 150);
    $solid = $made->solid();
    $facts = MassWriter::body(Job::read($file), Job::read($file)->bodies['tee']);

    expect($solid->isClosed())->toBeTrue()
        ->and($solid->shells)->toHaveCount(1)
        ->and($facts['volume'] / ($of(0) - $of(1)))->toEqualWithDelta(1.0, 1e-9)
        ->and($facts['contents'] / $of(1))->toEqualWithDelta(1.0, 1e-9)
        ->and($facts['mass'])->toEqualWithDelta($facts['volume'] * 8e-6, 1e-12);
})->with('tees');

it('has 16/3 r³ less than two rods as wide as each other', function () use ($body): void {
    // Half of the branch lies beyond the axis of the other, and half of what they share with it.
    $file = Tees::file([[]], [], [60, 30], [60, 30]);

    expect(MassProperties::of($body($file)->solid())->volume)
        ->toEqualWithDelta(M_PI * 30 ** 2 * 550 - 8 / 3 * 30 ** 3, 1e-3);
});

it('is covered by triangles without a gap, within the chord of both cylinders', function (
    array $pipe,
    array $tube,
    array $axis,
    float $degrees,
) use ($body): void {
    $solid = $body(Tees::file([Tees::branch(200, $axis)], [], $pipe, $tube))->solid();
    $exact = MassProperties::of($solid);
    foreach ([0.5, Seeds::areAll() ? 0.02 : 0.06] as $chord) {
        $mesh = Tessellation::of($solid, $chord);
        // Three open ends: a body with two holes through it.
        expect(openSides($mesh))->toBe([])
            ->and(count($mesh->vertices) - count($mesh->triangles) / 2)->toEqual(2 - 2 * 2)
            ->and(abs($mesh->volume() - $exact->volume))->toBeLessThan($chord * $exact->surface);
        $direction = (new Vector(...$axis))->unit();
        $radii = array_map(static fn (array $section): array => [$section[0] / 2, $section[0] / 2 - $section[1]], [
            $pipe, $tube,
        ]);
        foreach ($mesh->triangles as $triangle) {
            [$a, $b, $c] = array_map(static fn (int $corner): Vector => $mesh->vertices[$corner], $triangle);
            $middle = $a->plus($b)->plus($c)->times(1 / 3);
            $off = [];
            $off[] = abs(hypot($middle->y, $middle->z) - $radii[0][0]);
            $off[] = abs(hypot($middle->y, $middle->z) - $radii[0][1]);
            $way = $middle->minus(new Vector(200.0, 0.0, 0.0));
            $from = $way->minus($direction->times($way->dot($direction)))->length();
            array_push($off, abs($from - $radii[1][0]), abs($from - $radii[1][1]));
            // What is flat lies at an end.
            array_push($off, abs($middle->x), abs($middle->x - 400), abs($way->dot($direction) - 150));
            expect(min($off))->toBeLessThan($chord + 1e-6);
        }
    }
})->with('tees');

it('has edges within 1e-4 mm of both cylinders', function (array $pipe, array $tube, array $axis) use ($body): void {
    $solid = $body(Tees::file([Tees::branch(200, $axis)], [], $pipe, $tube))->solid();
    $direction = (new Vector(...$axis))->unit();
    $saddles = 0;
    foreach ($solid->faces() as $face) {
        foreach (array_merge(...$face->loops) as $edge) {
            $curve = $edge->edge->curve;
            if (! $curve instanceof Bowline\Body\Boundary\SplineCurve) {
                continue;
            }
            $saddles++;
            $radii = static function (EdgeCurve $curve, float $t) use ($direction): array {
                $way = $curve->pointAt($t)->minus(new Vector(200.0, 0.0, 0.0));

                return [hypot($way->y, $way->z), $way->minus($direction->times($way->dot($direction)))->length()];
            };
            [$host] = $radii($curve, 0.5);
            $inward = abs($host - $pipe[0] / 2) < 1e-3 ? 0 : 1;
            foreach (range(0, 97) as $i) {
                [$ofHost, $ofBranch] = $radii($curve, $i / 97);
                expect($ofHost)->toEqualWithDelta($pipe[0] / 2 - $inward * $pipe[1], 1e-5)
                    ->and($ofBranch)->toEqualWithDelta($tube[0] / 2 - $inward * $tube[1], 1e-5);
            }
        }
    }
    // Two halves of two saddles, each between two faces.
    expect($saddles)->toBe(8);
})->with('tees');

it('is cut as what is drawn', function () use ($body): void {
    $solid = $body(Tees::file())->solid();
    $area = static fn (array $at, array $normal): float => array_sum(array_map(
        static fn (CutLoop $loop): float => $loop->area,
        PlaneCut::of($solid, new Vector(...$at), (new Vector(...$normal))->unit()),
    ));

    // Through both axes: the wall below, 400 × 3; that above without 40 for the branch; two walls of 2 from z 27.
    expect($area([0, 0, 0], [0, 1, 0]))->toEqualWithDelta(400 * 3 + 360 * 3 + 2 * 2 * (150 - 27), 1e-6)
        // Across the branch and across the pipe beside it.
        ->and($area([0, 0, 100], [0, 0, 1]))->toEqualWithDelta(M_PI * (20 ** 2 - 18 ** 2), 1e-6)
        ->and($area([100, 0, 0], [1, 0, 0]))->toEqualWithDelta(M_PI * (30 ** 2 - 27 ** 2), 1e-6);
    // Through the axis of the branch across the pipe no piece is a point.
    foreach (PlaneCut::of($solid, new Vector(200.0, 0.0, 0.0), new Vector(1.0, 0.0, 0.0)) as $loop) {
        foreach ($loop->pieces as $piece) {
            expect($piece->isWhole())->toBeFalse();
        }
    }
});

it('carries branches in a row and round it, flanges and caps at what is left', function () use ($body): void {
    $up = Tees::branch(90, [0, 0, 1]);
    $next = Tees::branch(200, [0, 0, 1]);
    $down = Tees::branch(320, [0, 0, -1]);
    $down['to']['end'] = ['type' => 'cap', 'shape' => 'flat', 'thickness' => 5];
    $plate = ['type' => 'flange', 'od' => 120, 'thickness' => 10, 'bore' => 61];
    $file = Tees::file([$up, $next, $down], ['from' => ['at' => [0, 0, 0], 'end' => $plate]]);
    $made = $body($file);
    $added = Tees::added(30, 20, M_PI / 2, 150);
    $inside = Tees::added(27, 18, M_PI / 2, 150);

    expect($made->solid()->isClosed())->toBeTrue()
        ->and(MassProperties::of($made->solid())->volume)->toEqualWithDelta(
            M_PI * (30 ** 2 - 27 ** 2) * 400 + 3 * ($added - $inside) + M_PI * 20 ** 2 * 5
            + M_PI * (60 ** 2 - 30 ** 2) * 10, 1e-4,
        );
});

/**
 * A branch 20 × 1 on the first one, which is 40 × 2 on a pipe of 60 × 3.
 *
 * @param  float  $along  length of the first branch at which it stands, mm
 * @param  array<float>  $axis
 * @return array<string, mixed>
 */
function onFirstBranch(float $along, array $axis, float $length = 100.0, string $id = 'b1'): array
{
    $size = sqrt(array_sum(array_map(static fn (float $one): float => $one ** 2, $axis)));
    $foot = $id === 'b1' ? [200, 0, $along] : [200, $along, 100];

    return [
        'stock' => 'thin', 'from' => ['on' => ['run' => $id, 'length' => $along], 'axis' => $axis],
        'to' => ['at' => array_map(
            static fn (float $at, float $way): float => $at + $length * $way / $size, $foot, $axis,
        )],
    ];
}

/** @param  array<array<string, mixed>>  $branches */
function ofThreeSizes(array $branches): stdClass
{
    $file = Tees::file($branches);
    $file->stock[] = Jobs::object([
        ...(array) $file->stock[1], 'id' => 'thin', 'section' => ['shape' => 'round', 'od' => 20, 'wall' => 1],
    ]);

    return $file;
}

dataset('several branches', [
    // Each with what its branches add: host radius, radius, angle, length, and what is inside of both walls.
    'beside each other, in one plane' => fn () => [
        Tees::file([Tees::branch(200, [0, 0, 1]), Tees::branch(200, [0, 0, -1])]),
        [[30, 20, 90, 150, 3, 2], [30, 20, 90, 150, 3, 2]],
    ],
    'beside each other, one farther on' => fn () => [
        Tees::file([Tees::branch(200, [0, 0, 1]), Tees::branch(213, [0, 0, -1])]),
        [[30, 20, 90, 150, 3, 2], [30, 20, 90, 150, 3, 2]],
    ],
    'beside each other, leaning' => fn () => [
        Tees::file([Tees::branch(200, [1, 0, 1]), Tees::branch(205, [-1, 0, -2])]),
        [[30, 20, 45, 150, 3, 2], [30, 20, rad2deg(M_PI - atan2(2, 1)), 150, 3, 2]],
    ],
    'a cross of equal pipes' => fn () => [
        Tees::file([Tees::branch(200, [0, 0, 1]), Tees::branch(200, [0, 0, -1])], [], [60, 3], [60, 3]),
        [[30, 30, 90, 150, 3, 3], [30, 30, 90, 150, 3, 3]],
    ],
    'over another, turned' => fn () => [
        Tees::file([Tees::branch(100, [0, 0, 1]), Tees::branch(300, [0, 1, 1])]),
        [[30, 20, 90, 150, 3, 2], [30, 20, 90, 150, 3, 2]],
    ],
    // As far apart as 45° round the host: outsides of 10 on 30 take 2 × 19.5° together, bores of 9 on 12 2 × 48.6°.
    'bores over each other, turned' => fn () => [
        Tees::file([Tees::branch(100, [0, 0, 1]), Tees::branch(300, [0, 1, 1])], [], [60, 18], [20, 1]),
        [[30, 10, 90, 150, 18, 1], [30, 10, 90, 150, 18, 1]],
    ],
    'on a branch, beside its host' => fn () => [
        ofThreeSizes([[], onFirstBranch(100, [0, 1, 0])]), [[30, 20, 90, 150, 3, 2], [20, 10, 90, 100, 2, 1]],
    ],
    'on a branch, along its host' => fn () => [
        ofThreeSizes([[], onFirstBranch(100, [1, 0, 0])]), [[30, 20, 90, 150, 3, 2], [20, 10, 90, 100, 2, 1]],
    ],
    'on a branch, turned and leaning' => fn () => [
        ofThreeSizes([[], onFirstBranch(90, [2, 1, 1])]),
        [[30, 20, 90, 150, 3, 2], [20, 10, rad2deg(acos(1 / sqrt(6))), 100, 2, 1]],
    ],
    'two on a branch, and one more on its host' => fn () => [
        ofThreeSizes([
            Tees::branch(200, [0, 0, 1]), onFirstBranch(70, [3, 1, 0]), onFirstBranch(110, [-1, 4, 0]),
            Tees::branch(330, [0, 1, 1]),
        ]),
        [[30, 20, 90, 150, 3, 2], [20, 10, 90, 100, 2, 1], [20, 10, 90, 100, 2, 1], [30, 20, 90, 150, 3, 2]],
    ],
    'on a branch of a branch' => fn () => [
        ofThreeSizes([
            Tees::branch(200, [0, 0, 1]),
            ['stock' => 'tube', ...array_diff_key(onFirstBranch(100, [0, 1, 0], 150), ['stock' => ''])],
            onFirstBranch(110, [2, 0, 1], 80, 'b2'),
        ]),
        [[30, 20, 90, 150, 3, 2], [20, 20, 90, 150, 2, 2], [20, 10, 90, 80, 2, 1]],
    ],
    'on a branch that ends on its host' => fn () => [
        ofThreeSizes([
            [
                'to' => ['on' => ['run' => 'main', 'length' => 200], 'axis' => [0, 0, 1]],
                'from' => ['at' => [200, 0, 150]],
            ],
            [...onFirstBranch(50, [0, 1, 1]), 'to' => ['at' => [200, 100 * M_SQRT1_2, 100 + 100 * M_SQRT1_2]]],
        ]),
        [[30, 20, 90, 150, 3, 2], [20, 10, 45, 100, 2, 1]],
    ],
]);

it('adds up whatever stands beside, over or on one another', function (stdClass $file, array $added) use ($body): void {
    $made = $body($file);
    [$pipe] = [$added[0]];
    $sum = static fn (bool $isBore): float => M_PI * ($pipe[0] - ($isBore ? $pipe[4] : 0)) ** 2 * 400 + array_sum(
        array_map(static fn (array $one): float => Tees::added(
            $one[0] - ($isBore ? $one[4] : 0), $one[1] - ($isBore ? $one[5] : 0), deg2rad($one[2]), $one[3],
        ), $added),
    );
    $solid = $made->solid();
    $facts = MassProperties::of($solid);

    expect($solid->isClosed())->toBeTrue()->and($solid->shells)->toHaveCount(1)
        ->and($facts->volume / ($sum(false) - $sum(true)))->toEqualWithDelta(1.0, 1e-8)
        ->and(MassProperties::of($made->contents() ?? throw new LogicException)->volume / $sum(true))
        ->toEqualWithDelta(1.0, 1e-8);
    foreach ([0.5, Seeds::areAll() ? 0.05 : 0.2] as $chord) {
        $mesh = Tessellation::of($solid, $chord);
        expect(openSides($mesh))->toBe([])
            // As many open ends as there are branches and two: a body with that many holes through it, less one.
            ->and(count($mesh->vertices) - count($mesh->triangles) / 2)->toEqual(2 - 2 * (count($added) + 1))
            ->and(abs($mesh->volume() - $facts->volume))->toBeLessThan($chord * $facts->surface);
    }
})->with('several branches');

/** The area in which a plane cuts triangles, by the trapezium under each segment of the cut (Green). */
function cutArea(Mesh $mesh, Vector $at, Vector $normal): float
{
    $area = 0.0;
    foreach ($mesh->triangles as $triangle) {
        $corners = array_map(static fn (int $corner): Vector => $mesh->vertices[$corner]->minus($at), $triangle);
        $up = $down = null;
        foreach ([0, 1, 2] as $i) {
            [$one, $two] = [$corners[$i], $corners[($i + 1) % 3]];
            [$low, $high] = [$one->dot($normal), $two->dot($normal)];
            if (($low >= 0.0) !== ($high >= 0.0)) {
                $point = $one->plus($two->minus($one)->times($low / ($low - $high)));
                [$up, $down] = $high >= 0.0 ? [$point, $down] : [$up, $point];
            }
        }
        if ($up !== null && $down !== null) {
            $area += $down->cross($up)->dot($normal) / 2;
        }
    }

    return abs($area);
}

it('is cut as its triangles are', function (stdClass $file, array $added) use ($body): void {
    $solid = $body($file)->solid();
    $mesh = Tessellation::of($solid, Seeds::areAll() ? 0.005 : 0.03);
    $planes = [[[201, 0.3, 0], [0.1, 1, 0.2]], [[200, 0, 95], [0.3, 0.2, 1]], [[206, 0, 4], [1, 0.1, 0.4]]];
    foreach ($planes as [$at, $normal]) {
        [$at, $normal] = [new Vector(...$at), (new Vector(...$normal))->unit()];
        $area = array_sum(array_map(
            static fn (CutLoop $loop): float => $loop->area, PlaneCut::of($solid, $at, $normal),
        ));
        expect($area / cutArea($mesh, $at, $normal))->toEqualWithDelta(1.0, 1e-2);
    }
})->with('several branches');

it('is exact where branches stand on branches', function (stdClass $file, array $added) use ($body): void {
    $edges = 0;
    $solid = $body($file)->solid();
    foreach ($solid->faces() as $face) {
        foreach (array_merge(...$face->loops) as $edge) {
            foreach (range(0, 40) as $i) {
                $at = $edge->edge->curve->pointAt($i / 40);
                // Every edge lies on the surface of each of the faces that it bounds.
                if ($face->surface instanceof CylinderSurface) {
                    $frame = $face->surface->frame;
                    $way = $at->minus($frame->at);
                    $across = $way->minus($frame->along->times($way->dot($frame->along)))->length();
                    expect($across)->toEqualWithDelta($face->surface->radius, 1e-5);
                    $edges++;
                }
            }
        }
    }
    expect($edges)->toBeGreaterThan(500 * count($added));
})->with('several branches');

it('goes on round a bend behind a branch, and in a branch', function () use ($body): void {
    $branch = Tees::branch(200, [0, 0, 1]);
    $branch['route'] = ['kind' => 'corners', 'stops' => [['at' => [200, 0, 150]]], 'corner' => ['radius' => 60]];
    $branch['to'] = ['at' => [200, 300, 150]];
    $file = Tees::file([$branch], [
        'to' => ['at' => [400, 300, 0]],
        'route' => ['kind' => 'corners', 'stops' => [['at' => [400, 0, 0]]]],
    ]);
    $made = $body($file);
    // Pappus: a bend of R has area × Rπ/2.
    $length = 300 + 200 + 100 * M_PI / 2;
    $beyond = (90 + 240 + 60 * M_PI / 2) - 150;

    expect($made->solid()->isClosed())->toBeTrue()
        ->and(MassProperties::of($made->solid())->volume)->toEqualWithDelta(
            M_PI * (30 ** 2 - 27 ** 2) * $length + Tees::added(30, 20, M_PI / 2, 150)
            - Tees::added(27, 18, M_PI / 2, 150) + M_PI * (20 ** 2 - 18 ** 2) * $beyond, 1e-4,
        );
});

it('encloses what is capped at all its ends', function () use ($body): void {
    $cap = ['type' => 'cap', 'shape' => 'domed'];
    $branch = Tees::branch(200, [0, 0, 1]);
    $branch['to']['end'] = $cap;
    $file = Tees::file([$branch], ['from' => ['at' => [0, 0, 0], 'end' => $cap], 'to' => [
        'at' => [400, 0, 0], 'end' => $cap,
    ]]);
    $domes = static fn (float $pipe, float $tube): float => 2 * 2 / 3 * M_PI * $pipe ** 3 + 2 / 3 * M_PI * $tube ** 3;
    $contents = M_PI * 27 ** 2 * 400 + Tees::added(27, 18, M_PI / 2, 150) + $domes(27, 18);

    expect($body($file)->solid()->shells)->toHaveCount(2)
        ->and(MassProperties::of($body($file)->solid())->volume)->toEqualWithDelta(
            M_PI * 30 ** 2 * 400 + Tees::added(30, 20, M_PI / 2, 150) + $domes(30, 20) - $contents, 1e-4,
        )
        ->and(MassProperties::of($body($file)->contents() ?? throw new LogicException)->volume)
        ->toEqualWithDelta($contents, 1e-4);
});

it('is refused where its runs are no one body', function (stdClass $file, string $words) use ($body): void {
    try {
        $body($file);
        $said = '';
    } catch (JobError $error) {
        $said = $error->getMessage();
        expect($error->pointer)->toBe('/bodies/0');
    }
    expect($said)->toBe($words);
})->with([
    'two that stand on nothing' => fn () => [
        Tees::file([['from' => ['at' => [200, 0, 0]]]]), 'neither Main nor Branch 1 stands on a run of the body',
    ],
    'wider than its host' => fn () => [
        Tees::file([[]], [], [60, 3], [60.2, 3]), 'Branch 1 is wider than Main, or goes along it',
    ],
    'along its host' => fn () => [
        Tees::file([Tees::branch(200, [1, 0, 0])]), 'Branch 1 is wider than Main, or goes along it',
    ],
    'too near an end' => fn () => [
        Tees::file([Tees::branch(15, [0, 0, 1])]), 'Branch 1 has no room on a straight of Main',
    ],
    'over another' => fn () => [
        Tees::file([Tees::branch(200, [0, 0, 1]), Tees::branch(210, [0, 1, 1])]),
        'Branch 1 and Branch 2 stand over one another',
    ],
    // The second hole begins 0.03° beside where the first one is widest.
    'nearly in a row' => fn () => [
        Tees::file([Tees::branch(100, [0, 0, 1]), Tees::branch(300, [0, sin(5e-4), cos(5e-4)])]),
        'the branches of Main stand so nearly in a row that they cannot be made exactly',
    ],
    'one that crosses another beyond its foot' => fn () => [
        Tees::file([Tees::branch(120, [1, 0, 1]), Tees::branch(280, [-1, 0, 1])]), 'Branch 1 runs into Branch 2',
    ],
    // The branch on the branch comes down beside the first one, into the pipe.
    'one on a branch that runs into the host of that' => fn () => [
        ofThreeSizes([[], [
            ...onFirstBranch(100, [1, 0, 0]), 'to' => ['at' => [300, 0, 20]],
            'route' => ['kind' => 'corners', 'stops' => [['at' => [300, 0, 100]]], 'corner' => ['radius' => 40]],
        ]]),
        'Branch 2 runs into Main',
    ],
    'one that comes back into its host' => fn () => [
        Tees::file([[
            'to' => ['at' => [350, 0, 20]],
            'route' => [
                'kind' => 'corners', 'stops' => [['at' => [200, 0, 150]], ['at' => [350, 0, 150]]],
                'corner' => ['radius' => 60],
            ],
        ]]),
        'Branch 1 runs into Main',
    ],
    'a bend before it is clear' => fn () => [
        Tees::file([[
            'to' => ['at' => [200, 200, 60]],
            'route' => ['kind' => 'corners', 'stops' => [['at' => [200, 0, 60]]], 'corner' => ['radius' => 40]],
        ]]),
        'Branch 1 bends before it is clear of Main',
    ],
    'a rod on a pipe' => fn () => [
        Tees::file([[]], [], [60, 3], [40, 20]), 'Branch 1 and Main are not both hollow',
    ],
    'too near a plug that is deeper than its wall' => fn () => [
        Tees::file([Tees::branch(60, [0, 0, 1])], [
            'from' => ['at' => [0, 0, 0], 'end' => ['type' => 'closed', 'thickness' => 45]],
        ]),
        'Branch 1 has no room on a straight of Main',
    ],
    // At 45° a bore of 9 in one of 10 reaches back by 9√2 − 10 = 2.7; the outsides, 30 and 10, meet from 15.9 ahead on.
    'its bore too near an end' => fn () => [
        Tees::file([Tees::branch(2, [1, 0, 1])], [], [60, 20], [20, 1]), 'Branch 1 has no room on a straight of Main',
    ],
    'a bend as tight as the pipe is wide' => fn () => [
        Tees::file([[]], [
            'to' => ['at' => [400, 300, 0]],
            'route' => ['kind' => 'corners', 'stops' => [['at' => [400, 0, 0]]], 'corner' => ['radius' => 30]],
        ]),
        'Main folds over',
    ],
    'a collar where it stands on its host' => fn () => [
        Tees::file([['from' => [
            'on' => ['run' => 'main', 'length' => 200], 'axis' => [0, 0, 1],
            'end' => ['type' => 'collar', 'od' => 50, 'width' => 4],
        ]]]),
        'Branch 1 has a collar where it stands on Main, and its wall goes on there',
    ],
    'broken into spools' => fn () => [
        Tees::file([[]], ['joints' => [['at' => ['length' => 90], 'kind' => 'weld']]]),
        'Main is broken into spools, and a body of several runs is one piece',
    ],
]);
