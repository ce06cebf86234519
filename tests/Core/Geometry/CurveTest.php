<?php

declare(strict_types=1);

use Bowline\Geometry\Curve;
use Bowline\Geometry\Vector;

/** A quarter of a circle of 100 in the plane z = 0, from (100, 0, 0), in so many even pieces. */
function quarter(int $pieces): Curve
{
    $at = array_map(static fn (int $i): float => M_PI / 2 * $i / $pieces, range(0, $pieces));

    return new Curve(
        array_map(static fn (float $angle): Vector => new Vector(100 * cos($angle), 100 * sin($angle), 0), $at),
        array_map(static fn (float $angle): Vector => new Vector(-sin($angle), cos($angle), 0), $at),
        array_map(static fn (float $angle): float => 100 * $angle, $at), array_fill(0, $pieces + 1, 0.01), 100.0, 0.0,
    );
}

it('goes on smoothly between the points it has', function (): void {
    $curve = quarter(18);
    // Between points 5° apart it is a cubic; a chord would be off by 100·(1 − cos 2.5°) = 0.1.
    foreach ([3.0, 50.0, 78.5, 111.1, 157.0] as $along) {
        [$x, $y] = $curve->pointAt($along)->toArray();
        expect(hypot($x, $y))->toEqualWithDelta(100.0, 1e-4)->and(atan2($y, $x))->toEqualWithDelta($along / 100, 1e-5);
        expect($curve->directionAt($along)->toArray())->toEqualWithDelta(
            [-sin($along / 100), cos($along / 100), 0],
            1e-3,
        );
    }
    expect($curve->turning())->toEqualWithDelta(M_PI / 2, 1e-12);
});

it('keeps its ends, its length and its tightest place with fewer points', function (): void {
    $fine = quarter(180);
    $tight = new Curve(
        $fine->points,
        $fine->directions,
        $fine->along,
        array_values(array_replace($fine->curvature, [77 => 0.0123])),
        1 / 0.0123,
        $fine->along[77],
    );
    $sparse = $tight->sparser(2.5 * M_PI / 180);
    // 36 pieces of 2.5°, or 45 of 2°, or what is no longer than a fortieth of it; and one more about the tightest.
    expect(count($sparse->points))->toBeLessThanOrEqual(47)->toBeGreaterThan(36)
        ->and($sparse->start())->toEqual($fine->start())->and($sparse->end())->toEqual($fine->end())
        ->and($sparse->length())->toBe($fine->length())->and(max($sparse->curvature))->toBe(0.0123);
    foreach (array_slice($sparse->directions, 1) as $i => $direction) {
        expect($direction->angleTo($sparse->directions[$i]))->toBeLessThan(2.51 * M_PI / 180);
    }
});

it('stays near where it was with fewer points, though it hardly turns', function (): void {
    // An arc of 20 m radius over 2 m turns by 5.7°: in 40 pieces it is off by 50²/(8·20000) = 0.016; in two, by 6.25.
    $at = array_map(static fn (int $i): float => 0.1 * $i / 400, range(0, 400));
    $arc = new Curve(
        array_map(
            static fn (float $angle): Vector => new Vector(20000 * sin($angle), 20000 * (1 - cos($angle)), 0),
            $at,
        ),
        array_map(static fn (float $angle): Vector => new Vector(cos($angle), sin($angle), 0), $at),
        array_map(static fn (float $angle): float => 20000 * $angle, $at), array_fill(0, 401, 1 / 20000), 20000.0, 0.0,
    );
    $points = $arc->sparser(2 * M_PI / 180)->points;
    foreach (array_slice($points, 1) as $i => $to) {
        $middle = $points[$i]->plus($to)->times(0.5);
        expect(20000 - hypot($middle->x, $middle->y - 20000))->toBeLessThan(0.02);
    }
});
