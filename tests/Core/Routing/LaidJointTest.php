<?php

declare(strict_types=1);

use Bowline\Routing\LaidJoint;
use Tests\Jobs;

it('finds the nearest place on each straight that holds it, the nearest first', function (
    float $told, float $gap, array $needs, array $places,
): void {
    // Straights of 100, 20 and 150.
    expect(LaidJoint::places([[0.0, 100.0], [130.0, 150.0], [200.0, 350.0]], $told, $gap, ...$needs))
        ->toEqualWithDelta($places, 1e-12);
})->with([
    'where it is told' => [40.0, 0.0, [], [40.0, 130.0, 200.0]],
    'in a bend, nearer to the one before' => [110.0, 0.0, [], [100.0, 130.0, 200.0]],
    'in a bend, nearer to the one behind' => [120.0, 0.0, [], [130.0, 100.0, 200.0]],
    'behind the end' => [400.0, 0.0, [], [350.0, 150.0, 100.0]],
    'half of its gap from the ends' => [110.0, 8.0, [], [96.0, 134.0, 204.0]],
    'not where its gap has no room' => [140.0, 20.5, [], [89.75, 210.25]],
    'where its gap has just room' => [140.0, 20.0, [], [140.0, 90.0, 210.0]],
    'with straight needed ahead of it' => [10.0, 0.0, [30.0], [30.0, 230.0]],
    'with straight needed behind it' => [100.0, 0.0, [0.0, 30.0], [70.0, 200.0]],
    'with both' => [0.0, 10.0, [40.0, 50.0], [45.0, 245.0]],
    'nowhere' => [40.0, 151.0, [], []],
]);

/** A run up 200 and along +x for 300, with a bend of R 30 between, and joints in it. */
function joined(array ...$joints): stdClass
{
    return Jobs::file([['at' => [0, 0, 250]]], ['at' => [300, 0, 250]], ['joints' => array_map(
        static fn (array $joint): array => ['kind' => 'flanges', 'at' => $joint[0], 'gap' => $joint[1]], $joints,
    )]);
}

it('is told along the run, or along a leg from the corner at which that begins', function (
    array $joint, float $told, float $at,
): void {
    [$found] = LaidJoint::all(Jobs::laid(joined([$joint, 0])));
    expect($found->told)->toEqualWithDelta($told, 1e-9)
        ->and($found->at)->toEqualWithDelta($at, 1e-9)
        ->and($found->isInPlace())->toBe(abs($told - $at) < 1e-9);
})->with([
    'along the run' => [['length' => 60], 60.0, 60.0],
    'along the run, in the bend' => [['length' => 180], 180.0, 170.0],
    'along the first leg' => [['leg' => 1, 'from_start' => 60], 60.0, 60.0],
    // 100 from the corner: 70 from the end of the bend, which is 170 and an arc of 47.12 along the run.
    'along the second leg' => [['leg' => 2, 'from_start' => 100], 240.0 + 30 * M_PI_2, 240.0 + 30 * M_PI_2],
    'along the second leg, in the bend' => [
        ['leg' => 2, 'from_start' => 10], 150.0 + 30 * M_PI_2, 170.0 + 30 * M_PI_2,
    ],
]);

it('comes in the order along the run, each with the number that it was told by', function (): void {
    $found = LaidJoint::all(Jobs::laid(joined([['length' => 300], 4], [['length' => 60], 2])));
    expect(array_column($found, 'index'))->toBe([1, 0])
        ->and(array_map(static fn (LaidJoint $joint): array => $joint->span(), $found))
        ->toEqualWithDelta([[59.0, 61.0], [298.0, 302.0]], 1e-9);
});
