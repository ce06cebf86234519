<?php

declare(strict_types=1);

use Bowline\Geometry\NearestRoot;

/** Sampled at every 0.1 up to 5. */
const EVERY_TENTH = 0.1;

function nearestRoot(Closure $value, float $reached = 1e-9): NearestRoot
{
    return NearestRoot::of($value, array_map(static fn (int $i): float => $i * EVERY_TENTH, range(1, 50)), $reached);
}

it('finds the root nearest to 0', function (Closure $value, float $root): void {
    foreach ([1.0, -1.0] as $sign) {
        foreach ([1.0, -1.0] as $side) {
            $found = nearestRoot(static fn (float $x): float => $sign * $value($side * $x));
            expect($found->at)->toEqualWithDelta($side * $root, 1e-6)->and($found->value)->toEqualWithDelta(0.0, 1e-9);
        }
    }
})->with([
    'the only one' => [static fn (float $x): float => $x - 3.337, 3.337],
    'in the last interval' => [static fn (float $x): float => $x - 4.95, 4.95],
    'at the last sample' => [static fn (float $x): float => $x - 5.0, 5.0],
    'on the nearer side' => [static fn (float $x): float => ($x - 2.04) * ($x + 1.53), -1.53],
    'on the nearer side, in the same interval' => [static fn (float $x): float => ($x - 1.57) * ($x + 1.53), -1.53],
    'the nearer of two on one side' => [static fn (float $x): float => ($x - 2.04) * ($x - 1.53), 1.53],
    'at 0' => [static fn (float $x): float => sin($x), 0.0],
    'of two between samples the nearer' => [static fn (float $x): float => ($x - 1.03) * ($x - 1.07), 1.03],
    'of two beside 0 the nearer' => [static fn (float $x): float => ($x - 0.02) * ($x - 0.06), 0.02],
    'about 0, the nearer side' => [static fn (float $x): float => ($x - 0.03) * ($x + 0.02), -0.02],
    'touched at a corner' => [static fn (float $x): float => abs($x - 0.83), 0.83],
    'touched at a corner beside 0' => [static fn (float $x): float => abs($x - 0.04), 0.04],
    'touched in the first interval' => [static fn (float $x): float => abs($x - 0.09), 0.09],
    'touched in a parabola' => [static fn (float $x): float => ($x - 2.222) ** 2, 2.222],
]);

it('takes the positive side where both are as near', function (): void {
    expect(nearestRoot(cos(...))->at)->toEqualWithDelta(M_PI_2, 1e-12);
});

it('counts as reached what is nearer to 0 than it is told', function (): void {
    expect(nearestRoot(static fn (float $x): float => 0.25 + abs($x), 0.3)->at)->toBe(0.0)
        ->and(nearestRoot(static fn (float $x): float => 0.25 + abs($x), 0.25)->at)->toBeNull()
        ->and(nearestRoot(static fn (float $x): float => 0.25 + abs($x - 1.23), 0.3)->at)->toEqualWithDelta(1.2, 1e-9);
});

it('says how near it came where there is none', function (Closure $value, float $nearest): void {
    $found = nearestRoot($value);
    expect($found->at)->toBeNull()->and($found->value)->toEqualWithDelta($nearest, 1e-9);
})->with([
    'over 0' => [static fn (float $x): float => 0.5 + abs($x - 1.23), 0.5],
    'under 0' => [static fn (float $x): float => -0.5 - abs($x + 1.23), -0.5],
    'nearest at 0' => [static fn (float $x): float => 2.0 + abs($x), 2.0],
    'nearest beside 0' => [static fn (float $x): float => 2.0 + abs($x - 0.03), 2.0],
    'nearest at the last sample' => [static fn (float $x): float => 9.0 - $x, 4.0],
    'farther out than it looks' => [static fn (float $x): float => 6.0 - abs($x), 1.0],
]);
