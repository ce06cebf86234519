<?php

declare(strict_types=1);

use Bowline\Body\Mesh;
use Bowline\Body\RunBody;
use Bowline\Exchange\Body\MeshLimit;
use Bowline\Exchange\Body\StlWriter;
use Bowline\Exchange\MeshPart;
use Bowline\Exchange\Part;
use Bowline\Exchange\Parts;
use Bowline\Geometry\Arc;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Tests\Jobs;

const OPEN = ['type' => 'open'];
const PLUG = ['type' => 'closed', 'thickness' => 2];
const FLANGE = [
    'type' => 'flange',
    'od' => 60,
    'thickness' => 8,
    'bore' => 13,
    'holes' => ['count' => 4, 'circle' => 42, 'diameter' => 9],
];

/** A tube with three bends between two ends. */
function bodyFile(array $from, array $to, array $more = []): stdClass
{
    return Jobs::file(
        [['at' => [0, 0, 200]], ['at' => [60, 0, 200]], ['at' => [250, 0, 200]], ['at' => [250, 180, 120]]],
        ['at' => [400, 180, 120], 'end' => $to], ['from' => ['port' => 'pump.out', 'end' => $from], ...$more],
    );
}

function bodyMesh(array $from, array $to, float $chord, array $more = []): Mesh
{
    return RunBody::of(Jobs::laid(bodyFile($from, $to, $more)))->mesh($chord);
}

function bodyPart(): Part
{
    return Parts::of(Jobs::solve(bodyFile(OPEN, FLANGE)), '/runs/0')[0];
}

/** How often each edge is walked in each direction; a closed, well oriented surface walks each once both ways. */
function badEdges(Mesh $mesh): int
{
    $walked = [];
    foreach ($mesh->triangles as $triangle) {
        foreach ([0, 1, 2] as $i) {
            $walked[$triangle[$i].' '.$triangle[($i + 1) % 3]] =
                ($walked[$triangle[$i].' '.$triangle[($i + 1) % 3]] ?? 0) + 1;
        }
    }
    $bad = 0;
    foreach ($walked as $edge => $times) {
        [$a, $b] = explode(' ', $edge);
        $bad += $times === 1 && ($walked[$b.' '.$a] ?? 0) === 1 ? 0 : 1;
    }

    return $bad;
}

/*
 * Euler's V − E + F is 2 − 2g for a closed surface of genus g. A tube open through the bore has one hole,
 * as a ring has; each bolt hole of a flange adds one; a plug at one end fills the bore's.
 */
it('is closed, right way out, and has as many holes as it should', function (
    array $from,
    array $to,
    int $genus,
    array $more = [],
): void {
    foreach ([0.5, 0.02] as $chord) {
        $mesh = bodyMesh($from, $to, $chord, $more);
        expect(badEdges($mesh))->toBe(0)
            ->and(count($mesh->vertices) - (count($mesh->triangles) * 3) / 2 + count($mesh->triangles))
            ->toEqual(2 - 2 * $genus)
            ->and($mesh->volume())->toBeGreaterThan(0.0);
    }
})->with([
    'a tube' => [OPEN, OPEN, 1],
    'with a flange' => [OPEN, FLANGE, 5],
    'with two' => [FLANGE, FLANGE, 9],
    'seven holes' => [[...FLANGE, 'holes' => ['count' => 7, 'circle' => 42, 'diameter' => 9]], OPEN, 8],
    'one hole' => [[...FLANGE, 'holes' => ['count' => 1, 'circle' => 42, 'diameter' => 9]], OPEN, 2],
    'a blank plate' => [['type' => 'flange', 'od' => 60, 'thickness' => 8, 'bore' => 13], OPEN, 1],
    'a plug' => [PLUG, OPEN, 0],
    'a solid rod' => [OPEN, OPEN, 0, ['section' => ['shape' => 'round', 'od' => 12]]],
    'a solid rod with a flange' => [OPEN, FLANGE, 4, ['section' => ['shape' => 'round', 'od' => 12]]],
    'bends without room' => [
        OPEN,
        OPEN,
        1,
        [
            'route' => [
                'kind' => 'corners',
                'stops' => [['at' => [0, 0, 90]], ['at' => [30, 0, 90]], ['at' => [30, 40, 90]]],
            ],
        ],
    ],
    'a flange thicker than its straight' => [OPEN, [...FLANGE, 'thickness' => 500], 5],
]);

