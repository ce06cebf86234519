<?php

declare(strict_types=1);

use Bowline\Body\Junction\CubeSizes;
use Bowline\Body\Junction\MemberTube;
use Tests\Tees;

/** @return non-empty-list<MemberTube> a pipe of 60 and a branch of 20, with bores or solid */
function legsOf(float $bore = 0.0): array
{
    [$main, $branch] = Tees::laid(Tees::file([[]], [], [60, 3], [20, 2]));

    return [new MemberTube($main, 30.0, $bore, true, true), new MemberTube($branch, 10.0, 0.3 * $bore, false, true)];
}

it('has squares whose corners lie on a circle stand off it by no more than the chord', function (float $chord): void {
    foreach (CubeSizes::of(legsOf(), $chord)->ofLegs as $number => $size) {
        $radius = $number === 0 ? 30.0 : 10.0;
        // Half a diagonal of the square, over the circle: r − √(r² − s²/2).
        $off = $radius - sqrt($radius ** 2 - $size ** 2 / 2);
        expect($off)->toBeLessThan($chord)
            // But not much less, where the cubes are not as large as they may be.
            ->and($size < 0.4 * $radius - 1e-9 ? $off : $chord)->toBeGreaterThan(0.75 * $chord);
    }
})->with([0.01, 0.1, 0.5, 2.0]);

it('goes by the bore where there is one, and by each leg', function (): void {
    [$main, $branch] = CubeSizes::of(legsOf(20.0), 0.1)->ofLegs;
    [$solid] = CubeSizes::of(legsOf(), 0.1)->ofLegs;
    // As the square roots of the radii: 20 and 6, 30 and 20.
    expect($main / $branch)->toEqualWithDelta(sqrt(20 / 6), 1e-9)
        ->and($solid / $main)->toEqualWithDelta(sqrt(30 / 20), 1e-9)
        ->and(CubeSizes::of(legsOf(20.0), 0.1)->greatest())->toBe($main);
});

it('is as fine as a fillet only where that is seen', function (): void {
    $sizes = CubeSizes::of(legsOf(), 0.5);
    // In a square corner a ball of ρ stands off by ρ(√2 − 1): seen from 1.207 on.
    expect($sizes->ofFillet(1.2))->toBe(INF)
        ->and($sizes->ofFillet(1.21))->toBeLessThan($sizes->ofFillet(4.0))
        ->and($sizes->ofFillet(4.0) / $sizes->ofFillet(16.0))->toEqualWithDelta(0.5, 1e-9)
        // At a sharp edge they are half as large as on the finest leg.
        ->and($sizes->ofFillet(0.0))->toEqualWithDelta(min($sizes->ofLegs) / 2, 1e-9);
});

it('is finer at each try', function (): void {
    $before = INF;
    for ($try = 0; $try < 6; $try++) {
        $sizes = CubeSizes::of(legsOf(20.0), 0.2, $try);
        expect($sizes->greatest())->toBeLessThan($before)
            ->and($sizes->ofFillet(5.0))->toEqualWithDelta(
                CubeSizes::of(legsOf(20.0), 0.2)->ofFillet(5.0) * $sizes->greatest()
                    / CubeSizes::of(legsOf(20.0), 0.2)->greatest(), 1e-9,
            );
        $before = $sizes->greatest();
    }
});
