<?php

declare(strict_types=1);

use Bowline\Curves\Catenary;
use Bowline\Geometry\Arc;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\Segment;
use Bowline\Geometry\SegmentPart;
use Bowline\Geometry\Vector;
use Tests\Jobs;
use Tests\Limits;

/*
 * What holds of every kind of segment: its places, directions, lengths and curvatures say the same of it, and turning
 * it round changes nothing but the way it is travelled.
 */

/** An arc of R 50 about an axis that is askew, through so many degrees. */
function arcOf(float $degrees): Arc
{
    $normal = (new Vector(1, -2, 2))->unit();
    [$centre, $out] = [new Vector(10, 20, 30), $normal->anySquare()];
    $angle = deg2rad($degrees);

    return new Arc(
        $centre->plus($out->times(50)),
        $centre->plus($out->turnedAbout($normal, $angle)->times(50)),
        $centre,
        $normal,
        50,
        $angle,
    );
}

/** Three turns of a helix of radius 40 and pitch 100, from its formula at every degree. */
function helixCurve(): Curve
{
    $rise = 100 / (2 * M_PI);
    $speed = hypot(40, $rise);
    $points = $directions = $along = $curvature = [];
    for ($degree = 0; $degree <= 1080; $degree++) {
        $t = deg2rad($degree);
        $points[] = new Vector(40 * cos($t), 40 * sin($t), $rise * $t);
        $directions[] = (new Vector(-40 * sin($t), 40 * cos($t), $rise))->times(1 / $speed);
        $along[] = $speed * $t;
        $curvature[] = 40 / $speed ** 2;
    }

    return new Curve($points, $directions, $along, $curvature, $speed ** 2 / 40, 0.0);
}

/**
 * Segment, length, smallest radius and all that it turns, in closed form, and how far its numbers may be off.
 *
 * @return array<string, array{Segment, float, float, float, float}>
 */
function segmentsOfEveryKind(): array
{
    $speed = hypot(40, 100 / (2 * M_PI));
    // Of 700 over a level 500: its direction at the ends is asinh of half its length over its parameter.
    $a = Limits::catenaryParameter(500, 700);
    $hanging = Catenary::between(new Vector(0, 0, 0), new Vector(300, 400, 0), new Vector(0, 0, 1), 700)->curve;

    return [
        'a line' => [new Line(new Vector(1, 2, 3), new Vector(31, 42, 123)), 130.0, INF, 0.0, 1e-9],
        'a quarter' => [arcOf(90), 25 * M_PI, 50.0, M_PI / 2, 1e-9],
        'a slight bend' => [arcOf(2), 50 * deg2rad(2), 50.0, deg2rad(2), 1e-9],
        'a bend nearly back' => [arcOf(179), 50 * deg2rad(179), 50.0, deg2rad(179), 1e-9],
        'a helix' => [helixCurve(), 6 * M_PI * $speed, $speed ** 2 / 40, 6 * M_PI * 40 / $speed, 1e-4],
        'a catenary' => [$hanging, 700.0, $a, 2 * atan(350 / $a), 2e-3],
    ];
}

it('is as long, as tight and turns as much as it is', function (
    Segment $segment,
    float $length,
    float $radius,
    float $turning,
    float $off,
): void {
    expect($segment->length())->toEqualWithDelta($length, $off)
        ->and($segment->turning())->toEqualWithDelta($turning, 1e-3 * $off + 1e-4 * $turning)
        ->and($segment->pointAt(0)->distanceTo($segment->start()))->toBeLessThan(1e-9)
        ->and($segment->pointAt($segment->length())->distanceTo($segment->end()))->toBeLessThan(1e-9);
    is_infinite($radius)
        ? expect($segment->leastRadius())->toBe(INF)
        : expect($segment->leastRadius())->toEqualWithDelta($radius, 1e-3 * $radius);
})->with(segmentsOfEveryKind());

it('goes the way its places go, as far as it says', function (Segment $segment, float $length): void {
    $step = $length / 4000;
    for ($k = 1; $k < 20; $k++) {
        $along = ($length * $k) / 20;
        $way = $segment->pointAt($along + $step)->minus($segment->pointAt($along - $step));
        // A chord of two steps is short of the arc by a share of (step/R)²/6.
        expect($way->length())->toEqualWithDelta(2 * $step, 2e-4 * $step)
            ->and($way->unit()->distanceTo($segment->directionAt($along)))->toBeLessThan(2e-3)
            ->and($segment->directionAt($along)->length())->toEqualWithDelta(1, 1e-9);
    }
})->with(segmentsOfEveryKind());