it('comes to area times length as the tolerance shrinks', function (): void {
    $laid = Jobs::laid(Jobs::file([['at' => [0, 0, 200]], ['at' => [250, 0, 200]]], ['at' => [250, 180, 260]]));
    // π/4 (12² − 9²) mm², Pappus: a section carried along its centroid.
    $exact = M_PI / 4 * (144 - 81) * $laid->length();
    $error = fn (float $chord): float => abs(RunBody::of($laid)->mesh($chord)->volume() / $exact - 1);

    expect($error(0.1))->toBeLessThan(0.03)
        ->and($error(0.01))->toBeLessThan(0.003)
        ->and($error(0.001))->toBeLessThan(0.0003);
});

it('adds the plate of a flange less its holes', function (): void {
    $plain = bodyMesh(OPEN, OPEN, 0.001)->volume();
    $flanged = bodyMesh(OPEN, FLANGE, 0.001)->volume();
    // The plate lies round the tube, 12 outside; four holes of 9 go through its 8 mm.
    $plate = M_PI / 4 * (60 ** 2 - 12 ** 2 - 4 * 9 ** 2) * 8;

    expect(($flanged - $plain) / $plate)->toEqualWithDelta(1, 1e-3);
});

it('has its flange face at the end of the run, square to it', function (): void {
    $mesh = bodyMesh(OPEN, FLANGE, 0.1);
    $rim = array_filter(
        $mesh->vertices,
        fn (Vector $at): bool => $at->x > 350 && hypot($at->y - 180, $at->z - 120) > 29.9,
    );
    $xs = array_unique(array_map(fn (Vector $at): float => round($at->x, 6), $rim));
    sort($xs);

    // The run ends at x = 400, travelling along +x.
    expect($xs)->toBe([392.0, 400.0]);
});

it('does not cut up straights, and divides bends as finely as asked', function (): void {
    $file = Jobs::file(
        [['at' => [0, 0, 200]], ['at' => [0, 0, 400]], ['at' => [300, 0, 400]]],
        ['at' => [900, 0, 400]],
    );
    $sides = fn (Mesh $mesh): int => intdiv(
        count(array_filter($mesh->vertices, fn (Vector $at): bool => abs($at->z - 50) < 1e-9)),
        2,
    );
    $mesh = RunBody::of(Jobs::laid($file))->mesh(0.1);

    // A bend of 90° at R 30 + 6: a chord of tolerance c spans 2·acos(1 − c/36); two straights add two rings.
    // Half of the tolerance is for the chords along a bend, half for those round the tube.
    $pieces = (int) ceil(M_PI / 2 / (2 * acos(1 - 0.05 / 36)));
    expect(count($mesh->vertices))->toBe(2 * $sides($mesh) * ($pieces + 3));
});

it('writes no more triangles into one STL than programs open', function (): void {
    $part = static fn (int $triangles): Part => new MeshPart('part', 'Part', new Mesh(
        [Vector::zero(), new Vector(1.0, 0.0, 0.0), new Vector(0.0, 1.0, 0.0)], array_fill(0, $triangles, [0, 1, 2]),
    ), [0.5, 0.5, 0.5]);
    expect(strlen(StlWriter::write('Few', [$part(2), $part(1)], 0.02)))->toBe(84 + 50 * 3)
        ->and(MeshLimit::triangles([$part(1), $part(2_999_999)], 0.02))->toBe(3_000_000)
        ->and(fn () => StlWriter::write('Many', [$part(1), $part(3_000_000)], 0.02))
        ->toThrow(JobError::class, '3,000,000 triangles');
});

