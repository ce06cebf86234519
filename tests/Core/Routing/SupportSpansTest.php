<?php

declare(strict_types=1);

use Bowline\Routing\SupportSpans;
use Tests\Jobs;

/** A straight of 1000 up from the pump at 50, with a clamp of 40 at 450 and whatever repeats along it. */
function heldUp(array $repeats = [], array $to = []): stdClass
{
    return Jobs::file([['clamp' => 'c', 'before' => 0, 'after' => 0]], ['at' => [0, 0, 1050], ...$to], [
        'clamps' => [['id' => 'c', 'at' => [0, 0, 450], 'axis' => [0, 0, 1], 'bore' => 12, 'width' => 40]],
        'repeats' => $repeats,
    ]);
}

it('is held at its ends, in the middle of its clamps and at its clips', function (array $repeats, array $spans): void {
    expect(SupportSpans::of(Jobs::laid(heldUp($repeats))))->toEqualWithDelta($spans, 1e-9);
})->with([
    'clamps alone' => [[], [[0, 400], [400, 1000]]],
    'clips' => [
        [['kind' => 'clip', 'count' => 2, 'from' => 200, 'to' => 100]],
        [[0, 200], [200, 400], [400, 900], [900, 1000]],
    ],
    'a clip at the clamp and one at its end' => [
        [['kind' => 'clip', 'count' => 2, 'from' => 400, 'to' => 0]], [[0, 400], [400, 1000]],
    ],
    'not at what only lies on it' => [
        [['kind' => 'ring', 'count' => 2, 'from' => 200, 'to' => 100]], [[0, 400], [400, 1000]],
    ],
]);

it('is too long where it is longer than its stock is told', function (float $spacing, array $long): void {
    $file = heldUp();
    $file->version = 5;
    $file->stock[0]->support_spacing = $spacing;
    $found = SupportSpans::tooLong(Jobs::laid($file));
    expect(array_map(static fn (array $one): array => [$one[0], $one[1], $one[2]->distance], $found))
        ->toEqualWithDelta($long, 1e-9);
})->with([
    'both' => [399.0, [[0, 400, 399], [400, 1000, 399]]],
    'exactly as long as may be' => [400.0, [[400, 1000, 400]]],
    'neither' => [600.0, []],
]);

it('has an overhang where nothing holds its end', function (float $from, float $to, bool $isOverhang): void {
    // Its start is at a port of the pump, its end is open.
    expect(SupportSpans::isOverhang(Jobs::laid(heldUp()), $from, $to))->toBe($isOverhang);
})->with([
    'at a port' => [0.0, 400.0, false],
    'at its open end' => [400.0, 1000.0, true],
    'between' => [400.0, 999.0, false],
    'all of it' => [0.0, 1000.0, true],
]);
