<?php

declare(strict_types=1);

use Bowline\Body\FlatTriangulation;

/** @param  list<array{float, float}>  $loop */
function loopArea(array $loop): float
{
    $area = 0.0;
    foreach ($loop as $i => [$x, $y]) {
        [$nextX, $nextY] = $loop[($i + 1) % count($loop)];
        $area += ($x * $nextY - $nextX * $y) / 2;
    }

    return $area;
}

/** @return list<array{float, float}> clockwise where the count is negative */
function starLoop(float $x, float $y, int $count, callable $radius): array
{
    $points = [];
    for ($i = 0; $i < abs($count); $i++) {
        $angle = 2 * M_PI * $i / $count;
        $out = $radius($i);
        $points[] = [$x + $out * cos($angle), $y + $out * sin($angle)];
    }

    return $points;
}

/** @param  non-empty-list<list<array{float, float}>>  $loops */
function expectWholeTriangulation(array $loops): void
{
    $points = array_merge(...$loops);
    $triangles = FlatTriangulation::of($loops);
    $sum = 0.0;
    $walked = [];
    foreach ($triangles as $triangle) {
        $area = loopArea(array_map(static fn (int $i): array => $points[$i], $triangle));
        expect($area)->toBeGreaterThan(-1e-9);
        $sum += $area;
        foreach ([0, 1, 2] as $i) {
            $walked[$triangle[$i].' '.$triangle[($i + 1) % 3]] = true;
        }
    }
    // n corners and h holes make n + 2h − 2 triangles, which cover what the loops enclose.
    expect($triangles)->toHaveCount(count($points) + 2 * (count($loops) - 1) - 2)
        ->and($sum)->toEqualWithDelta(array_sum(array_map(loopArea(...), $loops)), 1e-6 * abs($sum));
    // Each edge of a loop is the edge of a triangle, in its direction and not in the other.
    $first = 0;
    foreach ($loops as $loop) {
        foreach (array_keys($loop) as $i) {
            [$from, $to] = [$first + $i, $first + ($i + 1) % count($loop)];
            expect($walked)->toHaveKey("$from $to")->not->toHaveKey("$to $from");
        }
        $first += count($loop);
    }
}

it('covers a region with holes, and no more', function (array $loops): void {
    /** @var non-empty-list<list<array{float, float}>> $loops */
    expectWholeTriangulation($loops);
})->with(function (): iterable {
    $round = static fn (float $radius): callable => static fn (int $i): float => $radius;
    yield 'a triangle' => [[[[0.0, 0.0], [4.0, 0.0], [0.0, 3.0]]]];
    yield 'a ring' => [[starLoop(0, 0, 32, $round(10)), starLoop(0, 0, -20, $round(6))]];
    yield 'a hole off its middle' => [[starLoop(0, 0, 12, $round(10)), starLoop(5, -3, -9, $round(3))]];
    foreach ([1, 2, 4, 8, 24, 64] as $count) {
        $loops = [starLoop(0, 0, 96, $round(100)), starLoop(0, 0, -24, $round(30))];
        for ($k = 0; $k < $count; $k++) {
            $angle = M_PI * (2 * $k + 1) / $count;
            $hole = min(20, 63 * sin(M_PI / max(3, $count)));
            $loops[] = starLoop(70 * cos($angle), 70 * sin($angle), -12, $round($hole));
        }
        yield "a flange of $count holes" => [$loops];
    }
    $teeth = [[9.0, 5.0], [8.0, 1.0], [7.0, 5.0], [6.0, 1.0], [5.0, 5.0], [4.0, 1.0], [3.0, 5.0]];
    yield 'a comb' => [[[[0.0, 0.0], [9.0, 0.0], ...$teeth]]];
});

it('covers random stars with random holes', function (): void {
    mt_srand(5);
    for ($seed = 0; $seed < 40; $seed++) {
        $wild = static fn (float $least, float $most): callable => static fn (int $i): float => $least
            + ($most - $least) * mt_rand() / mt_getrandmax();
        $loops = [starLoop(0, 0, 40, $wild(60, 100))];
        // Holes in cells of their own, so that they do not meet.
        foreach ([[-20, -20], [20, -20], [20, 20], [-20, 20]] as [$x, $y]) {
            $loops[] = starLoop($x, $y, -mt_rand(3, 17), $wild(5, 17));
        }
        expectWholeTriangulation($loops);
    }
});

// Its first point is (0, −0.0), which has to be found in the cell of (0, 0).
it('covers the ring of a pipe end that was refused', function (): void {
    $outer = [
        [0.0, -0.0], [5.147092165310482, 1.023820287723197], [9.51058620695909, 3.939413793040899],
        [12.426179712276848, 8.302907834689563], [13.450000000000045, 13.450000000000045],
        [12.426179712276848, 18.597092165310528], [9.51058620695909, 22.960586206959192],
        [5.147092165310482, 25.876179712276894], [0, 26.90000000000009], [-5.147092165310482, 25.876179712276894],
        [-9.51058620695909, 22.960586206959192], [-12.426179712276848, 18.597092165310528],
        [-13.450000000000045, 13.450000000000045], [-12.426179712276848, 8.302907834689563],
        [-9.51058620695909, 3.939413793040899], [-5.147092165310482, 1.023820287723197],
    ];
    $inner = [
        [0, 2.300000000000068], [-5.574999999999989, 3.7938167478035894], [-9.656183252196456, 7.875],
        [-11.149999999999977, 13.450000000000045], [-9.656183252196456, 19.024999999999977],
        [-5.574999999999989, 23.1061832521965], [0, 24.600000000000023], [5.574999999999989, 23.1061832521965],
        [9.656183252196456, 19.02500000000009], [11.149999999999977, 13.450000000000045], [9.656183252196456, 7.875],
        [5.574999999999989, 3.7938167478035894],
    ];
    $at = [...$outer, ...$inner];
    $covered = 0.0;
    foreach (FlatTriangulation::of([$outer, $inner]) as [$a, $b, $c]) {
        $covered += (($at[$b][0] - $at[$a][0]) * ($at[$c][1] - $at[$a][1])
            - ($at[$b][1] - $at[$a][1]) * ($at[$c][0] - $at[$a][0])) / 2;
    }
    // Areas of a regular polygon: n/2·r²·sin(2π/n).
    expect(FlatTriangulation::of([$outer, $inner]))->toHaveCount(28)
        ->and($covered)->toEqualWithDelta(8 * 13.45 ** 2 * sin(M_PI / 8) - 6 * 11.15 ** 2 * sin(M_PI / 6), 1e-9);
});
