<?php

declare(strict_types=1);

use Bowline\Body\Boundary\ArcCurve;
use Bowline\Body\Boundary\ConeSurface;
use Bowline\Body\Boundary\CubicChain;
use Bowline\Body\Boundary\CylinderSurface;
use Bowline\Body\Boundary\EdgeCurve;
use Bowline\Body\Boundary\LineCurve;
use Bowline\Body\Boundary\PlaneSurface;
use Bowline\Body\Boundary\SphereSurface;
use Bowline\Body\Boundary\SplineCurve;
use Bowline\Body\Boundary\TorusSurface;
use Bowline\Body\Frame;
use Bowline\Body\Motion\Motion;
use Bowline\Body\Motion\Rotation;
use Bowline\Body\Motion\SplineSweep;
use Bowline\Body\Motion\Translation;
use Bowline\Body\Profile;
use Bowline\Body\Quadrature;
use Bowline\Body\SolidBuilder;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Outline;
use Bowline\Geometry\OutlinePiece;
use Bowline\Geometry\Vector;

/*
 * What every curve, motion and outline of a boundary keeps, whatever its numbers.
 */

/** An arc of a circle of 60 as a curve, with a point a degree. */
function quarterCurve(): Curve
{
    $at = static fn (int $i): float => deg2rad($i);

    return new Curve(
        array_map(static fn (int $i): Vector => new Vector(60 * sin($at($i)), 0, 60 - 60 * cos($at($i))), range(0, 90)),
        array_map(static fn (int $i): Vector => new Vector(cos($at($i)), 0, sin($at($i))), range(0, 90)),
        array_map(static fn (int $i): float => 60 * $at($i), range(0, 90)),
        array_fill(0, 91, 1 / 60), 60.0, 0.0,
    );
}

/** @return array<string, EdgeCurve> */
function someCurves(): array
{
    $frame = Frame::of(new Vector(3, -2, 5), (new Vector(1, 2, 2))->unit(), Vector::zero());

    return [
        'a line' => new LineCurve(new Vector(1, 2, 3), new Vector(4, -6, 3)),
        'a quarter' => new ArcCurve($frame, 7.0, M_PI / 2),
        'an arc of five sixths' => new ArcCurve($frame, 7.0, 5 * M_PI / 3),
        'a circle' => new ArcCurve($frame, 7.0, 2 * M_PI),
        'a spline' => new SplineCurve(new CubicChain(
            [0.0, 0.3, 1.0],
            [new Vector(0, 0, 0), new Vector(5, 2, 0), new Vector(9, 9, 4)],
            [new Vector(12, 0, 0), new Vector(9, 9, 3), new Vector(0, 14, 9)],
        )),
    ];
}

/** @return array<string, array{Motion, Frame}> and the frame from which it carries */
function someMotions(): array
{
    $along = (new Vector(0.3, -0.5, 0.8))->unit();
    $frame = Frame::of(new Vector(20, -4, 7), $along, (new Vector(1, 2, 3))->squareTo($along));
    $centre = $frame->at->minus($frame->first->times(40.0));
    $curve = quarterCurve();
    $start = Frame::of($curve->start(), new Vector(1, 0, 0), new Vector(0, 1, 0));
    $rolls = array_map(static fn (int $i): float => $i / 90, range(0, 90));

    return [
        'straight on' => [new Translation($along->times(80.0)), $frame],
        'round an axis' => [
            new Rotation($centre, $frame->along->cross($frame->first)->times(-1.0), 1.2), $frame,
        ],
        'along a curve' => [SplineSweep::along($curve, $start, 6.0)[0], $start],
        'along a curve and rolled' => [SplineSweep::along($curve, $start, 6.0, $rolls)[0], $start],
    ];
}

it('has the derivative that its points have', function (string $which): void {
    $curve = someCurves()[$which];
    foreach ([0.05, 0.2, 0.5, 0.77, 0.95] as $t) {
        $difference = $curve->pointAt($t + 1e-6)->minus($curve->pointAt($t - 1e-6))->times(5e5);
        expect($curve->derivativeAt($t)->distanceTo($difference))->toBeLessThan(1e-4);
    }
})->with(array_keys(someCurves()));

it('lies within its hull, which is close round it', function (string $which): void {
    $curve = someCurves()[$which];
    foreach ([[1, 0, 0], [0, 1, 0], [0.3, -0.5, 0.8], [-1, 1, 0.2]] as $way) {
        $direction = (new Vector(...$way))->unit();
        $most = max(array_map(
            static fn (int $i): float => $curve->pointAt($i / 200)->dot($direction), range(0, 200),
        ));
        $hull = max(array_map(static fn (Vector $one): float => $one->dot($direction), $curve->hull()));
        expect($hull)->toBeGreaterThanOrEqual($most - 1e-9);
        if (! $curve instanceof SplineCurve) {
            expect($hull)->toBeLessThan($most + 0.01 * 7);
        }
    }
})->with(array_keys(someCurves()));

