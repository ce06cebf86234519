<?php

declare(strict_types=1);

use Bowline\Geometry\Bisection;

it('finds the piece that a value lies in', function (float $value, int $piece): void {
    expect(Bisection::piece([0.0, 1.0, 2.5, 2.5, 7.0], $value))->toBe($piece);
})->with([
    'before all' => [-3.0, 0],
    'at the start' => [0.0, 0],
    'within the first' => [0.999, 0],
    'at a bound, the piece behind it' => [1.0, 1],
    'within' => [2.4, 1],
    'past a piece without length' => [2.5, 3],
    'within the last' => [6.9, 3],
    'at the end' => [7.0, 3],
    'behind all' => [9.0, 3],
]);

it('knows one piece as well as many', function (): void {
    expect(Bisection::piece([0.0, 1.0], 0.5))->toBe(0);
    $many = array_map(static fn (int $i): float => $i ** 1.5, range(0, 1000));
    foreach ([0.3, 17.0, 812.5] as $place) {
        expect(Bisection::piece($many, $place ** 1.5))->toBe((int) floor($place));
    }
});

it('finds a root between two places of different signs', function (
    Closure $value, float $from, float $to, float $root,
): void {
    expect(Bisection::root($value, $from, $to, $value($from)))->toEqualWithDelta($root, 1e-15 * max(1.0, abs($root)));
})->with([
    'rising' => [static fn (float $x): float => $x ** 3 - 2, 0.0, 7.0, 2 ** (1 / 3)],
    'falling' => [static fn (float $x): float => 2 - $x ** 3, 0.0, 7.0, 2 ** (1 / 3)],
    'from the greater place' => [static fn (float $x): float => $x ** 3 - 2, 7.0, 0.0, 2 ** (1 / 3)],
    'in the middle' => [static fn (float $x): float => $x - 3, 2.0, 4.0, 3.0],
    'at the first place' => [static fn (float $x): float => $x - 2, 2.0, 4.0, 2.0],
    'at the other' => [static fn (float $x): float => $x - 4, 2.0, 4.0, 4.0],
    'below zero' => [static fn (float $x): float => $x + 1000.1, -3000.0, 0.0, -1000.1],
]);

it('halves as often as it is told', function (): void {
    // 0 to 8 in three steps to a width of 1, in which 5.3 lies.
    expect(Bisection::root(static fn (float $x): float => $x - 5.3, 0.0, 8.0, -5.3, 3))->toBe(5.5)
        ->and(Bisection::root(static fn (float $x): float => $x - 5.3, 0.0, 8.0, -5.3, 1))->toBe(6.0);
});
