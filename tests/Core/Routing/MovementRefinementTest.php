<?php

declare(strict_types=1);

use Bowline\Routing\MovementRefinement;

it('bounds a convex function by the secants beside an interval', function (
    array $parts, array $values, int $left, float $bound,
): void {
    expect((new MovementRefinement($parts))->lowerBound($values, $left))->toEqualWithDelta($bound, 1e-12);
    // The same from the other side.
    $opposite = array_map(static fn (float $part): float => 1.0 - $part, array_reverse($parts));
    $mirrored = new MovementRefinement(array_values($opposite));
    expect($mirrored->lowerBound(array_reverse($values), count($parts) - 2 - $left))->toEqualWithDelta($bound, 1e-12);
})->with([
    // Of x² at −2, −1, 1, 2 (a tenth of each): slopes −3 and 3 cross at 0, at 1 − 3.
    'a parabola' => [[-0.2, -0.1, 0.1, 0.2], [4.0, 1.0, 1.0, 4.0], 1, -2.0],
    // −2 − 3x and −7 + 8x cross at x = 5/11.
    'two slopes' => [[-0.2, -0.1, 0.1, 0.2], [4.0, 1.0, 1.0, 9.0], 1, -2.0 - 15 / 11],
    'a corner, exactly' => [[0.1, 0.2, 0.4, 0.9], [2.0, 1.0, 1.0, 6.0], 1, 0.0],
    // 3 − 10 (x − 0.2) from the left; from the right 1, level: they cross at the right end.
    'crossing at an end' => [[0.1, 0.2, 0.4, 0.5], [4.0, 3.0, 1.0, 1.0], 1, 1.0],
    // Secants of slope −1 and 1 from samples 10 apart meet before the interval: it is least at its lower end.
    'crossing outside' => [[0.0, 0.1, 0.2, 0.3], [0.1, 0.0, 10.0, 10.1], 1, 9.9],
    'the same line on both sides' => [[0.1, 0.2, 0.3, 0.4], [4.0, 3.0, 2.0, 1.0], 1, 2.0],
    'level' => [[0.1, 0.2, 0.3, 0.4], [4.0, 4.0, 4.0, 4.0], 1, 4.0],
    // Only 2 − 10 (x − 0.4) on from the left.
    'at the last interval, falling' => [[0.2, 0.4, 0.7], [4.0, 2.0, 5.0], 1, -1.0],
    'at the last interval, rising' => [[0.2, 0.4, 0.7], [2.0, 4.0, 5.0], 1, 4.0],
    'a neighbour without a value' => [[0.1, 0.2, 0.4, 0.5], [INF, 3.0, 3.0, 4.0], 1, 1.0],
    'an end without a value' => [[0.1, 0.2, 0.4, 0.5], [4.0, 3.0, INF, 1.0], 1, 1.0],
    'no neighbour' => [[0.2, 0.4], [4.0, 2.0], 0, -INF],
    'no neighbour with a value' => [[0.1, 0.2, 0.4, 0.5], [INF, 3.0, 3.0, INF], 1, -INF],
]);

