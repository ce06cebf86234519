<?php

declare(strict_types=1);

use Bowline\Routing\Fillets;

/*
 * Bends of polylines, by hand: a bend of R by an angle takes a tangent of R·tan(angle / 2) on both sides.
 */

/**
 * @param  list<array{float, float, float}>  $points
 * @param  list<bool>  $own
 */
function fillets(array $points, float $radius, array $own = []): Fillets
{
    return Fillets::fit($points, array_fill(0, count($points), $radius), $own + array_fill(0, count($points), false));
}

/** A point of the plane z = 0. */
function flat(float $x, float $y): array
{
    return [$x, $y, 0.0];
}

it('rounds a right angle, and nothing at its ends', function (): void {
    $found = fillets([flat(0, 0), flat(100, 0), flat(100, 100)], 30.0);
    expect($found->kept)->toBe([0, 1, 2])
        ->and($found->asking)->toBe([0, 1, 2])
        ->and($found->turn)->toEqualWithDelta([0.0, M_PI_2, 0.0], 1e-12)
        ->and($found->asked)->toEqualWithDelta([0.0, 30.0, 0.0], 1e-12)
        ->and($found->tangent)->toEqualWithDelta([0.0, 30.0, 0.0], 1e-12)
        ->and($found->radius)->toEqualWithDelta([0.0, 30.0, 0.0], 1e-12)
        ->and($found->length)->toEqualWithDelta(200 - 60 + 30 * M_PI_2, 1e-12);
});

it('is as long as its legs less their tangents and with the arcs between', function (
    array $points, array $turns,
): void {
    $found = fillets($points, 10.0);
    $legs = 0.0;
    foreach ($points as $i => $point) {
        $before = $points[$i - 1] ?? $point;
        $legs += sqrt(array_sum(array_map(static fn (float $a, float $b): float => ($a - $b) ** 2, $point, $before)));
    }
    $cut = array_sum(array_map(static fn (float $turn): float => 20 * tan($turn / 2) - 10 * $turn, $turns));
    expect($found->turn)->toEqualWithDelta([0.0, ...$turns, 0.0], 1e-12)
        ->and($found->length)->toEqualWithDelta($legs - $cut, 1e-9);
})->with([
    'one turn of 60°' => [[flat(0, 0), flat(100, 0), flat(150, 50 * sqrt(3))], [M_PI / 3]],
    'one of 120°' => [[flat(0, 0), flat(100, 0), flat(50, 50 * sqrt(3))], [2 * M_PI / 3]],
    'out of the plane' => [
        [flat(0, 0), flat(100, 0), flat(100, 100), [100.0, 100.0, 100.0], [0.0, 100.0, 100.0]],
        [M_PI_2, M_PI_2, M_PI_2],
    ],
    // The cosine of the angle between (1, 2, 2) and (2, −1, 2) is 4/9.
    'in space' => [[[0.0, 0.0, 0.0], [100.0, 200.0, 200.0], [300.0, 100.0, 400.0]], [acos(4 / 9)]],
    'straight' => [[flat(0, 0), flat(100, 0)], []],
]);

it('goes straight on through what does not turn', function (): void {
    // 50 and 80 lie on the first leg; at 200 the second goes on.
    $found = fillets([flat(0, 0), flat(50, 0), flat(80, 0), flat(100, 0), flat(100, 60), flat(100, 200)], 30.0);
    expect($found->kept)->toBe([0, 3, 5])
        ->and($found->asking)->toBe([0, 3, 5])
        ->and($found->turn)->toEqualWithDelta([0.0, M_PI_2, 0.0], 1e-12)
        ->and($found->length)->toEqualWithDelta(300 - 60 + 30 * M_PI_2, 1e-12);
});

it('takes a turn of a hundredth of a degree for a bend, and less for none', function (
    float $degrees, array $kept,
): void {
    $away = flat(100 + 100 * cos(deg2rad($degrees)), 100 * sin(deg2rad($degrees)));
    expect(fillets([flat(0, 0), flat(100, 0), $away], 30.0)->kept)->toBe($kept);
})->with([[0.009, [0, 2]], [0.011, [0, 1, 2]], [45.0, [0, 1, 2]]]);