it('bends towards where its direction turns to', function (Segment $segment, float $length): void {
    $step = $length / 2000;
    for ($k = 1; $k < 10; $k++) {
        $along = ($length * $k) / 10;
        $bending = $segment->bendingAt($along);
        if ($bending === null) {
            // A curve knows it at its points alone.
            expect($segment->curve())->not->toBeNull();

            continue;
        }
        $turned = $segment->directionAt($along + $step)->minus($segment->directionAt($along - $step));
        expect($turned->times(1 / (2 * $step))->distanceTo($bending))->toBeLessThan(1e-6)
            ->and(abs($bending->dot($segment->directionAt($along))))->toBeLessThan(1e-12);
    }
})->with(segmentsOfEveryKind());

it('lies in its box, which is little wider than all of its places together', function (
    Segment $segment,
    float $length,
): void {
    $box = $segment->bounds();
    $places = array_map(static fn (int $i): Vector => $segment->pointAt($length * $i / 500), range(0, 500));
    foreach ($places as $place) {
        expect($box->distanceTo($place))->toBeLessThan(1e-9);
    }
    foreach (['x', 'y', 'z'] as $axis) {
        $along = array_map(static fn (Vector $one): float => $one->{$axis}, $places);
        expect($box->high->{$axis} - $box->low->{$axis})->toBeLessThan(max($along) - min($along) + 0.1 * $length);
    }
})->with(segmentsOfEveryKind());

it('is the same travelled the other way', function (Segment $segment, float $length): void {
    $back = $segment->reversed();
    expect($back->length())->toEqualWithDelta($segment->length(), 1e-9)
        ->and($back->leastRadius())->toEqual($segment->leastRadius())
        ->and($back->turning())->toEqualWithDelta($segment->turning(), 1e-9);
    for ($k = 0; $k <= 20; $k++) {
        $along = ($segment->length() * $k) / 20;
        expect($back->pointAt($segment->length() - $along)->distanceTo($segment->pointAt($along)))->toBeLessThan(1e-6)
            ->and(
                $back->directionAt($segment->length() - $along)->plus($segment->directionAt($along))->length(),
            )->toBeLessThan(1e-6);
    }
    $twice = $back->reversed();
    expect($twice->start()->distanceTo($segment->start()))->toBeLessThan(1e-12)
        ->and($twice->end()->distanceTo($segment->end()))->toBeLessThan(1e-12);
})->with(segmentsOfEveryKind());

it('finds the nearest place, as brute force does', function (Segment $segment, float $length): void {
    mt_srand(11);
    $middle = $segment->pointAt($length / 2);
    for ($i = 0; $i < 25; $i++) {
        $point = $middle->plus(new Vector(90 * Jobs::random(), 90 * Jobs::random(), 90 * Jobs::random()));
        $nearest = INF;
        for ($k = 0; $k <= 4000; $k++) {
            $nearest = min($nearest, $segment->pointAt(($segment->length() * $k) / 4000)->distanceTo($point));
        }
        $along = $segment->closestTo($point);
        expect($along)->toBeGreaterThanOrEqual(0.0)
            ->toBeLessThanOrEqual($segment->length() + 1e-9)
            // Nothing of 4000 places is nearer.
            ->and($segment->pointAt($along)->distanceTo($point))->toBeLessThan($nearest + 1e-3);
    }
})->with(segmentsOfEveryKind());

it('stands off its chords by no more than told, and starts where it does not say', function (
    Segment $segment,
    float $length,
    float $radius,
): void {
    foreach ([1.0, 0.1, 0.01] as $told) {
        $chord = new Chord($told);
        $places = $segment->places($chord);
        $points = $segment->points($chord);
        expect(count($points))->toBe(count($places))
            ->and((float) count($places))->toBeLessThanOrEqual($segment->countPlaces($chord) + 1e-9)
            ->and(end($places))->toEqualWithDelta($segment->length(), 1e-9)
            ->and(end($points)->distanceTo($segment->end()))->toBeLessThan(1e-9);
        [$before, $from] = [0.0, $segment->start()];
        foreach ($places as $index => $place) {
            expect($place)->toBeGreaterThan($before);
            $to = $points[$index];
            for ($part = 1; $part < 8; $part++) {
                $at = $segment->pointAt($before + (($place - $before) * $part) / 8);
                $off = $at->minus($from)->cross($to->minus($from)->unit())->length();
                expect($off)->toBeLessThan($told * 1.01 + 1e-9);
            }
            [$before, $from] = [$place, $to];
        }
    }
    // A straight has no more than its end.
    if (is_infinite($radius)) {
        expect($segment->places(new Chord(0.001)))->toHaveCount(1);
    }
})->with(segmentsOfEveryKind());

