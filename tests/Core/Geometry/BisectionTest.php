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