it('writes binary STL: 84 bytes and 50 a triangle, normals outward', function (): void {
    $mesh = bodyMesh(OPEN, FLANGE, 0.2);
    $stl = StlWriter::write('Förderrohr', [bodyPart(), bodyPart()], 0.2);

    expect(strlen($stl))->toBe(84 + 50 * 2 * count($mesh->triangles))
        ->and(unpack('V', substr($stl, 80, 4)))->toBe([1 => 2 * count($mesh->triangles)])
        ->and(str_starts_with($stl, 'solid'))->toBeFalse();
    $first = array_values((array) unpack('g12', substr($stl, 84, 48)));
    [$a, $b, $c] = array_map(fn (int $i): Vector => new Vector(...array_slice($first, $i, 3)), [3, 6, 9]);
    expect(
        (new Vector(...array_slice($first, 0, 3)))->dot($b->minus($a)->cross($c->minus($a))->unit()),
    )->toEqualWithDelta(1, 1e-4);
});

it('is closed round a curve too, and comes to area times length', function (array $route): void {
    // A hose of 20 with a bore of 12, straight in its sockets and curved between.
    $file = Jobs::decoded([
        'format' => 'bowline-job', 'version' => 2,
        'stock' => [
            [
                'id' => 'h',
                'kind' => 'hose',
                'section' => ['shape' => 'round', 'od' => 20, 'wall' => 4],
                'bend' => ['radius' => 120, 'min_radius' => 60, 'min_straight' => 0],
                'density' => 1500,
            ],
        ],
        'runs' => [
            [
                'id' => 'r',
                'stock' => 'h',
                'from' => ['at' => [0, 0, 0], 'axis' => '+x', 'lead' => 30],
                'to' => ['at' => [400, 120, 60], 'axis' => '-x', 'lead' => 30],
                'route' => $route,
            ],
        ],
    ]);
    $laid = Jobs::laid($file);
    $volume = M_PI * (10 ** 2 - 6 ** 2) * $laid->length();
    foreach ([0.2, 0.05] as $chord) {
        $mesh = RunBody::of($laid)->mesh($chord);
        // What polygons of chords lose of a circle goes with the tolerance: about 2·chord/radius.
        expect(badEdges($mesh))->toBe(0)->and(count($mesh->vertices) - count($mesh->triangles) / 2)->toEqual(0);
        if (($route['length'] ?? 0) !== 300) {
            // Where it is too short, and kinks out of its sockets, it is in itself there.
            expect($mesh->volume())->toEqualWithDelta($volume, $volume * (0.002 + 0.5 * $chord));
        }
    }
})->with([
    'sprung' => [['kind' => 'spring', 'length' => 520]],
    'hanging' => [['kind' => 'hang', 'slack' => 0.1]],
    'smooth' => [['kind' => 'flow', 'points' => [[150, 40, 90], [260, 60, -20]]]],
    'too short, and straight' => [['kind' => 'spring', 'length' => 300]],
]);

it('refuses a body of too many triangles before it is made', function (array $route, array $to): void {
    $file = Jobs::file([], ['at' => $to, 'axis' => [-1, 0, 0]], ['route' => $route]);
    $laid = Jobs::laid($file);
    memory_reset_peak_usage();
    $before = memory_get_usage();
    expect(fn () => RunBody::of($laid)->mesh(0.01))->toThrow(JobError::class, '800,000 are allowed')
        ->and(memory_get_peak_usage() - $before)->toBeLessThan(30e6);
})->with([
    'a hose of a thousand kilometres' => [['kind' => 'spring', 'length' => 1e9], [500, 100, 200]],
    'a cable that hangs for ten thousand' => [['kind' => 'hang', 'slack' => 1e7], [500, 100, 200]],
    'a bend of a radius of a hundred' => [
        ['kind' => 'corners', 'corner' => ['radius' => 1e8], 'stops' => [['at' => [0, 0, 1e9]]]],
        [1e9, 0, 1e9],
    ],
]);