it('has as many pieces as its chords need, and no chord stands off more', function (string $which): void {
    $curve = someCurves()[$which];
    foreach ([0.5, 0.05, 0.005] as $tolerance) {
        $pieces = $curve->pieces(new Chord($tolerance));
        for ($i = 0; $i < $pieces; $i++) {
            [$from, $to] = [$curve->pointAt($i / $pieces), $curve->pointAt(($i + 1) / $pieces)];
            $middle = $curve->pointAt(($i + 0.5) / $pieces);
            $chord = $to->minus($from);
            $off = $middle->minus($from)->cross($chord)->length() / max(1e-9, $chord->length());
            expect($off)->toBeLessThan(1.001 * $tolerance);
        }
    }
})->with(array_keys(someCurves()));

it('integrates its length element and products of coordinates', function (string $which): void {
    // ∮ x² dy by the quadrature of the curve against a fine sum.
    $curve = someCurves()[$which];
    $sum = 0.0;
    foreach ($curve->quadrature() as [$t, $weight]) {
        $sum += $curve->pointAt($t)->x ** 2 * $curve->derivativeAt($t)->y * $weight;
    }
    $fine = 0.0;
    for ($i = 0; $i < 4000; $i++) {
        [$one, $two] = [$curve->pointAt($i / 4000), $curve->pointAt(($i + 1) / 4000)];
        $fine += (($one->x + $two->x) / 2) ** 2 * ($two->y - $one->y);
    }
    expect($sum)->toEqualWithDelta($fine, 2e-4 * max(1.0, abs($fine)));
})->with(array_keys(someCurves()));

it('moves points as its derivative says, begins at rest and ends in its frame', function (string $which): void {
    [$motion, $frame] = someMotions()[$which];
    $points = [$frame->at, $frame->pointAt(5, 0), $frame->pointAt(-2, 4)];
    foreach ($points as $point) {
        expect($motion->placeAt(0.0)->point($point)->distanceTo($point))->toBeLessThan(1e-9);
        foreach ([0.1, 0.45, 0.9] as $t) {
            $difference = $motion->placeAt($t + 1e-6)->point($point)
                ->minus($motion->placeAt($t - 1e-6)->point($point))
                ->times(5e5);
            expect($motion->velocityAt($t)->point($point)->distanceTo($difference))->toBeLessThan(1e-4)
                // The path of the point is where the motion takes it.
                ->and($motion->pathOf($point)->pointAt($t)->distanceTo($motion->placeAt($t)->point($point)))
                ->toBeLessThan(1e-9);
        }
    }
    $end = $motion->frameOf($frame);
    expect($motion->placeAt(1.0)->point($frame->pointAt(3, -1))->distanceTo($end->pointAt(3, -1)))
        ->toBeLessThan(1e-6)
        ->and($motion->divisions(new Chord(0.1), $points)[0])->toBe(0.0);
})->with(array_keys(someMotions()));

it('keeps distances while it carries, to its accuracy', function (string $which): void {
    [$motion, $frame] = someMotions()[$which];
    foreach ([0.2, 0.5, 0.8] as $t) {
        $place = $motion->placeAt($t);
        $apart = $place->point($frame->pointAt(5, 0))->distanceTo($place->point($frame->pointAt(-2, 4)));
        expect($apart)->toEqualWithDelta(hypot(7, 4), 2e-3);
    }
})->with(array_keys(someMotions()));

