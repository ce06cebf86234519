<?php

declare(strict_types=1);

use Bowline\Routing\RepeatPlaces;
use Tests\Jobs;

/*
 * What holds of things that repeat along a run, whatever pitch, count and distances they are told by. The run is 1200
 * long and straight, or 957.08 with a bend of R 100 from 400 to 557.08.
 */

/** @return array{list<float>, float} where they stand, and how long the run is */
function repeatedOn(bool $isBent, array $repeat): array
{
    $file = $isBent
        ? Jobs::file([['at' => [500, 0, 0]]], ['at' => [500, 500, 0]], [
            'from' => ['at' => [0, 0, 0]], 'stock.radius' => 100, 'stock.min_radius' => 80,
        ])
        : Jobs::file([], ['at' => [1200, 0, 0]], ['from' => ['at' => [0, 0, 0]]]);
    $file->runs[0]->repeats = [Jobs::object(['kind' => 'clip', ...$repeat])];
    $laid = Jobs::laid($file);

    return [RepeatPlaces::of($laid, $laid->run->repeats[0]), $laid->length()];
}

/** @return list<float> from each to the next */
function steps(array $places): array
{
    return array_map(
        static fn (float $a, float $b): float => $b - $a, array_slice($places, 0, -1), array_slice($places, 1),
    );
}

dataset('stand-offs', function (): Generator {
    mt_srand(7);
    foreach (range(1, 15) as $_) {
        yield [(bool) mt_rand(0, 1), mt_rand(0, 200), mt_rand(0, 200), mt_rand(9, 300)];
    }
});

it('stands at its pitch as long as there is room for one more', function (
    bool $bent,
    int $from,
    int $to,
    int $pitch,
): void {
    [$places, $length] = repeatedOn($bent, ['pitch' => $pitch, 'from' => $from, 'to' => $to]);

    expect($places[0])->toEqualWithDelta($from, 1e-9)
        ->and(max($places))->toBeLessThanOrEqual($length - $to + 1e-9)
        ->and(max($places) + $pitch)->toBeGreaterThan($length - $to);
    foreach (steps($places) as $step) {
        expect($step)->toEqualWithDelta($pitch, 1e-9);
    }
})->with('stand-offs');

it('reaches both ends where its pitch is fitted, with as little change of it as can be', function (
    bool $bent,
    int $from,
    int $to,
    int $pitch,
): void {
    [$places, $length] = repeatedOn($bent, ['pitch' => $pitch, 'fit' => true, 'from' => $from, 'to' => $to]);
    $room = $length - $from - $to;
    $gaps = count($places) - 1;

    expect([$places[0], max($places)])->toEqualWithDelta([$from, $length - $to], 1e-9);
    foreach (steps($places) as $step) {
        expect($step)->toEqualWithDelta($room / $gaps, 1e-9);
    }
    // As many gaps as come nearest to the number that the pitch would make of the room.
    foreach ([$gaps - 1, $gaps + 1] as $other) {
        if ($other > 0) {
            expect(abs($gaps - $room / $pitch))->toBeLessThanOrEqual(abs($other - $room / $pitch) + 1e-9);
        }
    }
})->with('stand-offs');

it('is as many as are told, from stand-off to stand-off', function (bool $bent, int $from, int $to, int $count): void {
    [$places, $length] = repeatedOn($bent, ['count' => $count, 'from' => $from, 'to' => $to]);

    expect($places)->toHaveCount($count)
        ->and([$places[0], max($places)])->toEqualWithDelta([$from, $length - $to], 1e-9);
    $steps = steps($places);
    expect(max($steps) - min($steps))->toBeLessThan(1e-9);
})->with('stand-offs');

it('stands on straights alone where that is asked, and nowhere on itself', function (
    bool $bent,
    int $from,
    int $to,
    int $pitch,
): void {
    [$places, $length] = repeatedOn($bent, [
        'pitch' => $pitch, 'from' => $from, 'to' => $to, 'straights' => true, 'width' => 12,
    ]);
    $straights = $bent ? [[0, 400], [400 + 50 * M_PI, $length]] : [[0, $length]];

    foreach ($places as $place) {
        $holding = array_filter(
            $straights,
            static fn (array $one): bool => $place - 6 >= $one[0] - 1e-9 && $place + 6 <= $one[1] + 1e-9,
        );
        expect($holding)->toHaveCount(1);
    }
    foreach (steps($places) as $step) {
        expect($step)->toBeGreaterThanOrEqual(min(12, $pitch) - 1e-9)->toBeGreaterThanOrEqual(12 - 1e-9);
    }
})->with('stand-offs');
