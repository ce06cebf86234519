<?php

declare(strict_types=1);

use Bowline\Geometry\CoonsPatch;
use Bowline\Geometry\Vector;

/*
 * Patches within cubics, against surfaces whose points are known.
 */

/**
 * Four control points of the cubic along a quadratic function of a parameter.
 *
 * @param  Closure(float): Vector  $point
 * @return list<Vector>
 */
function quadraticSide(Closure $point): array
{
    // A quadratic through its values at 0, ½ and 1 has 2·b½ − (b0 + b1)/2 as its middle control point.
    [$start, $middle, $end] = [$point(0.0), $point(0.5), $point(1.0)];
    $control = $middle->times(2.0)->minus($start->plus($end)->times(0.5));

    return [
        $start, $start->times(1 / 3)->plus($control->times(2 / 3)), $end->times(1 / 3)->plus($control->times(2 / 3)),
        $end,
    ];
}

/** @param  Closure(float, float): Vector  $surface */
function patchOn(Closure $surface): CoonsPatch
{
    return CoonsPatch::within(
        quadraticSide(static fn (float $t): Vector => $surface($t, 0.0)),
        quadraticSide(static fn (float $t): Vector => $surface(1.0, $t)),
        quadraticSide(static fn (float $t): Vector => $surface($t, 1.0)),
        quadraticSide(static fn (float $t): Vector => $surface(0.0, $t)),
    );
}

it('is the surface itself where that is quadratic along each side', function (Closure $surface): void {
    $patch = patchOn($surface);
    foreach ([[0.0, 0.0], [0.3, 0.7], [0.5, 0.5], [1.0, 0.25]] as [$u, $v]) {
        expect($patch->at($u, $v)[0]->distanceTo($surface($u, $v)))->toBeLessThan(1e-12);
    }
})->with([
    'a twisted plane' => [static fn (float $u, float $v): Vector => new Vector($u, $v, 3 * $u * $v)],
    'a paraboloid' => [static fn (float $u, float $v): Vector => new Vector(2 * $u, $v, $u ** 2 - $v ** 2)],
    'a leaning cylinder of parabolas' => [
        static fn (float $u, float $v): Vector => new Vector($u + $v, $v, 5 * $u ** 2 + $v),
    ],
]);

it('lacks what its sides do not show, but for its middle', function (): void {
    // z = u(1 − u)v(1 − v): all sides are straight.
    $surface = static fn (float $u, float $v): Vector => new Vector($u, $v, $u * (1 - $u) * $v * (1 - $v));
    $flat = patchOn($surface);
    $patch = $flat->through($surface(0.5, 0.5));

    expect($flat->at(0.5, 0.5)[0]->z)->toEqualWithDelta(0.0, 1e-15);
    foreach ([[0.5, 0.5], [0.2, 0.6], [0.9, 0.1]] as [$u, $v]) {
        expect($patch->at($u, $v)[0]->distanceTo($surface($u, $v)))->toBeLessThan(1e-12);
    }
});

it('has its normal to the left of u as seen along it', function (): void {
    [, $normal] = patchOn(static fn (float $u, float $v): Vector => new Vector($u, $v, 2 * $u))->at(0.4, 0.6);

    expect($normal->toArray())->toEqualWithDelta([-2 / sqrt(5), 0.0, 1 / sqrt(5)], 1e-12);
});
