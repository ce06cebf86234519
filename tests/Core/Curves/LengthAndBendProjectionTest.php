<?php

declare(strict_types=1);

use Bowline\Curves\LengthAndBendProjection;
use Bowline\Geometry\Vector;
use Tests\Jobs;

/**
 * @param  list<list<float>>  $nodes
 * @return array{list<float>, list<float>, list<float>, list<float>} a chain in parts, free but for what is told
 */
function chain(array $nodes, array $held): array
{
    return [
        array_column($nodes, 0), array_column($nodes, 1), array_column($nodes, 2),
        array_map(static fn (int $i): float => in_array($i, $held, true) ? 0.0 : 1.0, array_keys($nodes)),
    ];
}

/**
 * By how much a link is off at most, mm, and the least radius of three nodes in a row: link²/|p₋ − 2p + p₊|.
 *
 * @return array{float, float}
 */
function evenness(array $x, array $y, array $z, float $link): array
{
    $at = static fn (int $i): Vector => new Vector($x[$i], $y[$i], $z[$i]);
    $off = $most = 0.0;
    for ($i = 1; $i < count($x); $i++) {
        $off = max($off, abs($at($i)->distanceTo($at($i - 1)) - $link));
        $most =
            $i + 1 < count($x)
                ? max(
                    $most,
                    $at($i - 1)
                        ->plus($at($i + 1))
                        ->minus($at($i)->times(2.0))
                        ->length(),
                )
                : $most;
    }

    return [$off, $most > 0.0 ? $link ** 2 / $most : INF];
}

it('brings links to their length and bends to their radius together', function (int $seed): void {
    mt_srand($seed);
    // A quarter turn of radius 45 and a straight after it, shaken by a millimetre, to be of 60: both ends held.
    $nodes = [];
    for ($i = 0; $i <= 30; $i++) {
        $angle = min(M_PI / 2, 15 * $i / 45);
        $straight = max(0.0, 15 * $i - 45 * M_PI / 2);
        $nodes[] = [
            45 * sin($angle) + Jobs::random(),
            45 * (1 - cos($angle)) + $straight + Jobs::random(),
            Jobs::random(),
        ];
    }
    [$x, $y, $z, $free] = chain($nodes, [0, 30]);
    $link = 15.6;
    for ($round = 0; $round < 60; $round++) {
        [$x, $y, $z] = LengthAndBendProjection::of($x, $y, $z, $free, $link, 60.0, 62.0);
    }
    [$off, $radius] = evenness($x, $y, $z, $link);
    expect($off)->toBeLessThan(1e-3)->and($radius)->toBeGreaterThan(61.9)
        // What is held has not moved.
        ->and([$x[0], $y[0], $z[0]])->toBe($nodes[0])->and([$x[30], $y[30], $z[30]])->toBe($nodes[30]);
})->with([1, 2, 3, 4, 5]);

it('leaves alone what is even and wide enough', function (): void {
    $nodes = array_map(static fn (int $i): array => [100 * cos(0.1 * $i), 100 * sin(0.1 * $i), 0.0], range(0, 20));
    [$x, $y, $z, $free] = chain($nodes, [0, 20]);
    $link = 200 * sin(0.05);
    [$u, $v, $w] = LengthAndBendProjection::of($x, $y, $z, $free, $link, 60.0, 62.0);
    expect($u)->toEqualWithDelta($x, 1e-9)->and($v)->toEqualWithDelta($y, 1e-9)->and($w)->toEqualWithDelta($z, 1e-9);
});
