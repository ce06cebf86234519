<?php

declare(strict_types=1);

use Bowline\Exchange\BroughtIn;
use Bowline\Exchange\Dxf\DxfReader;
use Bowline\Exchange\Dxf\DxfWriter;
use Bowline\Exchange\Dxf\Ocs;
use Bowline\Geometry\Arc;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Job\Units;
use Bowline\Job\Values;
use Bowline\Proposals\LineChains;
use Tests\Jobs;

/** DXF text of entities told as [kind, code, value, …]. */
function dxf(array $entities, int $units = 4): string
{
    $pairs = [
        [0, 'SECTION'],
        [2, 'HEADER'],
        [9, '$INSUNITS'],
        [70, $units],
        [0, 'ENDSEC'],
        [0, 'SECTION'],
        [2, 'ENTITIES'],
    ];
    foreach ($entities as $entity) {
        $pairs[] = [0, array_shift($entity)];
        foreach (array_chunk($entity, 2) as $pair) {
            $pairs[] = $pair;
        }
    }

    return implode(
        '',
        array_map(fn (array $pair): string => $pair[0]."\n".$pair[1]."\n", [...$pairs, [0, 'ENDSEC'], [0, 'EOF']]),
    );
}

/** The run that a route read from lines comes to, of the stock of the other tests. */
function runOf(stdClass $ends): stdClass
{
    $file = Jobs::file([], ['at' => [0, 0, 900]]);
    $file->runs = [(object) ['id' => 'run', 'stock' => 't12', ...get_object_vars($ends)]];

    return $file;
}

it('gives the same run out and in again', function (int $seed): void {
    $solved = Jobs::solve(Jobs::wandering($seed, 9));
    [$segments] = DxfReader::read(DxfWriter::write([$solved->laid]));
    // A shuffled drawing: lines in any order, drawn either way, are chained all the same.
    mt_srand($seed);
    shuffle($segments);
    [$routes, $remarks] = LineChains::of($segments);
    expect($remarks)->toBe([])->and($routes)->toHaveCount(1);

    $again = Jobs::solve(runOf($routes[0]));
    $own = array_map(fn ($vertex): array => $vertex->at->toArray(), $solved->laid->vertices);
    $back = array_map(fn ($vertex): array => $vertex->at->toArray(), $again->laid->vertices);
    if ((new Vector(...$back[0]))->distanceTo(new Vector(...$own[0])) > 1) {
        $back = array_reverse($back);
    }
    // The first vertex of these runs lies on the first leg and makes no bend; a drawing does not know it.
    $bends = array_values(
        array_unique([0, ...array_map(fn ($bend): int => $bend->vertex, $solved->laid->bends), count($own) - 1]),
    );
    expect($back)->toEqualWithDelta(array_map(fn (int $i): array => $own[$i], $bends), 1e-6)
        ->and($again->bendTable->length)->toEqualWithDelta($solved->bendTable->length, 1e-6);
})->with(range(1, 8));

