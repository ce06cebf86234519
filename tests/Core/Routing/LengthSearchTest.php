<?php

declare(strict_types=1);

use Tests\Jobs;
use Tests\Seeds;

/** A run up, over and down again, whose top may move. */
function goalpost(float $length, array $adjust, float $tolerance = 0.1): stdClass
{
    return Jobs::file(
        [['at' => [0, 0, 200]], ['at' => [300, 0, 200]]],
        ['at' => [300, 0, 50]],
        [
            'fixed_length' => ['length' => $length, 'tolerance' => $tolerance, 'adjust' => $adjust],
        ],
    );
}

it('raises a goalpost by half of what is missing', function (): void {
    $free = Jobs::laid(goalpost(600, ['stops' => [0, 1], 'along' => '+z']))->run;
    // Free length: 150 + 300 + 150, less four tangents of 30, plus two quarter circles of 30.
    $length = 600 - 120 + 30 * M_PI;
    $laid = Jobs::laid(goalpost($length + 50, ['stops' => [0, 1], 'along' => [0, 0, 7]]));

    expect($laid->adjustedBy)
        ->toEqualWithDelta(25, 1e-8)
        ->and($laid->length())
        ->toEqualWithDelta($length + 50, 1e-8)
        ->and($free->id)
        ->toBe('run');
});

it('finds the smallest move, whichever way it goes', function (int $seed): void {
    mt_srand($seed);
    $target = 640 + 120 * Jobs::random();
    $file = fn (float $length): stdClass => Jobs::file(
        [['at' => [90, 30, 160]], ['at' => [280, 40, 230]]],
        ['at' => [480, 0, 130]],
        [
            'fixed_length' => [
                'length' => $length,
                'tolerance' => 0.5,
                'adjust' => ['stops' => [1], 'along' => [0.3, 0.2, 1]],
            ],
        ],
    );
    $laid = Jobs::laid($file($target));
    expect($laid->nearestLength)->toBeNull()->and($laid->length())->toEqualWithDelta($target, 1e-7);

    // By brute force: no smaller move crosses the length. The stop itself is moved, nothing is adjusted.
    $direction = [0.3 / sqrt(1.13), 0.2 / sqrt(1.13), 1 / sqrt(1.13)];
    $at = fn (float $move): float => Jobs::laid(
        Jobs::file(
            [
                ['at' => [90, 30, 160]],
                ['at' => [280 + $move * $direction[0], 40 + $move * $direction[1], 230 + $move * $direction[2]]],
            ],
            ['at' => [480, 0, 130]],
        ),
    )->length() - $target;
    expect($at($laid->adjustedBy))->toEqualWithDelta(0, 1e-6);
    $sign = $at(0) <=> 0;
    for ($share = -0.995; $share < 1; $share += 0.035) {
        expect($at($share * abs($laid->adjustedBy)) <=> 0)->toBe($sign);
    }
})->with(fn (): array => Seeds::of(1, 30));

it('says the nearest length when none will do', function (): void {
    // One corner between two ends 400 apart: straight is the shortest there is.
    $laid = Jobs::laid(
        Jobs::file(
            [['at' => [150, 0, 200]]],
            ['at' => [400, 0, 50]],
            [
                'fixed_length' => ['length' => 380, 'tolerance' => 1, 'adjust' => ['stops' => [0], 'along' => '+z']],
            ],
        ),
    );

    expect($laid->nearestLength)->toEqualWithDelta(400, 1e-6)->and($laid->adjustedBy)->toBe(0.0);
});

it('reaches a length that is exactly the shortest', function (): void {
    $laid = Jobs::laid(
        Jobs::file(
            [['at' => [150, 0, 200]]],
            ['at' => [400, 0, 50]],
            [
                'fixed_length' => ['length' => 400, 'tolerance' => 0.01, 'adjust' => ['stops' => [0], 'along' => '+z']],
            ],
        ),
    );

    expect($laid->length())
        ->toEqualWithDelta(400, 1e-4)
        ->and($laid->adjustedBy)
        ->toEqualWithDelta(-150, 0.1);
});

it('stays where it is when the length is right already', function (): void {
    expect(Jobs::laid(goalpost(600 - 120 + 30 * M_PI, ['stops' => [0, 1], 'along' => '+z']))->adjustedBy)->toBe(0.0);
});

it('reaches its shortest length just beside where it is', function (float $by): void {
    // As above, 400 by a straight; its corner is told 2 above or below that, and is nearest to it where it stands.
    $laid = Jobs::laid(
        Jobs::file(
            [['at' => [150, 0, 50 + $by]]],
            ['at' => [400, 0, 50]],
            [
                'fixed_length' => ['length' => 400, 'tolerance' => 0.01, 'adjust' => ['stops' => [0], 'along' => '+z']],
            ],
        ),
    );
    expect($laid->nearestLength)->toBeNull()->and($laid->adjustedBy)->toEqualWithDelta(-$by, 0.1);
})->with([2.0, -2.0]);

it('looks far beyond the size of a run', function (float $more): void {
    $length = 600 - 120 + 30 * M_PI;
    $laid = Jobs::laid(goalpost($length + $more, ['stops' => [0, 1], 'along' => '+z']));
    expect($laid->adjustedBy)->toEqualWithDelta($more / 2, 1e-7 * $more)
        ->and($laid->length())->toEqualWithDelta($length + $more, 1e-6 * $more);
})->with(['twice its size' => [2500.0], 'a hundred times' => [120_000.0]]);

it('gives up at ten thousand times the size of a run', function (): void {
    $laid = Jobs::laid(goalpost(40_000_000, ['stops' => [0, 1], 'along' => '+z']));
    expect($laid->nearestLength)->toBeGreaterThan(600 * 1e4)->toBeLessThan(40_000_000);
});
