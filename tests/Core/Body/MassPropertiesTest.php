<?php

declare(strict_types=1);

use Bowline\Body\Boundary\Solid;
use Bowline\Body\Frame;
use Bowline\Body\MassProperties;
use Bowline\Body\Mesh;
use Bowline\Body\Motion\Motion;
use Bowline\Body\Motion\Rotation;
use Bowline\Body\Motion\SplineSweep;
use Bowline\Body\Motion\Translation;
use Bowline\Body\Profile;
use Bowline\Body\RunBody;
use Bowline\Body\SolidBuilder;
use Bowline\Body\Tessellation;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Outline;
use Bowline\Geometry\OutlinePiece;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Tests\Jobs;

/*
 * Volume, surface and centre of gravity against closed forms: Pappus and Guldin for whatever is carried straight or
 * round an axis, and sums of discs worked out by hand.
 */

/** Outlines in the plane of a section carried from a frame, with flat ends. */
function carriedSolid(Frame $frame, Motion $motion, Outline $outside, ?Outline $bore = null): Solid
{
    $builder = new SolidBuilder;
    $first = Profile::of($outside, $frame);
    $ends = [[$first->reversed()], [$builder->sweep($first, $motion)]];
    if ($bore !== null) {
        $hole = Profile::of($bore->reversed(), $frame);
        $ends[0][] = $hole->reversed();
        $ends[1][] = $builder->sweep($hole, $motion);
    }
    $builder->flat($frame->facingBack(), $ends[0]);
    $builder->flat($motion->frameOf($frame), $ends[1]);

    return new Solid('test', [$builder->faces()]);
}

/** A frame somewhere, turned anyhow. */
function askewFrame(): Frame
{
    $along = (new Vector(0.3, -0.5, 0.8))->unit();

    return Frame::of(new Vector(120.0, -40.0, 75.0), $along, (new Vector(1.0, 2.0, 3.0))->squareTo($along));
}

/**
 * A bend of that frame about an axis in its section plane, R to its left.
 *
 * @return array{Rotation, Vector, Vector} motion, a point of the axis, and the direction from it to the frame
 */
function askewBend(Frame $frame, float $radius, float $angle): array
{
    $centre = $frame->at->minus($frame->first->times($radius));

    return [new Rotation($centre, $frame->along->cross($frame->first)->times(-1.0), $angle), $centre, $frame->first];
}

$outlines = [
    'a circle' => [Outline::circle(6.0), M_PI * 36, 12 * M_PI],
    'a rectangle' => [Outline::rectangle(20.0, 10.0), 200.0, 60.0],
    'a rectangle with round corners' => [Outline::rectangle(20.0, 10.0, 3.0), 200 - (4 - M_PI) * 9, 60 - 24 + 6 * M_PI],
    // A 3-4-5 triangle about its centroid: cones where it is bent.
    'a triangle' => [
        new Outline([
            OutlinePiece::line([-2.0, -8 / 3], [4.0, -8 / 3]),
            OutlinePiece::line([4.0, -8 / 3], [-2.0, 16 / 3]),
            OutlinePiece::line([-2.0, 16 / 3], [-2.0, -8 / 3]),
        ]), 24.0, 24.0,
    ],
];

it('is area times length for what goes straight', function (Outline $outline, float $area, float $rim): void {
    $frame = askewFrame();
    $solid = carriedSolid($frame, new Translation($frame->along->times(300.0)), $outline);
    $found = MassProperties::of($solid);
    expect($solid->isClosed())->toBeTrue()
        ->and($found->volume)->toEqualWithDelta(300 * $area, 1e-9 * 300 * $area)
        ->and($found->surface)->toEqualWithDelta(300 * $rim + 2 * $area, 1e-9 * 300 * $rim)
        // All have their centroid on the path.
        ->and($found->centre->distanceTo($frame->at->plus($frame->along->times(150.0))))->toBeLessThan(1e-8);
})->with($outlines);

