<?php

declare(strict_types=1);

use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\Vector;
use Bowline\Space\RoundedUnion;
use Bowline\Space\RoundedUnions;
use Bowline\Space\TubeDistance;

/** A tube of a radius from a place in a direction, without end there; without end behind it too where that is told. */
function endlessTube(array $from, array $along, float $radius, bool $isBefore = false): TubeDistance
{
    $at = new Vector(...$from);

    return TubeDistance::along(
        new Path([new Line($at, $at->plus(new Vector(...$along)))]), $radius, $isBefore, true,
    );
}

/** A pipe of 30 along x with tubes of 12 up at 0 and at 200, rounded with 8 and with 3. */
function twoRadii(): RoundedUnions
{
    $pipe = endlessTube([0.0, 0.0, 0.0], [1.0, 0.0, 0.0], 30.0, true);

    return new RoundedUnions([
        new RoundedUnion([0 => $pipe, 1 => endlessTube([0.0, 0.0, 0.0], [0.0, 0.0, 1.0], 12.0)], 8.0),
        new RoundedUnion([0 => $pipe, 2 => endlessTube([200.0, 0.0, 0.0], [0.0, 0.0, 1.0], 12.0)], 3.0),
    ]);
}

it('is rounded by each radius where tubes of its group meet', function (): void {
    // In the plane of the axes, from the middle of each circle towards the corner.
    foreach ([[0.0, 8.0], [200.0, 3.0]] as [$at, $ball]) {
        foreach ([-1, 1] as $side) {
            foreach ([10, 45, 80] as $degrees) {
                $off = $ball - 0.25;
                [$x, $z] = [
                    $at + $side * (12 + $ball - $off * cos(deg2rad($degrees))),
                    30 + $ball - $off * sin(deg2rad($degrees)),
                ];
                expect(twoRadii()->at($x, 0.0, $z, 1e-10)[0])->toEqualWithDelta(0.25, 1e-7)
                    ->and(twoRadii()->bound($x, 0.0, $z, 1e-10))->toEqualWithDelta(0.25, 1e-7);
            }
        }
    }
});

it('knows its tubes, their numbers and the nearest group', function (): void {
    $both = twoRadii();
    expect(array_keys($both->tubes()))->toBe([0, 1, 2])
        ->and($both->balls())->toBe([8.0, 3.0])
        ->and([$both->nearest(5, 0, 90), $both->nearest(100, 0, 40), $both->nearest(205, 0, 90)])->toBe([1, 0, 2])
        ->and($both->nearestGroup(14, 0, 32, 1e-9)->rounding)->toBe(8.0)
        ->and($both->nearestGroup(213, 0, 31, 1e-9)->rounding)->toBe(3.0);
});

it('tells the ball that may touch two tubes near a place', function (): void {
    $both = twoRadii();
    expect($both->ballNear(15, 0, 34, 1.0))->toBe(8.0)
        ->and($both->ballNear(214, 0, 32, 1.0))->toBe(3.0)
        ->and($both->ballNear(100, 0, 31, 1.0))->toBeNull()
        // Six off the branch no ball of 3 reaches, one of 8 does.
        ->and($both->ballNear(200 + 12 + 8, 0, 32, 1.0))->toBeNull()
        ->and($both->ballNear(12 + 8, 0, 32, 1.0))->toBe(8.0);
});

it('finds the nearest place for a ball among three tubes, by brute force', function (float $radius, float $ball): void {
    $tubes = [
        endlessTube([0.0, 0.0, 0.0], [1.0, 0.0, 0.0], $radius), endlessTube([0.0, 0.0, 0.0], [0.0, 1.0, 0.0], $radius),
        endlessTube([0.0, 0.0, 0.0], [0.0, 0.0, 1.0], $radius),
    ];
    $union = new RoundedUnion($tubes, $ball);
    $isFree = static fn (float ...$at): bool => min(array_map(
        static fn (TubeDistance $tube): float => $tube->at(...$at)[0], $tubes,
    )) >= $ball - 1e-6;
    $step = ($radius + $ball) / 8;
    $free = [];
    for ($i = -14; $i <= 20; $i++) {
        for ($j = -14; $j <= 20; $j++) {
            for ($k = -14; $k <= 20; $k++) {
                if ($isFree($i * $step, $j * $step, $k * $step)) {
                    $free[] = [$i * $step, $j * $step, $k * $step];
                }
            }
        }
    }
    mt_srand(5);
    for ($tried = 0; $tried < 25; $tried++) {
        // Off all axes by a little more than their radius.
        $at = array_map(static fn (): float => 0.72 * $radius + mt_rand(0, 30) / 100 * $ball, [0, 1, 2]);
        [$told, $gx, $gy, $gz] = $union->at($at[0], $at[1], $at[2], 1e-9);
        expect($told)->toBeLessThan($ball);
        $way = $ball - $told;
        // The place that it tells is free, and no place of a grid that is free is nearer.
        expect($isFree($at[0] + $way * $gx, $at[1] + $way * $gy, $at[2] + $way * $gz))->toBeTrue();
        $least = min(array_map(static fn (array $place): float => ($place[0] - $at[0]) ** 2
            + ($place[1] - $at[1]) ** 2 + ($place[2] - $at[2]) ** 2, $free));
        expect(sqrt($least))->toBeGreaterThan($way - 1e-6);
    }
})->with([[10, 4], [10, 12], [4, 10]]);