it('asks once where vertices coincide: the one that has a radius of its own', function (array $own, int $asks): void {
    /** @var list<bool> $own */
    $points = [flat(0, 0), flat(100, 0), flat(100, 5e-7), flat(100, 0), flat(100, 100)];
    $found = Fillets::fit($points, [0.0, 10.0, 20.0, 30.0, 0.0], [false, ...$own, false]);
    expect($found->kept)->toBe([0, 1, 4])
        ->and($found->asking)->toBe([0, $asks, 4])
        ->and($found->radius[1])->toEqualWithDelta(10.0 * $asks, 1e-4);
})->with([
    'the first where none has' => [[false, false, false], 1],
    'the second' => [[false, true, false], 2],
    'the third' => [[false, false, true], 3],
    'the first of two' => [[false, true, true], 2],
    'the first of all' => [[true, true, true], 1],
]);

it('keeps apart what is just not the same point', function (): void {
    expect(fillets([flat(0, 0), flat(100, 0), flat(100, 2e-6), flat(100, 100)], 30.0)->kept)->toBe([0, 1, 3]);
});

it('gives two bends that want too much of a leg half of it each', function (): void {
    // R 60 at both ends of a leg of 100.
    $found = fillets([flat(0, 0), flat(200, 0), flat(200, 100), flat(400, 100)], 60.0);
    expect($found->asked)->toEqualWithDelta([0.0, 60.0, 60.0, 0.0], 1e-12)
        ->and($found->tangent)->toEqualWithDelta([0.0, 50.0, 50.0, 0.0], 1e-12)
        ->and($found->radius)->toEqualWithDelta([0.0, 50.0, 50.0, 0.0], 1e-12)
        ->and($found->length)->toEqualWithDelta(500 - 200 + 2 * 50 * M_PI_2, 1e-9);
});

it('lets a mild bend keep its radius beside one that has no room', function (bool $isMildFirst): void {
    // 60° of R 30 takes 17.32 of a leg of 60; a right angle of R 80 gets the other 42.68.
    $mild = 30 * tan(M_PI / 6);
    $points = [flat(-100, 0), flat(0, 0), flat(30, 30 * sqrt(3)), flat(30 + 100 * sqrt(3), 30 * sqrt(3) - 100)];
    $radii = [0.0, 30.0, 80.0, 0.0];
    $found = $isMildFirst
        ? Fillets::fit($points, $radii, array_fill(0, 4, false))
        : Fillets::fit(array_reverse($points), array_reverse($radii), array_fill(0, 4, false));
    $expected = [[0.0, $mild, 60 - $mild, 0.0], [0.0, 30.0, 60 - $mild, 0.0]];
    [$tangents, $radii] = $isMildFirst ? $expected : array_map(array_reverse(...), $expected);
    expect($found->tangent)->toEqualWithDelta($tangents, 1e-9)->and($found->radius)->toEqualWithDelta($radii, 1e-9);
})->with([true, false]);

it('takes all of a leg at an end of the run, and no more', function (float $leg, float $radius): void {
    $found = fillets([flat(0, 0), flat($leg, 0), flat($leg, 100)], 30.0);
    expect($found->radius[1])->toEqualWithDelta($radius, 1e-12)->and($found->asked[1])->toEqualWithDelta(30.0, 1e-12);
})->with([[20.0, 20.0], [30.0, 30.0], [31.0, 30.0]]);

it('takes what is least of both sides', function (): void {
    // 25 on the one side, half of 30 on the other.
    $found = fillets([flat(0, 0), flat(25, 0), flat(25, 30), flat(200, 30)], 40.0);
    expect($found->radius)->toEqualWithDelta([0.0, 15.0, 15.0, 0.0], 1e-12);
});