it('names the surface that each piece covers, with the normal that looks out', function (
    string $which,
    Outline $outline,
    array $kinds,
): void {
    [$motion, $frame] = someMotions()[$which];
    $builder = new SolidBuilder;
    $builder->sweep(Profile::of($outline, $frame), $motion);
    $found = [];
    foreach ($builder->faces() as $face) {
        $found[] = $face->surface::class;
        $patch = $face->patch ?? throw new LogicException;
        foreach ([[0.2, 0.3], [0.5, 0.5], [0.9, 0.7]] as [$s, $t]) {
            $outward = $face->normalAt($patch->pointAt($s, $t));
            expect($outward->dot($patch->areaAt($s, $t)->unit()))->toBeGreaterThan(1 - 1e-9);
        }
    }
    sort($found);
    sort($kinds);
    expect($found)->toBe($kinds);
})->with([
    'a bar straight on' => ['straight on', Outline::rectangle(8, 6), array_fill(0, 4, PlaneSurface::class)],
    'a round straight on' => ['straight on', Outline::circle(4), [CylinderSurface::class]],
    'a round bent' => ['round an axis', Outline::circle(4), [TorusSurface::class]],
    // Sides across the axis are planes, those along it cylinders.
    'a bar bent' => [
        'round an axis', Outline::rectangle(8, 6),
        [PlaneSurface::class, PlaneSurface::class, CylinderSurface::class, CylinderSurface::class],
    ],
    'a bar bent on its edge' => [
        'round an axis', Outline::rectangle(8, 6)->turned(0.4), array_fill(0, 4, ConeSurface::class),
    ],
    // A half circle whose centre is on the axis of the bend, 40 to the left of the path.
    'a half ball' => [
        'round an axis',
        new Outline([
            OutlinePiece::arc([-40.0, -5.0], [-40.0, 5.0], [-40.0, 0.0], M_PI),
            OutlinePiece::line([-40.0, 5.0], [-39.0, 0.0]), OutlinePiece::line([-39.0, 0.0], [-40.0, -5.0]),
        ]),
        [SphereSurface::class, ConeSurface::class, ConeSurface::class],
    ],
]);

it('has weights that add up, wherever', function (array $nodes): void {
    expect(array_sum(array_column($nodes, 1)))->toEqualWithDelta(1, 1e-12);
    foreach ($nodes as [$t]) {
        expect($t)->toBeGreaterThan(0.0)->toBeLessThan(1.0);
    }
})->with([
    [Quadrature::straight()], [Quadrature::arc(0.3)], [Quadrature::arc(4.0)], [Quadrature::arc(2 * M_PI)],
    [Quadrature::spline([0.0, 0.1, 0.7, 1.0])],
]);

it('has the same outline whichever way it is turned or gone round', function (Outline $outline): void {
    foreach ([0.3, M_PI / 2, -2.0] as $angle) {
        $turned = $outline->turned($angle);
        expect($turned->area())->toEqualWithDelta($outline->area(), 1e-9)
            ->and($turned->length())->toEqualWithDelta($outline->length(), 1e-9)
            ->and($turned->reach())->toEqualWithDelta($outline->reach(), 1e-9);
        foreach ([0.0, 1.0, 2.5] as $way) {
            expect($turned->extent(cos($way + $angle), sin($way + $angle)))
                ->toEqualWithDelta($outline->extent(cos($way), sin($way)), 1e-9);
        }
    }
    expect($outline->reversed()->area())->toEqualWithDelta(-$outline->area(), 1e-12)
        ->and($outline->reversed()->length())->toEqualWithDelta($outline->length(), 1e-12);
    // No point of it is farther than it reaches, and one is as far.
    $farthest = 0.0;
    foreach ($outline->pieces as $piece) {
        for ($i = 0; $i <= 400; $i++) {
            $farthest = max($farthest, hypot(...$piece->pointAt($i / 400)));
        }
    }
    expect($outline->reach())->toEqualWithDelta($farthest, 1e-3 * $farthest)
        ->toBeGreaterThanOrEqual($farthest - 1e-9);
})->with([
    'a circle aside' => [Outline::circle(3.0, [4.0, 1.0])],
    'a round corner' => [Outline::rectangle(9.0, 5.0, 2.0)],
    'a D' => [new Outline([
        OutlinePiece::line([-4.0, -3.0], [2.0, -3.0]), OutlinePiece::through([2.0, -3.0], [5.0, 0.0], [2.0, 3.0]),
        OutlinePiece::line([2.0, 3.0], [-4.0, 3.0]), OutlinePiece::line([-4.0, 3.0], [-4.0, -3.0]),
    ])],
]);

it('draws the arc through three points, whichever way round', function (array $through, float $sweep): void {
    /** @var array{float, float} $through */
    $piece = OutlinePiece::through([5.0, 0.0], $through, [0.0, 5.0]);
    expect($piece->sweep)->toEqualWithDelta($sweep, 1e-12)
        ->and($piece->radius())->toEqualWithDelta(5.0, 1e-12)
        ->and($piece->centre)->toEqualWithDelta([0.0, 0.0], 1e-12);
})->with([
    'a quarter' => [[5 * M_SQRT1_2, 5 * M_SQRT1_2], M_PI / 2],
    'the other way round' => [[-5 * M_SQRT1_2, -5 * M_SQRT1_2], -3 * M_PI / 2],
]);

it('takes three points in a line for a straight', function (): void {
    expect(OutlinePiece::through([0.0, 0.0], [1.0, 1.0], [3.0, 3.0])->centre)->toBeNull();
});
