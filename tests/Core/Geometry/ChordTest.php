<?php

declare(strict_types=1);

use Bowline\Geometry\Chord;

/** How far the middle of a chord is from its arc: R (1 − cos ½φ). */
function sagitta(float $radius, float $angle): float
{
    return $radius * (1 - cos($angle / 2));
}

it('divides an arc so that no chord is farther off than allowed, and no finer than that wants', function (
    float $tolerance,
    float $radius,
    float $angle,
): void {
    $pieces = (new Chord($tolerance))->pieces($radius, $angle);
    expect(sagitta($radius, $angle / $pieces))->toBeLessThanOrEqual($tolerance * (1 + 1e-9));
    if ($pieces > 1) {
        expect(sagitta($radius, $angle / ($pieces - 1)))->toBeGreaterThan($tolerance);
    }
})->with([0.5, 0.05, 0.001])->with([6.0, 90.0, 4000.0])->with([0.02, M_PI / 2, 5.5]);

it('gives a full circle sides in fours, eight at least', function (float $tolerance, float $radius, int $sides): void {
    expect((new Chord($tolerance))->sides($radius))->toBe($sides);
})->with([
    // 2 acos(1 − 0.05/6) is 14.80° a side: 24.3 sides.
    'a tube of 12' => [0.05, 6.0, 28],
    // 2 acos(1 − 0.1/100) is 5.125° a side: 70.2 sides.
    'a pipe of 200' => [0.1, 100.0, 72],
    // 2 acos(1 − 1/4) is 82.8° a side.
    'a wire' => [1.0, 4.0, 8],
    'finer than the tolerance itself' => [1.0, 0.2, 8],
]);

it('adds up shares of arcs of different radii to what each would have', function (): void {
    $chord = new Chord(0.05);
    $shares = $chord->share(30.0, 1.0) + $chord->share(90.0, 0.5);
    expect($shares)->toEqualWithDelta(1 / (2 * acos(1 - 0.05 / 30)) + 0.5 / (2 * acos(1 - 0.05 / 90)), 1e-12)
        ->and((int) ceil($chord->share(30.0, 1.0)))->toBe($chord->pieces(30.0, 1.0));
});

it('divides a curve by its second derivative, exactly so a parabola', function (float $tolerance, float $bend): void {
    // y = ½ b t² on [0, 1]: the chord over a width w is b w² / 8 off in its middle, wherever it is.
    $pieces = (new Chord($tolerance))->piecesOfCurve($bend);
    $off = static fn (int $count): float => $bend / $count ** 2 / 8;
    expect($off($pieces))->toBeLessThanOrEqual($tolerance * (1 + 1e-9));
    if ($pieces > 1) {
        expect($off($pieces - 1))->toBeGreaterThan($tolerance);
    }
})->with([0.5, 0.05, 0.001])->with([0.3, 40.0, 9000.0]);

it('has one piece of what is straight', function (): void {
    expect((new Chord(0.05))->piecesOfCurve(0.0))->toBe(1)
        ->and((new Chord(0.05))->pieces(30.0, 0.0))->toBe(1);
});

it('is finer for what is wider, turns farther, or is asked for more closely', function (): void {
    $pieces = static fn (float $tolerance, float $radius, float $angle): int => (new Chord($tolerance))
        ->pieces($radius, $angle);
    $plain = $pieces(0.05, 90.0, 1.0);
    expect($pieces(0.05, 360.0, 1.0))->toBe(2 * $plain)
        ->and($pieces(0.05, 90.0, 2.0))->toBe(2 * $plain)
        // A quarter of the tolerance wants half the width.
        ->and($pieces(0.0125, 90.0, 1.0))->toBe(2 * $plain);
});
