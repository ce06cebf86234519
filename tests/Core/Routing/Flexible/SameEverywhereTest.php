<?php

declare(strict_types=1);

use Bowline\Curves\Catenary;
use Bowline\Curves\Elastica;
use Bowline\Curves\LeadOff;
use Bowline\Curves\Spline;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;
use Bowline\Routing\Flexible\Bodies;
use Bowline\Routing\Flexible\DrapedEnd;
use Bowline\Routing\Flexible\Draping;
use Tests\Jobs;

/*
 * What must hold of any shape whatever its numbers: the same job a few metres on, turned about the plumb line, twice as
 * large or told from its other end gives the same shape, a few metres on, turned, twice as large, from its other end.
 */

/** How far two curves are apart at the worst of many places, the second carried back. */
function apart(Curve $one, Curve $other, callable $carried, float $scale = 1.0, bool $isReversed = false): float
{
    $worst = abs($one->length() - $other->length() / $scale);
    for ($i = 0; $i <= 40; $i++) {
        $along = $other->length() * ($isReversed ? 40 - $i : $i) / 40;
        $worst = max(
            $worst,
            $carried($one->pointAt(($one->length() * $i) / 40))->distanceTo($other->pointAt($along)) / $scale,
        );
    }

    return $worst;
}

/**
 * Two places, a direction out of the first and one into the second, and a length that reaches.
 *
 * @return array{Vector, Vector, Vector, Vector, float}
 */
function ends(int $seed): array
{
    mt_srand($seed);
    $random = static fn (float $size): Vector => new Vector(
        $size * Jobs::random(),
        $size * Jobs::random(),
        $size * Jobs::random(),
    );
    [$from, $to] = [$random(400), $random(400)];

    return [
        $from,
        $to,
        $random(1)->unit(),
        $random(1)->unit(),
        $from->distanceTo($to) * (1.1 + 0.5 * abs(Jobs::random())) + 60,
    ];
}

dataset('shapes', [
    'hanging' => [
        static fn (
            Vector $from,
            Vector $to,
            Vector $along,
            Vector $into,
            float $length,
            float $scale,
        ): Curve => Catenary::between($from, $to, new Vector(0, 0, 1), $length)->curve,
        1e-6,
    ],
    'sprung' => [
        static fn (
            Vector $from,
            Vector $to,
            Vector $along,
            Vector $into,
            float $length,
            float $scale,
        ): Curve => Elastica::between($from, $to, $along, $into, $length)[0]->curve,
        1e-3,
    ],
    'smooth' => [
        static fn (
            Vector $from,
            Vector $to,
            Vector $along,
            Vector $into,
            float $length,
            float $scale,
        ): Curve => Spline::through(
            [$from, $from->plus($to)->times(0.5)->plus(new Vector(0, 0, $length / 3)), $to],
            $along,
            $into,
        ),
        1e-3,
    ],
    'led off' => [
        static fn (
            Vector $from,
            Vector $to,
            Vector $along,
            Vector $into,
            float $length,
            float $scale,
        ): Curve => LeadOff::between($from, $along, $to, $into),
        1e-3,
    ],
    'draped' => [
        static fn (
            Vector $from,
            Vector $to,
            Vector $along,
            Vector $into,
            float $length,
            float $scale,
        ): Curve => Draping::between(
            DrapedEnd::clamped($from, $along),
            DrapedEnd::pinned($to),
            new Vector(0, 0, 1),
            $length + 200 * $scale,
            6 * $scale,
            40 * $scale,
            20 * $scale,
            new Bodies([]),
        ),
        1.0,
    ],
]);

it('is the same a few metres on and turned about the plumb line', function (Closure $shape, float $near): void {
    foreach ([3, 8] as $seed) {
        [$from, $to, $along, $into, $length] = ends($seed);
        $pose = Pose::turned(new Vector(2000, -1500, 700), new Vector(0, 0, 1), 1.234);
        $here = $shape($from, $to, $along, $into, $length, 1.0);
        $there = $shape(
            $pose->point($from),
            $pose->point($to),
            $pose->direction($along),
            $pose->direction($into),
            $length,
            1.0,
        );
        expect(apart($here, $there, $pose->point(...)))
            ->toBeLessThan($near)
            ->and($there->least)
            ->toEqualWithDelta($here->least, 0.01 * $here->least);
    }
})->with('shapes');

it('is twice as large when all is, and bends at twice the radius', function (Closure $shape, float $near): void {
    [$from, $to, $along, $into, $length] = ends(21);
    $here = $shape($from, $to, $along, $into, $length, 1.0);
    $large = $shape($from->times(2.0), $to->times(2.0), $along, $into, 2 * $length, 2.0);
    expect(apart($here, $large, static fn (Vector $point): Vector => $point->times(2.0), 2.0))->toBeLessThan($near)
        ->and($large->least)->toEqualWithDelta(2 * $here->least, 0.02 * $here->least);
})->with('shapes');

it('is the same told from its other end', function (Closure $shape, float $near): void {
    [$from, $to, $along, $into, $length] = ends(34);
    $here = $shape($from, $to, $along, $into, $length, 1.0);
    $back = $shape($to, $from, $into->times(-1.0), $along->times(-1.0), $length, 1.0);
    expect(apart($here, $back, static fn (Vector $point): Vector => $point, 1.0, true))->toBeLessThan($near);
})->with([
    'hanging' => [
        static fn (Vector $from, Vector $to, Vector $along, Vector $into, float $length): Curve => Catenary::between(
            $from,
            $to,
            new Vector(0, 0, 1),
            $length,
        )->curve,
        1e-6,
    ],
    'sprung' => [
        static fn (Vector $from, Vector $to, Vector $along, Vector $into, float $length): Curve => Elastica::between(
            $from,
            $to,
            $along,
            $into,
            $length,
        )[0]->curve,
        1e-3,
    ],
    'smooth' => [
        static fn (Vector $from, Vector $to, Vector $along, Vector $into, float $length): Curve => Spline::through(
            [$from, $from->plus($to)->times(0.5)->plus(new Vector(0, 0, $length / 3)), $to],
            $along,
            $into,
        ),
        0.1,
    ],
    'led off' => [
        static fn (Vector $from, Vector $to, Vector $along, Vector $into, float $length): Curve => LeadOff::between(
            $from,
            $along,
            $to,
            $into,
        ),
        0.1,
    ],
]);

it('weighs what it pulls: the pulls at its ends carry a hanging line', function (int $seed): void {
    [$from, $to, , , $length] = ends($seed);
    $catenary = Catenary::between($from, $to, new Vector(0, 0, 1), $length);
    $weight = 0.004;
    $directions = $catenary->curve->directions;
    $first = $directions[0]->times(-$catenary->pull($weight, $catenary->first));
    $last = $directions[count($directions) - 1]->times($catenary->pull($weight, $catenary->last));
    // Both together hold all of its weight up, and do not pull it sideways.
    expect($first->plus($last)->toArray())->toEqualWithDelta([0, 0, $weight * $length], 1e-6);
})->with([1, 4, 9]);
