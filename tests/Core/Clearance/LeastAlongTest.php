<?php

declare(strict_types=1);

use Bowline\Clearance\LeastAlong;
use Bowline\Geometry\Line;
use Bowline\Geometry\Vector;

/*
 * The least of functions that change by no more than one moves, against a look at every hundredth of a millimetre.
 */
it('finds the least of several cones', function (int $seed): void {
    mt_srand($seed);
    $random = static fn (float $from, float $to): float => $from + ($to - $from) * mt_rand() / mt_getrandmax();
    $feet = array_map(
        static fn (): array => [$random(0, 500), $random(0, 40), $random(0.2, 1)], range(1, mt_rand(1, 9)),
    );
    // Each rises from its foot by no more than 1 in 1.
    $distance = static fn (float $at): float => min(array_map(
        static fn (array $foot): float => hypot($foot[1], $foot[2] * ($at - $foot[0])), $feet,
    ));
    $least = min(array_map(static fn (int $i): float => $distance($i / 100), range(0, 50_000)));
    [$found, $at] = LeastAlong::of(new Line(new Vector(0, 0, 0), new Vector(500, 0, 0)), 0, 500, $distance, INF) ?? [];

    expect($found)->toBeGreaterThan($least - 0.01)->toBeLessThan($least + 0.05)
        ->and($distance($at))->toEqualWithDelta($found, 1e-12);
})->with(range(1, 20));

it('does not tell what is no less than asked for', function (float $below, ?float $found): void {
    $line = new Line(new Vector(0, 0, 0), new Vector(100, 0, 0));
    $told = LeastAlong::of($line, 0, 100, static fn (float $at): float => 7.0 + abs($at - 61.8), $below);

    expect($told === null)->toBe($found === null);
    if ($found !== null && $told !== null) {
        expect($told[0])->toEqualWithDelta($found, 1e-6)->and($told[1])->toEqualWithDelta(61.8, 1e-6);
    }
})->with([[7.01, 7.0], [7.0, null], [3.0, null], [INF, 7.0]]);

it('looks between two lengths only', function (): void {
    $line = new Line(new Vector(0, 0, 0), new Vector(100, 0, 0));
    $distance = static fn (float $at): float => abs($at - 10);

    expect(LeastAlong::of($line, 40, 100, $distance, INF))->toBe([30.0, 40.0])
        ->and(LeastAlong::of($line, 60, 50, $distance, INF))->toBeNull();
});

it('asks seldom where nothing is near', function (): void {
    $asked = 0;
    $told = LeastAlong::of(
        new Line(new Vector(0, 0, 0), new Vector(1000, 0, 0)), 0, 1000,
        static function (float $at) use (&$asked): float {
            $asked++;

            return 900.0 + abs($at - 500) / 2;
        }, 50.0,
    );

    // Every 50 once.
    expect($told)->toBeNull()->and($asked)->toBe(21);
});
