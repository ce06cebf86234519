<?php

declare(strict_types=1);

use Bowline\Curves\Spline;
use Bowline\Geometry\Vector;

/*
 * Parts of a smooth curve: there is one cubic spline with given knots, points and slopes at its ends, so a part that is
 * told by these is that part.
 */

/**
 * Random points on a way along x.
 *
 * @return non-empty-list<Vector>
 */
function wavy(int $seed): array
{
    mt_srand($seed);
    $number = static fn (float $low, float $high): float => $low + ($high - $low) * mt_rand() / mt_getrandmax();
    $points = [Vector::zero()];
    foreach (range(1, 5) as $i) {
        $points[] = new Vector(150.0 * $i, $number(-80, 80), $number(-80, 80));
    }

    return $points;
}

it('is divided anywhere into two parts that are what it was', function (int $seed): void {
    $points = wavy($seed);
    [$along, $into] = [new Vector(1.0, 0.0, 0.0), new Vector(0.0, 1.3, 0.0)];
    $whole = Spline::through($points, $along, $into);
    foreach ([0.07, 0.31, 0.5, 0.83, 0.98] as $share) {
        $at = $whole->length() * $share;
        $division = Spline::divided($points, $along, $into, [], [1.0, 1.0], $at);
        expect($division)->not->toBeNull();
        [$slope, $before, $behind] = $division ?? [Vector::zero(), 1.0, 1.0];
        $place = $whole->pointAt($at);
        $isBefore = static fn (Vector $point): bool => $whole->closestTo($point) < $at;
        $first = Spline::through(
            [...array_values(array_filter($points, $isBefore)), $place], $along, $slope, [], [1.0, $before],
        );
        $second = Spline::through(
            [$place, ...array_values(array_filter($points, static fn (Vector $one): bool => ! $isBefore($one)))],
            $slope, $into, [], [$behind, 1.0],
        );

        expect($first->length())->toEqualWithDelta($at, 1e-2)
            ->and($second->length())->toEqualWithDelta($whole->length() - $at, 1e-2);
        foreach ([0.2, 0.5, 0.8] as $part) {
            $off = $first->pointAt($first->length() * $part)->distanceTo($whole->pointAt($at * $part));
            expect($off)->toBeLessThan(0.02)
                ->and($second->pointAt($second->length() * $part)->distanceTo(
                    $whole->pointAt($at + ($whole->length() - $at) * $part),
                ))->toBeLessThan(0.02);
        }
    }
})->with(range(1, 8));

it('goes on with its derivative, which is as long as its chords say', function (): void {
    // A straight: every span counts its chord, so that it is gone along at 1.
    $points = [Vector::zero(), new Vector(100.0, 0.0, 0.0), new Vector(300.0, 0.0, 0.0)];
    $division = Spline::divided($points, null, null, [], [1.0, 1.0], 150.0);
    [$slope, $before, $behind] = $division ?? [Vector::zero(), 0.0, 0.0];

    expect($slope->toArray())->toEqualWithDelta([1, 0, 0], 1e-9)->and($before)->toEqualWithDelta(1.0, 1e-9)
        ->and($behind)->toEqualWithDelta(1.0, 1e-9)
        ->and(Spline::divided($points, null, null, [], [1.0, 1.0], 400.0))->toBeNull();
});

it('lies elsewhere where a span counts more', function (): void {
    $points = wavy(3);
    $usual = Spline::through($points, null, null);
    $more = Spline::through($points, null, null, [], [1.5, 1.0]);

    expect($more->length())->not->toEqualWithDelta($usual->length(), 1e-3)
        ->and($more->start()->distanceTo($usual->start()))->toBeLessThan(1e-9)
        ->and($more->end()->distanceTo($usual->end()))->toBeLessThan(1e-9);
});
