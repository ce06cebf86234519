<?php

declare(strict_types=1);

use Bowline\Body\Boundary\ArcCurve;
use Bowline\Body\Boundary\CylinderSurface;
use Bowline\Body\Boundary\EllipseCurve;
use Bowline\Body\Boundary\LineCurve;
use Bowline\Body\Frame;
use Bowline\Body\Motion\PlaneProjection;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Vector;

/* What becomes of a section where a tube is cut off at a slant: circles become ellipses, straights stay straight. */

/** The ellipse of a circle of radius r about the z axis on a plane that leans by some degrees about y. */
function slanted(float $radius, float $degrees, float $angle = 2 * M_PI): EllipseCurve
{
    $normal = new Vector(-sin(deg2rad($degrees)), 0.0, cos(deg2rad($degrees)));
    $circle = new ArcCurve(
        Frame::of(Vector::zero(), new Vector(0.0, 0.0, 1.0), new Vector(1.0, 0.0, 0.0)), $radius, $angle,
    );
    $carried = (new PlaneProjection(new Vector(0.0, 0.0, 1.0), new Vector(0.0, 0.0, 10.0), $normal))->carried($circle);
    assert($carried instanceof EllipseCurve);

    return $carried;
}

it('has half axes r and r / cos of the slant', function (float $degrees): void {
    [$frame, $major, $minor] = slanted(5.0, $degrees)->axes();
    $cosine = cos(deg2rad($degrees));

    expect($major)->toEqualWithDelta(5.0 / $cosine, 1e-9)
        ->and($minor)->toEqualWithDelta(5.0, 1e-9)
        ->and($frame->at->toArray())->toEqualWithDelta([0, 0, 10], 1e-12)
        // Right-handed about the way of the edge, which is that of the circle.
        ->and($frame->along->z)->toEqualWithDelta($cosine, 1e-12);
})->with([0.0, 10.0, 30.0, 45.0, 60.0, 80.0, 89.0]);

it('lies on the plane and on the cylinder, all round', function (float $degrees): void {
    $ellipse = slanted(5.0, $degrees, 1.7 * M_PI);
    for ($i = 0; $i <= 40; $i++) {
        $at = $ellipse->pointAt($i / 40);
        expect(hypot($at->x, $at->y))->toEqualWithDelta(5.0, 1e-9)
            ->and($at->z)->toEqualWithDelta(10.0 + $at->x * tan(deg2rad($degrees)), 1e-9);
    }
})->with([0.0, 30.0, 75.0]);

it('is told by any two conjugate half diameters', function (float $turn): void {
    // x = 6 cos t, y = 2 sin t, begun at a turn.
    $ellipse = new EllipseCurve(
        Vector::zero(), new Vector(6 * cos($turn), 2 * sin($turn), 0.0),
        new Vector(-6 * sin($turn), 2 * cos($turn), 0.0), 2 * M_PI,
    );
    [$frame, $major, $minor] = $ellipse->axes();

    expect([$major, $minor])->toEqualWithDelta([6.0, 2.0], 1e-9)
        ->and(abs($frame->first->x))->toEqualWithDelta(1.0, 1e-9);
})->with([0.0, 0.3, 1.0, M_PI / 2, 2.5, -1.2]);

it('has as many chords as its tolerance asks for', function (float $degrees, float $chord): void {
    $ellipse = slanted(5.0, $degrees);
    $count = $ellipse->pieces(new Chord($chord));
    $off = 0.0;
    for ($i = 0; $i < $count; $i++) {
        [$a, $b] = [$ellipse->pointAt($i / $count), $ellipse->pointAt(($i + 1) / $count)];
        $way = $b->minus($a)->unit();
        for ($k = 1; $k < 20; $k++) {
            $on = $ellipse->pointAt(($i + $k / 20) / $count)->minus($a);
            $off = max($off, $on->minus($way->times($on->dot($way)))->length());
        }
    }

    expect($off)->toBeLessThan($chord * 1.001)->and($count % 4)->toBe(0);
})->with([[0.0, 0.1], [45.0, 0.1], [80.0, 0.1], [60.0, 0.01]]);

it('has the area of an ellipse, by Green along it', function (): void {
    $ellipse = slanted(5.0, 60.0);
    $area = Vector::zero();
    foreach ($ellipse->quadrature() as [$t, $weight]) {
        $area = $area->plus($ellipse->pointAt($t)->cross($ellipse->derivativeAt($t))->times($weight / 2));
    }

    // Seen along the tube it is the circle; along the plane it is π · 5 · 10 large.
    expect(abs($area->z))->toEqualWithDelta(25 * M_PI, 1e-9)
        ->and($ellipse->axes()[1] * $ellipse->axes()[2] * M_PI)->toEqualWithDelta(50 * M_PI, 1e-9);
});

it('is held by its hull, and moves with what it is on', function (): void {
    $ellipse = slanted(5.0, 60.0, 1.3);
    $moved = $ellipse->moved(static fn (Vector $at): Vector => new Vector(-$at->y, $at->x, $at->z + 7.0));
    $farthest = max(array_map(static fn (Vector $at): float => $at->x, $ellipse->hull()));

    for ($i = 0; $i <= 20; $i++) {
        $at = $ellipse->pointAt($i / 20);
        expect($farthest)->toBeGreaterThanOrEqual($at->x - 1e-12)
            ->and($moved->pointAt($i / 20)->toArray())->toEqualWithDelta([-$at->y, $at->x, $at->z + 7.0], 1e-12);
    }
});

it('carries a straight to the plane, and covers a cylinder', function (): void {
    $onto = new PlaneProjection(
        new Vector(0.0, 0.0, 1.0), new Vector(0.0, 0.0, 10.0), (new Vector(-1.0, 0.0, 1.0))->unit(),
    );
    $line = $onto->carried(new LineCurve(new Vector(2.0, 0.0, 0.0), new Vector(2.0, 5.0, 3.0)));
    $circle = new ArcCurve(Frame::of(Vector::zero(), new Vector(0.0, 0.0, 1.0), Vector::zero()), 4.0, 2 * M_PI);

    expect($line->pointAt(0.0)->toArray())->toEqualWithDelta([2, 0, 12], 1e-12)
        ->and($line->pointAt(1.0)->toArray())->toEqualWithDelta([2, 5, 12], 1e-12)
        ->and($onto->distanceOf(new Vector(2.0, 5.0, 3.0)))->toEqualWithDelta(9.0, 1e-12)
        ->and($onto->distanceOf(new Vector(0.0, 0.0, 14.0)))->toEqualWithDelta(-4.0, 1e-12)
        ->and($onto->surfaceOf($circle))->toBeInstanceOf(CylinderSurface::class)
        ->and($onto->isStraight())->toBeTrue()
        // Halfway there.
        ->and($onto->placeAt(0.5)->point(new Vector(2.0, 0.0, 0.0))->toArray())->toEqualWithDelta([2, 0, 6], 1e-12)
        ->and($onto->pathOf(new Vector(2.0, 0.0, 0.0))->pointAt(1.0)->z)->toEqualWithDelta(12.0, 1e-12)
        // As fast for all that are as far.
        ->and($onto->velocityAt(0.3)->point(new Vector(2.0, 1.0, 0.0))->toArray())->toEqualWithDelta([0, 0, 12], 1e-12);
});