it('is area times the way of its centroid round a bend', function (
    Outline $outline,
    float $area,
    float $rim,
    float $radius,
    float $angle,
): void {
    $frame = askewFrame();
    [$motion] = askewBend($frame, $radius, $angle);
    $solid = carriedSolid($frame, $motion, $outline);
    $found = MassProperties::of($solid);
    $way = $radius * $angle;
    expect($solid->isClosed())->toBeTrue()
        ->and($found->volume)->toEqualWithDelta($area * $way, 1e-9 * $area * $way);
    if ($area !== 24.0) {
        // The rim of the others has its centroid where the area has it.
        expect($found->surface)->toEqualWithDelta($rim * $way + 2 * $area, 1e-9 * $rim * $way);
    }
})->with($outlines)->with([[30.0, M_PI / 2], [18.0, 0.3], [100.0, 3.0]]);

it('has the centre of gravity of a sector of a ring', function (float $radius, float $angle): void {
    // A ring of circle r at R: ∫ρ dA = πr²(R² + r²/4) about the axis, so that its sector has it at
    // (R² + r²/4)/R · sin(α/2)/(α/2); of a tube with the sum of both squares in place of r².
    $frame = askewFrame();
    [$motion, $centre, $out] = askewBend($frame, $radius, $angle);
    $found = MassProperties::of(carriedSolid($frame, $motion, Outline::circle(6.0), Outline::circle(4.5)));
    $distance = ($radius ** 2 + (36 + 20.25) / 4) / $radius * sin($angle / 2) / ($angle / 2);
    $axis = $frame->along->cross($frame->first)->times(-1.0);
    $expected = $centre->plus($out->turnedAbout($axis, $angle / 2)->times($distance));
    expect($found->centre->distanceTo($expected))->toBeLessThan(1e-8);
})->with([[30.0, M_PI / 2], [18.0, 0.3], [100.0, 3.0]]);

it('is exact to 1e-5 where a curve is swept', function (): void {
    // A helix of three turns about z, r 40, pitch 30: as long as 3·√((2π·40)² + 30²).
    $points = $directions = $along = $curvature = [];
    $turn = hypot(2 * M_PI * 40, 30.0);
    $bend = 40 / (40 ** 2 + (30 / (2 * M_PI)) ** 2);
    for ($i = 0; $i <= 3 * 360; $i++) {
        $angle = deg2rad($i);
        $points[] = new Vector(40 * cos($angle), 40 * sin($angle), 30 * $i / 360);
        $directions[] = (new Vector(-2 * M_PI * 40 * sin($angle), 2 * M_PI * 40 * cos($angle), 30.0))->times(1 / $turn);
        $along[] = $turn * $i / 360;
        $curvature[] = $bend;
    }
    $curve = new Curve($points, $directions, $along, $curvature, 1 / $bend, 0.0);
    $frame = Frame::of($points[0], $directions[0], new Vector(-1.0, 0.0, 0.0));
    $builder = new SolidBuilder;
    $first = $profile = Profile::of(Outline::circle(5.0), $frame);
    $end = $frame;
    foreach (SplineSweep::along($curve, $frame, 5.0) as $sweep) {
        $profile = $builder->sweep($profile, $sweep);
        $end = $sweep->frameOf($end);
    }
    $builder->flat($frame->facingBack(), [$first->reversed()]);
    $builder->flat($end, [$profile]);
    $solid = new Solid('helix', [$builder->faces()]);
    $found = MassProperties::of($solid);
    expect($solid->isClosed())->toBeTrue()
        ->and($found->volume / (M_PI * 25 * 3 * $turn))->toEqualWithDelta(1, 1e-5)
        ->and($found->surface / (10 * M_PI * 3 * $turn + 50 * M_PI))->toEqualWithDelta(1, 1e-5)
        ->and($found->centre->distanceTo(new Vector(0.0, 0.0, 45.0)))->toBeLessThan(0.05);
});

