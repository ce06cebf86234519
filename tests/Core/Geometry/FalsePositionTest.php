<?php

declare(strict_types=1);

use Bowline\Geometry\FalsePosition;

/**
 * Both ends between which a function changes its sign, and how often it was asked for a value.
 *
 * @return array{float, float, int}
 */
function narrowed(Closure $value, float $from, float $to, float $width, float $reached = 0.0): array
{
    $asked = 0;
    $counted = static function (float $x) use ($value, &$asked): float {
        $asked++;

        return $value($x);
    };
    [$left, $right] = FalsePosition::narrowed($counted, $from, $value($from), $to, $value($to), $width, $reached);

    return [$left, $right, $asked];
}

it('brings both ends together about a root, in the order they were given in', function (
    Closure $value, float $from, float $to, float $root, int $most,
): void {
    foreach ([[$from, $to], [$to, $from]] as [$one, $other]) {
        foreach ([1.0, -1.0] as $sign) {
            $signed = static fn (float $x): float => $sign * $value($x);
            [$left, $right, $asked] = narrowed($signed, $one, $other, 0.2);
            expect(abs($right - $left))->toBeLessThanOrEqual(0.2)
                ->and(min($left, $right))->toBeLessThanOrEqual($root)
                ->and(max($left, $right))->toBeGreaterThanOrEqual($root)
                ->and($signed($left) >= 0.0)->toBe($signed($one) >= 0.0)
                ->and($signed($right) >= 0.0)->toBe($signed($other) >= 0.0)
                ->and($asked)->toBeLessThanOrEqual($most);
        }
    }
})->with([
    // Halving takes ten steps from 200 to 0.2, eleven from 400: what is smooth takes fewer, a jump at most a few times
    // as many.
    'a straight' => [static fn (float $x): float => 2 * $x - 77, 0.0, 200.0, 38.5, 3],
    'a parabola' => [static fn (float $x): float => $x ** 2 - 1600, 0.0, 200.0, 40.0, 8],
    'a root' => [static fn (float $x): float => sqrt($x) - 6, 0.0, 200.0, 36.0, 7],
    'a reciprocal' => [static fn (float $x): float => 1 / $x - 1 / 70, 1.0, 401.0, 70.0, 13],
    'a jump' => [static fn (float $x): float => $x < 33.3 ? -1.0 : 1.0, 0.0, 200.0, 33.3, 20],
    'a jump from little to much' => [static fn (float $x): float => $x < 33.3 ? -0.01 : 1.0, 0.0, 200.0, 33.3, 25],
]);

it('asks for nothing where both ends are near enough', function (): void {
    expect(narrowed(static fn (float $x): float => $x - 0.1, 0.0, 0.2, 0.2))->toBe([0.0, 0.2, 0]);
});

it('ends at a value that is small enough, at one place', function (): void {
    [$left, $right, $asked] = narrowed(static fn (float $x): float => $x ** 3 - 8, 0.0, 9.0, 1e-15, 1e-9);
    expect($left)->toBe($right)->and($left)->toEqualWithDelta(2.0, 1e-10)->and($asked)->toBeLessThan(20);
});

it('comes as near as numbers can where that is asked for', function (): void {
    [$left, $right] = narrowed(static fn (float $x): float => exp($x) - 3, 0.0, 5.0, 1e-13);
    expect($left)->toEqualWithDelta(log(3), 1e-12)->and($right)->toEqualWithDelta(log(3), 1e-12);
});
