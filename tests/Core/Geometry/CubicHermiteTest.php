<?php

declare(strict_types=1);

use Bowline\Geometry\CubicHermite;
use Bowline\Geometry\Vector;

it('follows any cubic by its ends and its derivatives there', function (float $s): void {
    // x = t³ − 2t, y = 5t² + 1, z = 4 − t, with t from 1 to 3.
    $place = static fn (float $t): Vector => new Vector($t ** 3 - 2 * $t, 5 * $t * $t + 1, 4 - $t);
    $slope = static fn (float $t): Vector => new Vector(3 * $t * $t - 2, 10 * $t, -1);
    expect(CubicHermite::at($place(1), $slope(1), $place(3), $slope(3), 2.0, $s)->toArray())
        ->toEqualWithDelta($place(1 + 2 * $s)->toArray(), 1e-12);
})->with([0.0, 0.1, 0.5, 0.75, 1.0]);
