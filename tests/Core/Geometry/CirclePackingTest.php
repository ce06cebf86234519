<?php

declare(strict_types=1);

use Bowline\Geometry\CirclePacking;

/*
 * Packings of circles in a circle. Equal ones: the best known radii, as multiples of that of a circle (R. L. Graham,
 * B. D. Lubachevsky, K. J. Nurmela, P. R. J. Östergård, Discrete Mathematics 181, 1998; proven for up to 13 and 19).
 */
it('packs equal circles within 3 % of the best that is known', function (int $count, float $best): void {
    $radius = CirclePacking::radius(array_fill(0, $count, 1.7));

    expect($radius / 1.7)->toBeGreaterThan($best - 1e-4)->toBeLessThan(1.03 * $best);
})->with([
    [1, 1.0], [2, 2.0], [3, 1 + 2 / sqrt(3)], [4, 1 + M_SQRT2], [5, 1 + 1 / sin(M_PI / 5)], [6, 3.0], [7, 3.0],
    [8, 1 + 1 / sin(M_PI / 7)], [9, 1 + 1 / sin(M_PI / 8)], [10, 3.8130], [11, 3.9238], [12, 4.0296],
    [13, 2 + sqrt(5)], [14, 4.3284], [15, 4.5213], [16, 4.6154], [17, 4.7920], [18, 4.8637],
    [19, 1 + M_SQRT2 + sqrt(6)],
]);

it('packs unequal circles within 5 % of what geometry says', function (array $radii, float $best): void {
    expect(CirclePacking::radius(array_values($radii)))->toBeGreaterThan($best * (1 - 1e-4))
        ->toBeLessThan(1.05 * $best);
})->with([
    'two' => [[3.0, 1.0], 4.0],
    // Beside two of R/2 on a diameter one of R/3 has room on either side: (R/2 + r)² = R²/4 + (R − r)².
    'three, one between two' => [[2.0, 2.0, 4 / 3], 4.0],
    'four, in both gaps of two' => [[2.0, 2.0, 4 / 3, 4 / 3], 4.0],
    // Three that touch each other, by Descartes: 1/R = −(k₁ + k₂ + k₃) + 2√(k₁k₂ + k₂k₃ + k₃k₁), turned about.
    'three that touch each other' => [[3.0, 2.5, 2.0], 1 / (
        2 * sqrt(1 / 3 / 2.5 + 1 / 2.5 / 2 + 1 / 2 / 3) - 1 / 3 - 1 / 2.5 - 1 / 2
    )],
    'small ones in the gaps of seven' => [[...array_fill(0, 7, 1.0), ...array_fill(0, 6, 0.15)], 3.0],
]);

it('holds their area, and is never larger than all of them in a row', function (): void {
    mt_srand(11);
    for ($i = 0; $i < 40; $i++) {
        $radii = array_map(static fn (): float => mt_rand(40, 400) / 100, range(1, mt_rand(2, 30)));
        $radius = CirclePacking::radius($radii);
        $area = array_sum(array_map(static fn (float $one): float => $one ** 2, $radii));
        rsort($radii);

        // Circles of any sizes have never been seen to cover nine tenths of a circle round so many.
        expect($radius ** 2)->toBeGreaterThan($area)->and($radius)->toBeGreaterThan($radii[0] + $radii[1] - 1e-4)
            ->and($radius)->toBeLessThan(array_sum($radii) + 1e-6)
            ->and($radius)->toBeLessThan(2.2 * sqrt($area));
    }
});

it('does not depend on the order in which they are told', function (): void {
    $radii = [2.0, 1.0, 3.0, 1.5, 1.0, 2.5];

    expect(CirclePacking::radius($radii))->toBe(CirclePacking::radius(array_reverse($radii)))
        ->and(CirclePacking::radius([]))->toBe(0.0);
});

it('packs hundreds as close as a few', function (int $count): void {
    $radii = array_map(static fn (int $i): float => $i % 3 === 0 ? 2.0 : 1.0, range(0, $count - 1));
    $area = array_sum(array_map(static fn (float $one): float => $one ** 2, $radii));

    // Two sizes lie closer than hexagons of one do, less what is lost at the rim.
    expect($area / CirclePacking::radius($radii) ** 2)->toBeGreaterThan(0.75);
})->with([60, 150, 400]);

it('lays circles beside each other within the one that it finds', function (array $radii): void {
    rsort($radii);
    $places = CirclePacking::places($radii);
    $whole = CirclePacking::radius($radii);
    $worst = $out = 0.0;
    foreach ($places as $i => [$x, $y]) {
        $out = max($out, hypot($x, $y) + $radii[$i] - $whole);
        foreach (array_slice($places, $i + 1, null, true) as $j => $other) {
            $worst = max($worst, $radii[$i] + $radii[$j] - hypot($x - $other[0], $y - $other[1]));
        }
    }

    expect($places)->toHaveCount(count($radii))->and($worst)->toBeLessThan(1e-9)->and($out)->toBeLessThan(1e-5);
})->with([
    [[]], [[2.0]], [[1.0, 2.0]], [[1.0, 1.0, 1.0]], [array_fill(0, 7, 1.5)], [array_fill(0, 19, 1.0)],
    [[4.35, 1.5, 1.5, 1.05, 1.05, 1.05, 0.8, 0.8]], [[...array_fill(0, 20, 1.05), ...array_fill(0, 20, 1.5)]],
]);