it('carries a direction along without turning it about itself', function (Segment $segment, float $length): void {
    $square = $segment->directionAt(0)->anySquare();
    $beside = $segment->directionAt(0)->cross($square);
    for ($k = 0; $k <= 10; $k++) {
        $along = ($segment->length() * $k) / 10;
        [$one, $other] = [$segment->carried($square, $along), $segment->carried($beside, $along)];
        $direction = $segment->directionAt($along);
        expect($one->length())->toEqualWithDelta(1, 1e-6)
            // It stays square to the way, and to what was carried beside it, on the same side.
            ->and(abs($one->dot($direction)))->toBeLessThan(1e-9)
            ->and($direction->cross($one)->distanceTo($other))->toBeLessThan(1e-9);
    }
})->with(segmentsOfEveryKind());

it('turns a carried direction about a helix by what its torsion is', function (): void {
    // Parallel transport turns against the Frenet frame by −∫τ ds, τ = c/(r² + c²). Its tangents lie on a circle of the
    // unit sphere; arcs of great circles between them, α apart, enclose less than that circle by α³/12·sin²ρ·cos ρ
    // each, ρ its radius: less than α³/12.
    $steps = deg2rad(1) ** 3 / 12 * 1080;
    $helix = helixCurve();
    $rise = 100 / (2 * M_PI);
    $torsion = $rise / (40 ** 2 + $rise ** 2);
    // The principal normal of a helix points to its axis.
    $inward = new Vector(-1, 0, 0);
    $carried = $helix->carried($inward, $helix->length());
    $end = $helix->directionAt($helix->length());
    $expected = $inward->turnedAbout($end, -$torsion * $helix->length());
    expect($carried->distanceTo($expected))->toBeLessThan($steps);
});

it('is one path of several, wherever a place falls', function (): void {
    $quarter = arcOf(90);
    $out = $quarter->directionAt($quarter->length());
    $in = $quarter->directionAt(0);
    $path = new Path([
        new Line($quarter->from->minus($in->times(70)), $quarter->from),
        $quarter,
        new Line($quarter->to, $quarter->to->plus($out->times(30))),
    ]);
    $length = 100 + 25 * M_PI;
    expect($path->length)->toEqualWithDelta($length, 1e-9)->and($path->leastRadius())->toEqual(50);
    $back = $path->reversed();
    foreach ([0, 35, 70, 70 + 12 * M_PI, 70 + 25 * M_PI, $length - 1, $length] as $along) {
        $point = $path->pointAt($along);
        expect($path->closestTo($point))->toEqualWithDelta($along, 1e-6)
            ->and($back->pointAt($length - $along)->distanceTo($point))->toBeLessThan(1e-9)
            ->and($back->directionAt($length - $along)->plus($path->directionAt($along))->length())->toBeLessThan(1e-9);
    }
    // In the plane of the bend, a point beside the first leg is nearest to that.
    $beside = $path->pointAt(20)->plus($quarter->normal->times(7));
    expect($path->closestTo($beside))->toEqualWithDelta(20, 1e-9)
        ->and($path->points(new Chord(0.1)))->not->toBe([])
        ->and($path->curves())->toBe([]);
});

it('is divided in parts no longer than a step', function (float $step, int $least, int $most, int $parts): void {
    $path = new Path([new Line(new Vector(0.0, 0.0, 0.0), new Vector(100.0, 0.0, 0.0))]);
    expect($path->parts($step, $least, $most))->toBe($parts);
})->with([[30, 1, 99, 4], [25, 1, 99, 4], [30, 8, 99, 8], [1, 1, 40, 40], [1000, 1, 40, 1]]);

it('has parts that go where it goes', function (
    Segment $segment,
    float $length,
    float $radius,
    float $turn,
    float $accuracy,
): void {
    [$from, $to] = [0.21 * $segment->length(), 0.83 * $segment->length()];
    [$part] = SegmentPart::of(new Path([$segment]), $from, $to);

    expect($part)->toBeInstanceOf($segment::class)->and($part->length())->toEqualWithDelta($to - $from, 1e-9);
    foreach ([0.0, 0.3, 0.7, 1.0] as $share) {
        $along = $share * ($to - $from);
        expect($part->pointAt($along)->distanceTo($segment->pointAt($from + $along)))->toBeLessThan(1e-6)
            ->and($part->directionAt($along)->angleTo($segment->directionAt($from + $along)))->toBeLessThan(1e-3);
    }
})->with(segmentsOfEveryKind());

it('has a part on each segment of a path that is gone over', function (): void {
    $path = new Path([
        new Line(new Vector(0, 0, 0), new Vector(100, 0, 0)), new Line(new Vector(100, 0, 0), new Vector(100, 50, 0)),
    ]);

    expect(array_map(static fn (Segment $one): float => $one->length(), SegmentPart::of($path, 30, 120)))
        ->toBe([70.0, 20.0])->and(SegmentPart::of($path, 100, 150))->toBe([$path->segments[1]]);
});