it('divides the widest interval in which a function may be lower', function (
    array $parts, array $values, float $accuracy, ?array $interval,
): void {
    $found = (new MovementRefinement($parts))->besideMinimum($values, $accuracy);
    expect($found[0] ?? null)->toBe($interval[0] ?? null)
        ->and($found[1] ?? 0.0)->toEqualWithDelta($interval[1] ?? 0.0, 1e-12);
})->with([
    // By the secants it may be −2 in the middle of both.
    'between two lowest' => [[0.0, 0.1, 0.3, 0.4], [4.0, 1.0, 1.0, 4.0], 0.1, [1, 0.2]],
    'the wider one beside the lowest' => [[0.0, 0.1, 0.2, 0.5, 0.6], [9.0, 4.0, 1.0, 4.0, 9.0], 0.1, [2, 0.3]],
    'the other one where that is wider' => [[0.0, 0.1, 0.4, 0.5, 0.6], [9.0, 4.0, 1.0, 4.0, 9.0], 0.1, [1, 0.3]],
    'the first of two as wide' => [[0.0, 0.25, 0.5, 0.75, 1.0], [9.0, 4.0, 1.0, 4.0, 9.0], 0.1, [1, 0.25]],
    // −1 per 0.1 on the left, 2 on the right: exactly a corner at 0.2.
    'none about a corner' => [[0.0, 0.1, 0.2, 0.3, 0.4], [3.0, 2.0, 1.0, 3.0, 5.0], 0.1, null],
    // Slopes −3 and 3 per 0.1 about samples 0.1 apart: 1.5 lower in the middle.
    'none where it is lower by no more than the accuracy' => [[0.0, 0.1, 0.2, 0.3], [4.0, 1.0, 1.0, 4.0], 1.6, null],
    'one where it is lower by a little more' => [[0.0, 0.1, 0.2, 0.3], [4.0, 1.0, 1.0, 4.0], 1.4, [1, 0.1]],
    'at the first position' => [[0.0, 0.2, 0.3], [1.0, 2.0, 9.0], 0.1, [0, 0.2]],
    'at the last position' => [[0.0, 0.1, 0.3], [9.0, 2.0, 1.0], 0.1, [1, 0.2]],
    'a rival in a wider interval' => [
        [0.0, 0.1, 0.2, 0.3, 0.4, 0.6, 0.7], [40.0, 11.0, 10.0, 30.0, 12.9, 12.9, 40.0], 0.1, [4, 0.2],
    ],
    'no rival more than 0.3 worse' => [
        [0.0, 0.1, 0.2, 0.3, 0.4, 0.6, 0.7], [40.0, 11.0, 10.0, 30.0, 13.1, 13.1, 40.0], 0.1, [1, 0.1],
    ],
    'below zero a rival counts too' => [
        [0.0, 0.1, 0.2, 0.3, 0.4, 0.6, 0.7], [0.0, -9.0, -10.0, -4.0, -7.1, -7.1, 0.0], 0.1, [4, 0.2],
    ],
    'nothing finer than 1/4096' => [[0.0, 1 / 4096, 2 / 4096], [2.0, 1.0, 2.0], 0.1, null],
    'what is a little wider' => [[0.0, 1.1 / 4096, 2.1 / 4096], [2.0, 1.0, 2.0], 0.1, [0, 1.1 / 4096]],
    'one position alone' => [[0.5], [1.0], 0.1, null],
]);

it('divides the widest interval over which a shape jumps, on the way from where it rests', function (
    array $jumpedAt, float $rest, ?array $interval,
): void {
    $parts = [0.0, 0.1, 0.3, 0.6, 1.0];
    $jumped = array_map(static fn (int $i): bool => in_array($i, $jumpedAt, true), array_keys($parts));
    $found = (new MovementRefinement($parts))->atJump($jumped, $rest);
    expect($found[0] ?? null)->toBe($interval[0] ?? null)
        ->and($found[1] ?? 0.0)->toEqualWithDelta($interval[1] ?? 0.0, 1e-12);
})->with([
    'none' => [[], 0.3, null],
    'behind rest, since the one before' => [[3], 0.3, [2, 0.3]],
    'before rest, since the one behind' => [[1], 0.3, [1, 0.2]],
    'at the last' => [[4], 0.3, [3, 0.4]],
    'at the first' => [[0], 0.3, [0, 0.1]],
    'the widest of some' => [[1, 3, 4], 0.3, [3, 0.4]],
    'the widest, though the first' => [[0, 1], 0.3, [1, 0.2]],
    'none before the first' => [[0], -0.1, null],
    'none behind the last' => [[4], 1.0, null],
]);

it('does not divide what is narrow for a jump', function (): void {
    expect((new MovementRefinement([0.0, 1 / 4096, 0.9 + 1 / 4096]))->atJump([false, true, false], 0.0))->toBeNull();
});
