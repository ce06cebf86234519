<?php

declare(strict_types=1);

use Bowline\Geometry\Saddle;

dataset('saddles', [
    'half as wide, square' => [30, 15, 90], 'nearly as wide' => [30, 29.9, 90], 'as wide' => [30, 30, 90],
    'leaning' => [30, 20, 45], 'leaning back' => [30, 20, 120], 'as wide, leaning' => [30, 30, 60],
    'thin and flat' => [30, 3, 15],
]);

it('lies on both cylinders, and its derivative is along it', function (
    float $host,
    float $radius,
    float $degrees,
): void {
    $angle = deg2rad($degrees);
    $saddle = new Saddle($host, $radius, $angle);
    foreach ([false, true] as $isAhead) {
        foreach (range(-88, 88, 11) as $turn) {
            [$along, $over, $beside] = $saddle->pointAt(deg2rad($turn), $isAhead);
            // From the axis in the plane of both: its distance across, and beside.
            $across = $along * sin($angle) - $over * cos($angle);
            expect(hypot($over, $beside))->toEqualWithDelta($host, 1e-12 * $host)
                ->and(hypot($across, $beside))->toEqualWithDelta($radius, 1e-9);
            $step = 1e-5;
            $before = $saddle->pointAt(deg2rad($turn) - $step, $isAhead);
            $behind = $saddle->pointAt(deg2rad($turn) + $step, $isAhead);
            foreach ($saddle->derivativeAt(deg2rad($turn), $isAhead) as $axis => $slope) {
                expect($slope)->toEqualWithDelta(($behind[$axis] - $before[$axis]) / (2 * $step), 1e-4);
            }
        }
    }
})->with('saddles');

it('says how far it reaches along either axis', function (float $host, float $radius, float $degrees): void {
    $angle = deg2rad($degrees);
    $saddle = new Saddle($host, $radius, $angle);
    $along = $heights = [];
    foreach ([false, true] as $isAhead) {
        for ($i = 0; $i <= 4000; $i++) {
            [$x, $over] = $saddle->pointAt(M_PI * ($i / 4000 - 0.5), $isAhead);
            $along[] = $x;
            $heights[] = $x * cos($angle) + $over * sin($angle);
        }
    }

    expect($saddle->span()[0])->toEqualWithDelta(min($along), 1e-4)
        ->and($saddle->span()[1])->toEqualWithDelta(max($along), 1e-4)
        ->and($saddle->lowest())->toEqualWithDelta(min($heights), 1e-3)
        ->and($saddle->highest())->toEqualWithDelta(max($heights), 1e-3)
        ->and(sin($saddle->halfAngle()))->toEqualWithDelta($radius / $host, 1e-12);
})->with('saddles');

it('is none of a wider cylinder, or of one along the other', function (float $radius, float $angle): void {
    expect(fn () => new Saddle(30, $radius, $angle))->toThrow(InvalidArgumentException::class);
})->with([[30.1, M_PI / 2], [0, M_PI / 2], [20, 0], [20, M_PI]]);
