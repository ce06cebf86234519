<?php

declare(strict_types=1);

use Tests\Jobs;

it('has a point at each length, up to its ends', function (float $along, array $at): void {
    // 150 up from (0, 0, 50) and 400 across, with a bend of R 30 about (30, 0, 170) from 120 on.
    $laid = Jobs::laid(Jobs::file([['at' => [0, 0, 200]]], ['at' => [400, 0, 200]]));
    expect($laid->pointAt($along)->toArray())->toEqualWithDelta($at, 1e-9);
})->with([
    'its start' => [0.0, [0, 0, 50]],
    'the first leg' => [70.0, [0, 0, 120]],
    'half way round the bend' => [120 + 30 * M_PI / 4, [30 - 30 * M_SQRT1_2, 0, 170 + 30 * M_SQRT1_2]],
    'the second leg' => [120 + 30 * M_PI / 2 + 100, [130, 0, 200]],
    'its end' => [120 + 30 * M_PI / 2 + 370, [400, 0, 200]],
]);

it('is where it begins where it goes nowhere', function (): void {
    $laid = Jobs::laid(Jobs::file([], ['at' => [0, 0, 50]]));
    expect($laid->pointAt(3.0)->toArray())->toBe([0.0, 0.0, 50.0]);
});
