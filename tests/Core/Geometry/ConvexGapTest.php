<?php

declare(strict_types=1);

use Bowline\Geometry\ConvexGap;
use Bowline\Geometry\Vector;

/*
 * Distances between balls, boxes and discs in closed form.
 */
$ball = static fn (array $at, float $radius): Closure => static function (Vector $way) use ($at, $radius): float {
    return $way->dot(new Vector(...$at)) + $radius;
};
$box = static fn (array $at, array $half): Closure => static function (Vector $way) use ($at, $half): float {
    [$x, $y, $z] = $half;

    return $way->dot(new Vector(...$at)) + $x * abs($way->x) + $y * abs($way->y) + $z * abs($way->z);
};
/** A flat disc square to z. */
$disc = static fn (array $at, float $radius): Closure => static function (Vector $way) use ($at, $radius): float {
    return $way->dot(new Vector(...$at)) + $radius * hypot($way->x, $way->y);
};

it('is the distance between two convex bodies, negative where they overlap', function (
    Closure $one,
    Closure $other,
    float $gap,
): void {
    $directions = array_map(static fn (array $way): Vector => (new Vector(...$way))->unit(), [
        [1, 0, 0], [-1, 0, 0], [0, 1, 0], [0, -1, 0], [0, 0, 1], [0, 0, -1], [1, 2, 3],
    ]);

    expect(ConvexGap::between($one, $other, $directions))->toEqualWithDelta($gap, 1e-5)
        ->and(ConvexGap::between($other, $one, $directions))->toEqualWithDelta($gap, 1e-5);
})->with([
    'balls apart' => [$ball([0, 0, 0], 2), $ball([2, 3, 6], 1), 4.0],
    'balls that touch' => [$ball([0, 0, 0], 5), $ball([2, 3, 6], 2), 0.0],
    'balls that overlap' => [$ball([0, 0, 0], 5), $ball([2, 3, 6], 4), -2.0],
    'boxes face to face' => [$box([0, 0, 0], [1, 1, 1]), $box([4, 0.5, 0], [1, 2, 1]), 2.0],
    'boxes edge to edge' => [$box([0, 0, 0], [1, 1, 1]), $box([5, 6, 0], [1, 1, 1]), 5.0],
    'boxes corner to corner' => [$box([0, 0, 0], [1, 1, 1]), $box([4, 5, 8], [1, 1, 1]), 7.0],
    'a box deep in another' => [$box([0, 0, 0], [5, 6, 7]), $box([1, 0, 0], [1, 1, 1]), -5.0],
    // Rims at x 3 and x 6, one 4 above the other.
    'discs beside and above each other' => [$disc([0, 0, 0], 3), $disc([8, 0, 4], 2), 5.0],
]);
