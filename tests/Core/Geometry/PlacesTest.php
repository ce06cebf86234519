<?php

declare(strict_types=1);

use Bowline\Geometry\Arc;
use Bowline\Geometry\Line;
use Bowline\Geometry\LinearSystem;
use Bowline\Geometry\Path;
use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;
use Tests\Jobs;

$somewhere = static fn (): Vector => new Vector(500 * Jobs::random(), 500 * Jobs::random(), 500 * Jobs::random());

it('turns right-handed: x about z by 90° is y', function (): void {
    $pose = Pose::turned(new Vector(10, 20, 30), new Vector(0, 0, 5), M_PI / 2);
    expect($pose->point(new Vector(1, 0, 0))->toArray())->toEqualWithDelta([10, 21, 30], 1e-12)
        ->and($pose->direction(new Vector(0, 1, 0))->toArray())->toEqualWithDelta([-1, 0, 0], 1e-12);
});

it('carries points into a frame and back, and a frame within a frame as one after the other', function (int $seed) use (
    $somewhere,
): void {
    mt_srand($seed);
    [$outer, $inner] = array_map(static fn (): Pose => Pose::turned($somewhere(), $somewhere(), 3 * Jobs::random()), [
        1,
        2,
    ]);
    [$point, $other] = [$somewhere(), $somewhere()];
    $both = $inner->within($outer);
    expect($outer->ownPoint($outer->point($point))->distanceTo($point))->toBeLessThan(1e-9)
        ->and($outer->ownDirection($outer->direction($point))->distanceTo($point))->toBeLessThan(1e-9)
        ->and($both->point($point)->distanceTo($outer->point($inner->point($point))))->toBeLessThan(1e-8)
        // Nothing is stretched, and nothing mirrored.
        ->and($both->point($point)->distanceTo($both->point($other)))
        ->toEqualWithDelta($point->distanceTo($other), 1e-8)
        ->and(
            $both
                ->direction($point)
                ->cross($both->direction($other))
                ->distanceTo($both->direction($point->cross($other))),
        )
        ->toBeLessThan(1e-5);
})->with([1, 2, 3, 4]);

it('turns back by turning the other way, and on by the sum', function () use ($somewhere): void {
    mt_srand(9);
    [$about, $point] = [$somewhere()->unit(), $somewhere()];
    $pose = Pose::turned($somewhere(), $somewhere(), 1.1);
    $there = $pose->turnedBy($about, 0.7);
    expect($there->turnedBy($about, -0.7)->point($point)->distanceTo($pose->point($point)))->toBeLessThan(1e-9)
        ->and(
            $there
                ->turnedBy($about, 0.4)
                ->point($point)
                ->distanceTo($pose->turnedBy($about, 1.1)->point($point)),
        )
        ->toBeLessThan(1e-9)
        // In its own place: its origin stays.
        ->and($there->at->distanceTo($pose->at))->toBeLessThan(1e-12);
});

it('names axes and nothing else', function (): void {
    expect(array_map(static fn (string $name): ?array => Vector::axis($name)?->toArray(), ['+x', '-z', 'x', '+w', '']))
        ->toEqual([[1, 0, 0], [0, 0, -1], null, null, null])
        ->and((new Vector(0, -1, 0))->axisName())->toBe('-y')->and((new Vector(0.6, 0.8, 0))->axisName())->toBeNull();
});

it('measures small angles and nearly straight ones as well as others', function (float $angle): void {
    $turned = (new Vector(1, 0, 0))->turnedAbout(new Vector(0, 0.6, 0.8), $angle);
    expect((new Vector(1, 0, 0))->angleTo($turned))->toEqualWithDelta($angle, 1e-15 + 1e-12 * $angle);
})->with([1e-9, 1e-4, 1.0, M_PI - 1e-7]);

it('finds a direction square to any other', function () use ($somewhere): void {
    mt_srand(5);
    $axes = [new Vector(1, 0, 0), new Vector(0, -1, 0), new Vector(0, 0, 1)];
    foreach ([...$axes, $somewhere()->unit(), $somewhere()->unit()] as $way) {
        expect($way->anySquare()->dot($way))
            ->toEqualWithDelta(0.0, 1e-12)
            ->and($way->anySquare()->length())
            ->toEqualWithDelta(1.0, 1e-12);
    }
});

it('rounds a corner by an arc that touches both legs', function (float $degrees): void {
    $turn = deg2rad($degrees);
    [$in, $normal] = [new Vector(1, 0, 0), new Vector(0, 0, 1)];
    $out = $in->turnedAbout($normal, $turn);
    $tangent = 40 * tan($turn / 2);
    $arc = Arc::rounding(new Vector(100, 0, 0), $in, $out, $normal, $tangent, 40.0, $turn);
    expect($arc->length())->toEqualWithDelta(40 * $turn, 1e-9)
        ->and($arc->start()->toArray())->toEqualWithDelta([100 - $tangent, 0, 0], 1e-9)
        ->and($arc->end()->distanceTo((new Vector(100, 0, 0))->plus($out->times($tangent))))->toBeLessThan(1e-9)
        ->and($arc->directionAt(0.0)->distanceTo($in))
        ->toBeLessThan(1e-9)
        ->and($arc->directionAt($arc->length())->distanceTo($out))
        ->toBeLessThan(1e-9)
        ->and($arc->pointAt($arc->length() / 3)->distanceTo($arc->centre))->toEqualWithDelta(40.0, 1e-9);
})->with([1.0, 30.0, 90.0, 135.0, 178.0]);

it('adds up a path, and is as tight as the tightest of it', function (): void {
    $arc = Arc::rounding(
        new Vector(100, 0, 0),
        new Vector(1, 0, 0),
        new Vector(0, 1, 0),
        new Vector(0, 0, 1),
        30.0,
        30.0,
        M_PI / 2,
    );
    $path = new Path([
        new Line(new Vector(0, 0, 0), $arc->start()),
        $arc,
        new Line($arc->end(), new Vector(100, 80, 0)),
    ]);
    expect($path->length)
        ->toEqualWithDelta(70 + 15 * M_PI + 50, 1e-9)
        ->and($path->leastRadius())
        ->toEqualWithDelta(30.0, 1e-12)
        ->and((new Path([new Line(new Vector(0, 0, 0), new Vector(1, 0, 0))]))->leastRadius())->toBeNull();
});

it('solves equations that call for other rows first', function (int $size): void {
    mt_srand($size);
    $x = array_map(static fn (): float => 10 * Jobs::random(), range(1, $size));
    $m = array_map(
        static fn (int $i): array => array_map(
            static fn (int $j): float => $i === $j ? 0.0 : Jobs::random(),
            range(1, $size),
        ),
        range(1, $size),
    );
    $b = array_map(
        static fn (array $row): float => array_sum(
            array_map(static fn (float $a, float $one): float => $a * $one, $row, $x),
        ),
        $m,
    );
    expect(LinearSystem::solved($m, $b))->toEqualWithDelta($x, 1e-8);
})->with([2, 3, 7]);
