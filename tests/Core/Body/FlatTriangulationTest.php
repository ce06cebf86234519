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