it('has as many triangles as its chord asks for, on a curve as on bends', function (): void {
    // Rings and sides both go with the root of the chord: a hundredth of it makes a hundred times as many triangles.
    $file = Jobs::file(
        [],
        ['at' => [500, 100, 200], 'axis' => [-1, 0, 0]],
        ['route' => ['kind' => 'spring', 'length' => 800]],
    );
    $count = static fn (float $chord): int => count(RunBody::of(Jobs::laid($file))->mesh($chord)->triangles);
    expect($count(0.01) / $count(0.1))->toBeGreaterThan(8.0)
        ->toBeLessThan(12.0)
        ->and($count(0.1))->toBeLessThan(10_000);
});

it('stands no facet off the true surface by more than its chord', function (float $chord): void {
    $laid = Jobs::laid(
        Jobs::file(
            [],
            ['at' => [300, 120, 200], 'axis' => [-1, 0, 0]],
            ['route' => ['kind' => 'spring', 'length' => 620]],
        ),
    );
    $curve = array_values(
        array_filter($laid->path->segments, static fn ($one): bool => $one instanceof Bowline\Geometry\Curve),
    )[0];
    $mesh = RunBody::of($laid)->mesh($chord);
    // Places so close together that the nearest is as good as the curve.
    $places = array_map(static fn (int $i): Vector => $curve->pointAt($curve->length() * $i / 4000), range(0, 4000));
    $worst = 0.0;
    foreach ($mesh->triangles as $i => [$a, $b, $c]) {
        $middle = $mesh->vertices[$a]->plus($mesh->vertices[$b])->plus($mesh->vertices[$c])->times(1 / 3);
        if ($i % 67 !== 0 || min($middle->distanceTo($curve->start()), $middle->distanceTo($curve->end())) < 7.0) {
            continue;
        }
        $off = min(array_map(static fn (Vector $place): float => $middle->distanceTo($place), $places));
        // Either wall of the tube: 6 and 4.5 from the centre line.
        $worst = max($worst, min(abs($off - 6.0), abs($off - 4.5)));
    }
    expect($worst)->toBeLessThan($chord + 1e-3);
})->with([0.5, 0.1, 0.02]);

it('stands no facet off a bend by more than its chord, however slight', function (float $degrees, float $chord): void {
    $slope = tan(deg2rad($degrees));
    $laid = Jobs::laid(Jobs::file([['at' => [0, 0, 300]]], ['at' => [250 * $slope, 0, 550]]));
    $bend = array_values(array_filter($laid->path->segments, static fn ($one): bool => $one instanceof Arc))[0];
    // A point of the torus is 6 from the circle of R 30 in the plane of the bend.
    $off = static function (Vector $at) use ($bend): float {
        $way = $at->minus($bend->centre);
        $height = $way->dot($bend->normal);

        return abs(hypot($way->minus($bend->normal->times($height))->length() - 30, $height) - 6);
    };
    $mesh = RunBody::of($laid)->mesh($chord);
    $worst = 0.0;
    foreach ($mesh->triangles as $triangle) {
        $corners = array_map(static fn (int $number): Vector => $mesh->vertices[$number], $triangle);
        $isOfBend = array_filter($corners, static fn (Vector $at): bool => $off($at) > 1e-6) === [];
        foreach ($isOfBend ? [[0, 1], [1, 2], [2, 0]] : [] as [$a, $b]) {
            $worst = max($worst, $off($corners[$a]->plus($corners[$b])->times(0.5)));
        }
    }
    expect($worst)->toBeLessThanOrEqual($chord * (1 + 1e-9))->toBeGreaterThan($chord / 8);
})->with([[13.0, 0.5], [8.0, 0.2], [5.0, 0.1], [60.0, 0.1]]);