it('reads lines of every kind, in the units of the file', function (): void {
    [$inches] = DxfReader::read(dxf([['LINE', 10, 0, 20, 0, 30, 0, 11, 2, 21, 0, 31, 0]], 1));
    expect($inches[0]->length())->toEqualWithDelta(50.8, 1e-9);
    // A flat polyline with a quarter circle of 10: its bulge is tan(90°/4).
    [$flat] = DxfReader::read(
        dxf([
            [
                'LWPOLYLINE',
                70,
                0,
                38,
                5,
                10,
                0,
                20,
                0,
                10,
                40,
                20,
                0,
                42,
                tan(M_PI / 8),
                10,
                50,
                20,
                10,
                10,
                50,
                20,
                60,
            ],
        ]),
    );
    expect($flat)
        ->toHaveCount(3)
        ->and($flat[1])
        ->toBeInstanceOf(Arc::class)
        ->and($flat[1]->radius)
        ->toEqualWithDelta(10, 1e-9)
        ->and($flat[1]->centre->toArray())
        ->toEqualWithDelta([40, 10, 5], 1e-9)
        ->and($flat[1]->normal->z)
        ->toEqualWithDelta(1, 1e-9);
    // Clockwise it is bent the other way.
    [$clockwise] = DxfReader::read(dxf([['LWPOLYLINE', 70, 0, 10, 0, 20, 0, 42, -tan(M_PI / 8), 10, 10, 20, -10]]));
    expect($clockwise[0]->centre->toArray())
        ->toEqualWithDelta([0, -10, 0], 1e-9)
        ->and($clockwise[0]->normal->z)
        ->toEqualWithDelta(-1, 1e-9);
    [$space, $passed] = DxfReader::read(
        dxf([
            ['POLYLINE', 70, 8],
            ['VERTEX', 10, 0, 20, 0, 30, 0],
            ['VERTEX', 10, 0, 20, 0, 30, 9],
            ['VERTEX', 10, 4, 20, 0, 30, 9],
            ['SEQEND'],
            ['TEXT', 1, 'note'],
            ['TEXT', 1, 'note'],
        ]),
    );
    expect($space)
        ->toHaveCount(2)
        ->and($space[1]->end()->toArray())
        ->toBe([4.0, 0.0, 9.0])
        ->and($passed)
        ->toBe(['TEXT' => 2]);
    // An arc of 350° to 10° goes through nought; looked at from below it goes the other way round.
    [$arcs] = DxfReader::read(
        dxf([
            ['ARC', 10, 0, 20, 0, 30, 0, 40, 5, 50, 350, 51, 10],
            ['ARC', 10, 0, 20, 0, 30, 0, 40, 5, 50, 0, 51, 90, 210, 0, 220, 0, 230, -1],
        ]),
    );
    expect(rad2deg($arcs[0]->angle))
        ->toEqualWithDelta(20, 1e-9)
        ->and($arcs[1]->from->toArray())
        ->toEqualWithDelta([-5, 0, 0], 1e-9)
        ->and($arcs[1]->to->toArray())->toEqualWithDelta([0, 5, 0], 1e-9);
});

it('passes over an entity with a number for a name, and says so', function (): void {
    [, $remarks] = BroughtIn::of(
        dxf([['LINE', 10, 0, 20, 0, 11, 100, 21, 0], [42, 8, 0]]),
        Values::read(null),
        Units::millimetres(),
    );
    expect(implode(' ', $remarks))->toContain('1 × 42 passed over');
});

it('has frames that are square and right-handed, and goes into them and back', function (): void {
    mt_srand(3);
    for ($i = 0; $i < 100; $i++) {
        $ocs = new Ocs(
            new Vector(
                Jobs::random() * ($i % 3 === 0 ? 0.01 : 1),
                Jobs::random() * ($i % 3 === 0 ? 0.01 : 1),
                1 + Jobs::random(),
            ),
        );
        $point = new Vector(Jobs::random(), Jobs::random(), Jobs::random());
        expect($ocs->x->cross($ocs->y)->distanceTo($ocs->z))->toBeLessThan(1e-12)
            ->and($ocs->toWorld($ocs->toOwn($point))->distanceTo($point))->toBeLessThan(1e-12);
    }
});

it('tells gaps, branches and arcs that are no bends', function (): void {
    $line = fn (float ...$at): array => ['LINE', 10, $at[0], 20, $at[1], 30, 0, 11, $at[2], 21, $at[3], 31, 0];
    [$routes, $remarks] = LineChains::of(DxfReader::read(dxf([$line(0, 0, 100, 0), $line(102.5, 0, 200, 0)]))[0]);
    expect($routes)->toHaveCount(2)->and($remarks)->toBe(['A gap of 2.5 mm at (100, 0, 0).']);
    [$routes, $remarks] = LineChains::of(
        DxfReader::read(dxf([$line(0, 0, 100, 0), $line(100, 0, 200, 0), $line(100, 0, 100, 50)]))[0],
    );
    expect($routes)
        ->toHaveCount(2)
        ->and($remarks)
        ->toBe(['3 lines meet at (100, 0, 0); a run goes on along one of them.']);
    [$routes, $remarks] = LineChains::of(
        DxfReader::read(dxf([$line(0, 0, 100, 0), ['ARC', 10, 100, 20, 20, 30, 0, 40, 20, 50, 180, 51, 270]]))[0],
    );
    expect($routes)->toBe([])->and($remarks[0])->toContain('R 20')->toContain('is not tangent to what it joins');
    // A sharp corner stays a corner, to be bent at the radius of the stock.
    [$routes] = LineChains::of(DxfReader::read(dxf([$line(0, 0, 100, 0), $line(100, 80, 100, 0)]))[0]);
    expect($routes[0]->route->stops)
        ->toEqual([(object) ['at' => [100, 0, 0]]])
        ->and($routes[0]->to->at)
        ->toEqual([100, 80, 0]);
});

