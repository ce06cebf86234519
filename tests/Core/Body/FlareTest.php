<?php

declare(strict_types=1);

use Bowline\Body\Boundary\ConeSurface;
use Bowline\Body\Boundary\CylinderSurface;
use Bowline\Body\Boundary\EdgeCurve;
use Bowline\Body\Boundary\SphereSurface;
use Bowline\Body\Boundary\TorusSurface;
use Bowline\Body\Frame;
use Bowline\Body\Motion\Flare;
use Bowline\Body\Profile;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Outline;
use Bowline\Geometry\Vector;

/*
 * Necks, knuckles, domes and reducers: circles that widen or narrow along their axis. The axis here is z through
 * (5, −3, 10), so that heights are from 10 on.
 */

function axisFrame(): Frame
{
    return Frame::of(new Vector(5, -3, 10), new Vector(0, 0, 1), new Vector(1, 0, 0));
}

/** A point of the circle that the flare begins with. */
function onRim(float $radius, float $angle): Vector
{
    return new Vector(5 + $radius * cos($angle), -3 + $radius * sin($angle), 10);
}

/** The circle that a flare begins with. */
function circleOf(float $radius): EdgeCurve
{
    return Profile::of(Outline::circle($radius), axisFrame())->loop[0]->edge->curve;
}

/** @return array{float, float} radius about the axis, and height from the start */
function radiusAndHeight(Vector $point): array
{
    return [hypot($point->x - 5, $point->y + 3), $point->z - 10];
}

/** Flares with a point of the circle they begin with, the radius at the end and the rise. */
dataset('flares', [
    'a cone that widens' => [fn (): Flare => Flare::cone(axisFrame(), 20, 35, 40), 20, 35, 40],
    'a cone that narrows' => [fn (): Flare => Flare::cone(axisFrame(), 35, 20, 40), 35, 20, 40],
    'a straight hub' => [fn (): Flare => Flare::cone(axisFrame(), 20, 20, 12), 20, 20, 12],
    // A quarter round a centre 8 outside of the tube: 8 farther out, and 8 up.
    'a fillet' => [fn (): Flare => Flare::round(axisFrame(), 20, 28, 0, -M_PI / 2), 20, 28, 8],
    // A quarter inwards round a centre 6 within: 6 nearer, and 6 up.
    'a knuckle' => [fn (): Flare => Flare::round(axisFrame(), 20, 14, 0, M_PI / 2), 20, 14, 6],
    'a dome' => [fn (): Flare => Flare::round(axisFrame(), 20, 0, 0, M_PI / 2), 20, 0, 20],
    // 30° of a sphere of 20: 20 cos 30°, 20 sin 30°.
    'a part of a dome' => [
        fn (): Flare => Flare::round(axisFrame(), 20, 0, 0, M_PI / 6), 20, 20 * cos(M_PI / 6), 10,
    ],
]);

it('goes from circle to circle', function (Flare $flare, float $from, float $to, float $rise): void {
    $ends = [
        radiusAndHeight($flare->placeAt(0.0)->point(onRim($from, 1.1))),
        radiusAndHeight($flare->placeAt(1.0)->point(onRim($from, 1.1))),
    ];
    expect($ends[0])->toEqualWithDelta([$from, 0], 1e-9)
        ->and($ends[1])->toEqualWithDelta([$to, $rise], 1e-9)
        ->and($flare->endRadius())->toEqualWithDelta($to, 1e-9)
        ->and($flare->endFrame()->at->toArray())->toEqualWithDelta([5, -3, 10 + $rise], 1e-9)
        ->and($flare->frameOf(axisFrame())->at->toArray())->toEqualWithDelta([5, -3, 10 + $rise], 1e-9);
})->with('flares');

it('carries a point along the path that it tells of', function (Flare $flare, float $from): void {
    $path = $flare->pathOf(onRim($from, 2.2));
    foreach ([0.0, 0.25, 0.5, 0.75, 1.0] as $t) {
        expect($path->pointAt($t)->distanceTo($flare->placeAt($t)->point(onRim($from, 2.2))))->toBeLessThan(1e-9);
    }
})->with('flares');

it('has the velocity that its places tell of', function (Flare $flare, float $from): void {
    $step = 1e-5;
    $point = onRim($from, -0.4);
    foreach ([0.1, 0.5, 0.9] as $t) {
        $numeric = $flare->placeAt($t + $step)->point($point)
            ->minus($flare->placeAt($t - $step)->point($point))->times(0.5 / $step);
        expect($flare->velocityAt($t)->point($point)->distanceTo($numeric))->toBeLessThan(1e-6);
    }
})->with('flares');

it('lies on a surface whose normal is square to the way that its points go', function (
    Flare $flare,
    float $from,
): void {
    $surface = $flare->surfaceOf(circleOf($from));
    foreach ([0.05, 0.4, 0.8] as $t) {
        foreach ([0.3, 2.0, 4.4] as $angle) {
            $start = onRim($from, $angle);
            $normal = $surface->normalAt($flare->placeAt($t)->point($start));
            $way = $flare->velocityAt($t)->point($start)->unit();
            $round = new Vector(-sin($angle), cos($angle), 0);
            expect(abs($normal->dot($way)))->toBeLessThan(1e-9)
                ->and(abs($normal->dot($round)))->toBeLessThan(1e-9)
                ->and($normal->length())->toEqualWithDelta(1, 1e-9);
        }
    }
})->with('flares');

it('is made of the plainest surface that it lies on', function (Flare $flare, string $surface): void {
    expect($flare->surfaceOf(circleOf(20))::class)->toBe($surface);
})->with([
    'a cone' => [fn (): Flare => Flare::cone(axisFrame(), 20, 35, 40), ConeSurface::class],
    'a hub' => [fn (): Flare => Flare::cone(axisFrame(), 20, 20, 12), CylinderSurface::class],
    'a fillet' => [fn (): Flare => Flare::round(axisFrame(), 20, 28, 0, -M_PI / 2), TorusSurface::class],
    'a dome' => [fn (): Flare => Flare::round(axisFrame(), 20, 0, 0, M_PI / 2), SphereSurface::class],
]);

it('is divided so that no chord of its meridian stands off by more than is allowed', function (
    Flare $flare,
    float $from,
): void {
    foreach ([1.0, 0.1, 0.01] as $tolerance) {
        $parts = $flare->divisions(new Chord($tolerance), []);
        expect([$parts[0], end($parts)])->toEqual([0.0, 1.0]);
        foreach (array_slice($parts, 0, -1) as $i => $t) {
            $next = $parts[$i + 1];
            $at = static fn (float $t): Vector => $flare->placeAt($t)->point(onRim($from, 0.0));
            $middle = $at($t)->plus($at($next))->times(0.5);
            expect($middle->distanceTo($at(($t + $next) / 2)))->toBeLessThan($tolerance + 1e-9);
        }
    }
})->with('flares');
