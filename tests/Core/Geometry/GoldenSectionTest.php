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

it('tells how far boxes are apart: by faces, edges and corners', function (array $at, float $distance): void {
    $box = Bounds::of([new Line(new Vector(0, 0, 0), new Vector(10, 20, 30))]);

    expect($box->distanceTo(new Vector(...$at)))->toEqualWithDelta($distance, 1e-12)
        ->and($box->grown(1.0)->distanceTo(new Vector(...$at)))->toBeLessThan(max(1e-9, $distance));
})->with([
    'off a face' => [[15, 5, 5], 5.0], 'off an edge' => [[13, 24, 5], 5.0], 'off a corner' => [[12, 21, 32], 3.0],
    'within' => [[5, 5, 5], 0.0],
]);
