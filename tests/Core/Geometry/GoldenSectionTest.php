<?php

declare(strict_types=1);

use Bowline\Geometry\Bounds;
use Bowline\Geometry\GoldenSection;
use Bowline\Geometry\Line;
use Bowline\Geometry\Vector;

it('finds the least of a function that falls and rises', function (Closure $value, float $at, float $least): void {
    [$place, $found] = GoldenSection::least($value, -3.0, 5.0, 60);

    expect($place)->toEqualWithDelta($at, 1e-6)->and($found)->toEqualWithDelta($least, 1e-9);
})->with([
    'a parabola' => [static fn (float $x): float => ($x - 1.25) ** 2 + 7, 1.25, 7.0],
    'a corner' => [static fn (float $x): float => abs($x + 2), -2.0, 0.0],
    'at its end' => [static fn (float $x): float => -$x, 5.0, -5.0],
]);

it('finds the level part of a function that jumps up at its bounds', function (float $from, float $to): void {
    $jumps = static fn (float $x): float => abs($x) < 0.016 ? 0.0 : 1e-3 + $x * $x;
    expect(GoldenSection::least($jumps, $from, $to, 60)[1])->toBe(0.0);
})->with([[-3.0, 5.0], [-5.0, 3.0], [-4.0, 4.1]]);

it('takes as many steps as leave so much of an interval', function (): void {
    // 0.618^5 is 0.0902, 0.618^4 is 0.146.
    expect(GoldenSection::steps(1.0, 0.1))->toBe(5)
        ->and(GoldenSection::steps(20.0, 2.92))->toBe(4)
        ->and(GoldenSection::steps(1.0, 1.0))->toBe(0)
        ->and(GoldenSection::steps(1.0, 3.0))->toBe(0);
});

it('asks for the value once a step', function (): void {
    $asked = 0;
    GoldenSection::least(static function (float $x) use (&$asked): float {
        $asked++;

        return $x * $x;
    }, -1.0, 2.0, 10);
    // Two to begin with, one a step, and one for the place itself.
    expect($asked)->toBe(13);
});

it('finds the local minima and maxima between 0 and 1', function (Closure $value, array $extremes): void {
    expect(GoldenSection::extremes($value, 100))->toEqualWithDelta($extremes, 1e-7);
})->with([
    // cos 5x is least where 5x is π, and not greatest again before 2π.
    'one least' => [static fn (float $x): float => cos(5 * $x), [M_PI / 5]],
    'one greatest' => [static fn (float $x): float => sin(3 * $x), [M_PI / 6]],
    'both in turn' => [static fn (float $x): float => cos(12 * $x), [M_PI / 12, 2 * M_PI / 12, 3 * M_PI / 12]],
    // Between two corners the greatest is half way.
    'corners' => [
        static fn (float $x): float => min(abs($x - 0.123), abs($x - 0.777), abs($x - 0.995)),
        [0.123, 0.45, 0.777, 0.886, 0.995],
    ],
    'just within the ends' => [static fn (float $x): float => min(abs($x - 0.01), abs($x - 0.99)), [0.01, 0.5, 0.99]],
    'of what falls all the way none' => [static fn (float $x): float => -$x, []],
    'of what rises all the way none' => [static fn (float $x): float => $x, []],
    'of what is the same everywhere none' => [static fn (float $x): float => 3.0, []],
]);

it('finds a plateau once, where it begins', function (): void {
    $plateau = static fn (float $x): float => max(0.0, 0.4 - $x, $x - 0.6);
    foreach ([$plateau, static fn (float $x): float => -$plateau($x)] as $value) {
        $extremes = GoldenSection::extremes($value, 100);
        expect($extremes)->toHaveCount(1)->and($extremes[0])->toEqualWithDelta(0.4, 0.011);
    }
});

it('tells how far boxes are apart: by faces, edges and corners', function (array $at, float $distance): void {
    $box = Bounds::of([new Line(new Vector(0, 0, 0), new Vector(10, 20, 30))]);

    expect($box->distanceTo(new Vector(...$at)))->toEqualWithDelta($distance, 1e-12)
        ->and($box->grown(1.0)->distanceTo(new Vector(...$at)))->toBeLessThan(max(1e-9, $distance));
})->with([
    'off a face' => [[15, 5, 5], 5.0], 'off an edge' => [[13, 24, 5], 5.0], 'off a corner' => [[12, 21, 32], 3.0],
    'within' => [[5, 5, 5], 0.0],
]);