it('bends an arc without a straight before or behind it like any other', function (): void {
    // A quarter circle of 50, a straight of 100, and another quarter circle up: nothing straight at either end.
    [$routes, $remarks] = LineChains::of(DxfReader::read(dxf([
        ['ARC', 10, 0, 20, 50, 30, 0, 40, 50, 50, 180, 51, 270], ['LINE', 10, 0, 20, 0, 30, 0, 11, 100, 21, 0, 31, 0],
        ['ARC', 10, 100, 20, 50, 30, 0, 40, 50, 50, 270, 51, 0],
    ]))[0]);
    $solved = Jobs::solve(runOf($routes[0]));
    expect($remarks)
        ->toBe([])
        ->and($solved->findings)
        ->toBe([])
        ->and($solved->laid->length())
        ->toEqualWithDelta(100 + 50 * M_PI, 1e-6)
        ->and(array_map(static fn ($row): float => $row->radius, $solved->bendTable->rows))
        ->toEqualWithDelta([50, 50], 1e-6)
        ->and([$solved->bendTable->rows[0]->straight, $solved->bendTable->tail])->toEqualWithDelta([0, 0], 1e-6);
});

/** A place on a B-spline by de Boor's algorithm. */
function onSpline(array $knots, array $controls, int $degree, float $at): Vector
{
    $k = $degree;
    while ($k < count($controls) - 1 && $knots[$k + 1] <= $at) {
        $k++;
    }
    $d = array_map(static fn (int $j): Vector => $controls[$j + $k - $degree], range(0, $degree));
    for ($r = 1; $r <= $degree; $r++) {
        for ($j = $degree; $j >= $r; $j--) {
            $span = $knots[$j + 1 + $k - $r] - $knots[$j + $k - $degree];
            $part = $span > 0.0 ? ($at - $knots[$j + $k - $degree]) / $span : 0.0;
            $d[$j] = $d[$j - 1]->times(1.0 - $part)->plus($d[$j]->times($part));
        }
    }

    return $d[$degree];
}

it('writes curves as splines that follow them', function (array $route): void {
    $to = ['at' => [300, 200, 100], 'axis' => [1, 0, 0]];
    $laid = Jobs::laid(Jobs::file([], $to, ['route' => $route]));
    $pairs = array_chunk(preg_split('/\r\n/', trim(DxfWriter::write([$laid]))), 2);
    $start = array_search(
        ['0', 'SPLINE'],
        array_map(static fn (array $pair): array => array_map(trim(...), $pair), $pairs),
        true,
    );
    [$knots, $controls, $degree] = [[], [], 0];
    for ($i = (int) $start + 1; trim($pairs[$i][0]) !== '0'; $i++) {
        match (trim($pairs[$i][0])) {
            '40' => $knots[] = (float) $pairs[$i][1],
            '71' => $degree = (int) $pairs[$i][1],
            '10' => ($controls[] = new Vector(
                (float) $pairs[$i][1],
                (float) $pairs[$i + 1][1],
                (float) $pairs[$i + 2][1],
            )),
            default => null,
        };
    }
    $curve = array_values(array_filter($laid->path->segments, static fn ($one): bool => $one instanceof Curve))[0];
    expect($degree)->toBe(3)->and(count($knots))->toBe(count($controls) + 4);
    foreach (range(0, 50) as $i) {
        $along = $curve->length() * $i / 50;
        expect(onSpline($knots, $controls, 3, $along)->distanceTo($curve->pointAt($along)))->toBeLessThan(2e-3);
    }
})->with([
    'smooth' => [['kind' => 'flow', 'points' => [[80, 40, 220], [200, 20, 180]]]],
    'sprung' => [['kind' => 'spring', 'length' => 620]],
    'hanging' => [['kind' => 'hang', 'length' => 620]],
]);

it('refuses what is no DXF and keeps nothing of it', function (string $text): void {
    expect(fn () => DxfReader::read($text))->toThrow(JobError::class);
})->with([
    'nothing' => '',
    'prose' => "hello\nworld\n",
    'no section' => "0\nLINE\n",
    'a broken number' => dxf([['LINE', 10, 'abc', 20, 0, 11, 1, 21, 1]]),
    'a number without end' => dxf([['LINE', 10, '1e400', 20, 0, 11, 1, 21, 1]]),
]);
