<?php

declare(strict_types=1);

use Bowline\Geometry\Vector;
use Bowline\Space\Chain;

/*
 * Distances of chains, against closed forms and brute force.
 */

/** @param  array<array-key, array<float|int>>  $points */
function chainOf(array $points): Chain
{
    return new Chain(array_values(array_map(
        static fn (array $at): Vector => new Vector(...array_map(floatval(...), $at)), $points,
    )), array_map(floatval(...), range(0, count($points) - 1)));
}

it('finds the nearest places of two straights', function (array $one, array $other, float $distance, array $at): void {
    $found = chainOf($one)->nearest(chainOf($other), INF);

    expect($found[0] ?? null)->toEqualWithDelta($distance, 1e-9)
        ->and(array_slice($found ?? [], 1))->toEqualWithDelta($at, 1e-9);
})->with([
    'skew' => [[[-10, 0, 0], [10, 0, 0]], [[0, -5, 7], [0, 15, 7]], 7.0, [0.5, 0.25]],
    'end to end' => [[[0, 0, 0], [10, 0, 0]], [[13, 4, 0], [20, 4, 0]], 5.0, [1.0, 0.0]],
    'end to middle' => [[[0, 0, 0], [10, 0, 0]], [[14, -3, 0], [14, 9, 0]], 4.0, [1.0, 0.25]],
    'crossing' => [[[-1, -1, 0], [1, 1, 0]], [[-1, 1, 0], [1, -1, 0]], 0.0, [0.5, 0.5]],
]);

it('is as far off a parallel straight, wherever that is told', function (): void {
    expect(chainOf([[0, 0, 0], [10, 0, 0]])->nearest(chainOf([[2, 3, 4], [30, 3, 4]]), INF)[0] ?? null)
        ->toEqualWithDelta(5.0, 1e-12);
});

it('finds nothing that is not nearer than told', function (): void {
    $one = chainOf([[0, 0, 0], [10, 0, 0]]);
    $other = chainOf([[0, 5, 0], [10, 5, 0]]);

    expect($one->nearest($other, 5.0))->toBeNull()->and($one->nearest($other, 5.001))->not->toBeNull();
});

function anyNumber(float $most): float
{
    return (2 * mt_rand() / mt_getrandmax() - 1) * $most;
}

/** @return list<list<float>> points of a walk */
function walk(int $count): array
{
    $at = [anyNumber(50), anyNumber(50), anyNumber(50)];
    $points = [$at];
    for ($i = 1; $i < $count; $i++) {
        $at = array_map(static fn (float $part): float => $part + anyNumber(6), $at);
        $points[] = $at;
    }

    return $points;
}

/** Returns the least distance of a point from places every hundredth of each straight. */
function sampled(array $points, array $point): float
{
    $least = INF;
    for ($i = 1; $i < count($points); $i++) {
        for ($k = 0; $k <= 100; $k++) {
            $square = 0.0;
            foreach ([0, 1, 2] as $axis) {
                $here = $points[$i - 1][$axis] + ($points[$i][$axis] - $points[$i - 1][$axis]) * $k / 100;
                $square += ($here - $point[$axis]) ** 2;
            }
            $least = min($least, $square);
        }
    }

    return sqrt($least);
}

it('is as near to a point as brute force finds', function (int $seed): void {
    mt_srand($seed);
    $points = walk(3 + $seed * 7);
    $chain = chainOf($points);
    for ($i = 0; $i < 12; $i++) {
        $point = [anyNumber(80), anyNumber(80), anyNumber(80)];
        $least = sampled($points, $point);
        [$distance, $along] = $chain->nearestTo(...$point);
        // Straights are 6·√3 long at most: a place is 0.052 off one that is sampled at most.
        expect($distance)->toBeLessThan($least + 1e-9)->toBeGreaterThan($least - 0.053);
        $at = (int) min(floor($along), count($points) - 2);
        $square = 0.0;
        foreach ([0, 1, 2] as $axis) {
            $square += ($points[$at][$axis] + ($points[$at + 1][$axis] - $points[$at][$axis]) * ($along - $at)
                - $point[$axis]) ** 2;
        }
        expect(sqrt($square))->toEqualWithDelta($distance, 1e-9);
    }
})->with(range(1, 8));

it('is as near to another as its nearest place is', function (int $seed): void {
    mt_srand(100 + $seed);
    [$one, $other] = [walk(40), walk(5 * $seed)];
    $found = chainOf($one)->nearest(chainOf($other), INF);
    $least = INF;
    $chain = chainOf($one);
    for ($i = 1; $i < count($other); $i++) {
        for ($k = 0; $k <= 100; $k++) {
            $point = array_map(
                static fn (int $axis): float => $other[$i - 1][$axis]
                    + ($other[$i][$axis] - $other[$i - 1][$axis]) * $k / 100,
                [0, 1, 2],
            );
            $least = min($least, $chain->nearestTo(...$point)[0]);
        }
    }

    expect($found[0] ?? INF)->toBeLessThan($least + 1e-9)->toBeGreaterThan($least - 0.053);
})->with(range(1, 8));