it('adds up plate, holes and tube', function (): void {
    // Up 50 to 250 and along x to 300 at R 30, tube 12 × 1.5, with a plate of 60 × 8 and four holes of 9 at its end.
    $laid = Jobs::laid(Jobs::file([['at' => [0, 0, 250]]], ['at' => [300, 0, 250], 'end' => [
        'type' => 'flange', 'od' => 60, 'thickness' => 8, 'bore' => 13,
        'holes' => ['count' => 4, 'circle' => 42, 'diameter' => 9],
    ]]));
    $body = RunBody::of($laid);
    $solid = $body->solid() ?? throw new LogicException;
    $found = MassProperties::of($solid);
    $length = 200 + 300 - 60 + 15 * M_PI;
    $plate = M_PI / 4 * (60 ** 2 - 12 ** 2 - 4 * 9 ** 2) * 8;
    expect($found->volume)->toEqualWithDelta(M_PI / 4 * (144 - 81) * $length + $plate, 1e-6)
        // Outside of the tube up to the plate, its bore, one open end, back, rim, holes and face of the plate.
        ->and($found->surface)->toEqualWithDelta(
            12 * M_PI * ($length - 8) + 9 * M_PI * $length + M_PI / 4 * (144 - 81)
            + M_PI / 4 * (3600 - 144 - 4 * 81) + 60 * M_PI * 8 + 4 * 9 * M_PI * 8 + M_PI / 4 * (3600 - 81 - 4 * 81),
            1e-6,
        )
        ->and(array_map(
            static fn (Solid $bore): float => MassProperties::of($bore)->volume, $body->contents(),
        ))->toEqualWithDelta([M_PI / 4 * 81 * $length], 1e-6);
});

it('leaves a void between two plugs, and holds less by them', function (): void {
    $plug = ['type' => 'closed', 'thickness' => 2];
    $body = RunBody::of(Jobs::laid(Jobs::file(
        [['at' => [0, 0, 250]]],
        ['at' => [300, 0, 250], 'end' => $plug],
        ['from' => ['port' => 'pump.out', 'end' => $plug]],
    )));
    $solid = $body->solid() ?? throw new LogicException;
    $length = 200 + 300 - 60 + 15 * M_PI;
    expect($solid->shells)->toHaveCount(2)
        ->and($solid->isClosed())->toBeTrue()
        ->and(MassProperties::of($solid)->volume)
        ->toEqualWithDelta(M_PI / 4 * (144 * $length - 81 * ($length - 4)), 1e-6)
        ->and(MassProperties::of($body->contents()[0])->volume)->toEqualWithDelta(M_PI / 4 * 81 * ($length - 4), 1e-6);
});

it('adds up parts by their volumes', function (): void {
    $x = new Vector(1.0, 0.0, 0.0);
    $bar = static fn (float $from, float $length): MassProperties => MassProperties::of(carriedSolid(
        Frame::upright($x->times($from), $x, new Vector(0.0, 0.0, 1.0)), new Translation($x->times($length)),
        Outline::rectangle(1, 1),
    ));
    $sum = MassProperties::sum([$bar(0.0, 10.0), $bar(100.0, 30.0)]);
    // 10 at x = 5 and 30 at x = 115.
    expect($sum->volume)->toEqualWithDelta(40, 1e-9)
        ->and($sum->surface)->toEqualWithDelta(42 + 122, 1e-9)
        ->and($sum->centre->distanceTo(new Vector(87.5, 0.0, 0.0)))->toBeLessThan(1e-9);
});

it('says when it is not closed', function (): void {
    $frame = askewFrame();
    $builder = new SolidBuilder;
    $first = Profile::of(Outline::circle(6.0), $frame);
    $last = $builder->sweep($first, new Translation($frame->along->times(300.0)));
    $builder->flat($frame->facingBack(), [$first->reversed()]);
    expect((new Solid('open', [$builder->faces()]))->isClosed())->toBeFalse();
    // A loop that runs the wrong way round does not close it either.
    $builder->flat($frame, [$last->reversed()]);
    $insideOut = new Solid('inside out', [$builder->faces()]);
    expect($insideOut->isClosed())->toBeFalse()
        // No triangles cover a face that is inside out: it is refused, not left out.
        ->and(static fn (): Mesh => Tessellation::of($insideOut, 0.1))
        ->toThrow(JobError::class, 'an end of the body of inside out does not close');
});
