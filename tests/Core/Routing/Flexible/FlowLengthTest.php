<?php

declare(strict_types=1);

use Bowline\Routing\Flexible\FlowLength;

it('finds the move that gives a length, the nearest there is', function (
    Closure $length,
    float $target,
    float $move,
): void {
    $found = FlowLength::find($length, $target);
    expect($found->move)->toEqualWithDelta($move, 1e-6)->and($found->nearestLength)->toBe($target);
})->with([
    'longer by the move' => [fn (float $move): float => 100 + $move, 107.25, 7.25],
    'longer the other way' => [fn (float $move): float => 100 - $move, 107.25, -7.25],
    'as long as it should be' => [fn (float $move): float => 100 + $move, 100.0, 0.0],
    'too long by less than is looked at' => [fn (float $move): float => 100 + $move, 100 - 5e-8, 0.0],
    // A string of 600 over 400, drawn to either side: √(200² + m²) twice.
    'either way' => [fn (float $move): float => 2 * sqrt(4e4 + $move ** 2), 500.0, 150.0],
    'nearer on the other side' => [fn (float $move): float => 2 * sqrt(4e4 + ($move + 100) ** 2), 500.0, 50.0],
    'beyond where it is shortest' => [
        fn (float $move): float => 2 * sqrt(4e4 + ($move + 100) ** 2), 420.0, sqrt(210 ** 2 - 4e4) - 100,
    ],
    'far off' => [fn (float $move): float => 100 + $move, 15_100.0, 15_000.0],
    // Between 1 and 1.35 it is a millionth too short.
    'between two steps' => [fn (float $move): float => 100 + ($move - 1.2) ** 2 - 1e-6, 100.0, 1.199],
]);

it('tells the nearest length where none is right', function (Closure $length, float $target, float $nearest): void {
    $found = FlowLength::find($length, $target);
    expect($found->move)->toBeNull()->and($found->nearestLength)->toEqualWithDelta($nearest, 1e-6);
})->with([
    'where it is' => [fn (float $move): float => 2 * sqrt(4e4 + $move ** 2), 300.0, 400.0],
    'beside it' => [fn (float $move): float => 2 * sqrt(4e4 + ($move - 33) ** 2), 300.0, 400.0],
    'far beside it' => [fn (float $move): float => 2 * sqrt(4e4 + ($move + 3300) ** 2), 300.0, 400.0],
    'as long as it may be' => [fn (float $move): float => 500 - 1e-3 * ($move - 60) ** 2, 510.0, 500.0],
    'the same wherever it is moved' => [fn (float $move): float => 400.0, 300.0, 400.0],
]);

it('asks for few lengths', function (): void {
    $asked = 0;
    FlowLength::find(static function (float $move) use (&$asked): float {
        $asked++;

        return 2 * sqrt(4e4 + $move ** 2);
    }, 500.0);
    // Outwards on both sides in steps that grow by 1.35: 150 lies between the 17th and the 18th.
    expect($asked)->toBeLessThan(2 * 18 + 12);
});
