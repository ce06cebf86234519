<?php

declare(strict_types=1);

use Tests\Jobs;

/*
 * The straights of this run are from 0 to 370 and, behind a bend of 47.1239, from 417.1239 to 687.1239.
 */
function breakable(array $end = []): stdClass
{
    return Jobs::file([['at' => [400, 0, 0]]], ['at' => [400, 300, 0], ...$end], ['from' => ['at' => [0, 0, 0]]]);
}

it('breaks a run where it is told, in the middle of a leg, or of the longest straight', function (
    array $change,
    array $at,
): void {
    $run = Jobs::edited(breakable(), ['do' => 'break-run', ...$change]);

    expect($run->joints)->toEqual([(object) ['at' => (object) $at, 'kind' => 'weld', 'gap' => 2]]);
})->with([
    'at a length' => [['length' => 120], ['leg' => 1, 'from_start' => 120]],
    'behind the bend' => [['length' => 370 + 15 * M_PI + 70], ['leg' => 2, 'from_start' => 100.0]],
    'on a leg' => [['vertex' => 2], ['leg' => 2, 'from_start' => 165]],
    'anywhere' => [[], ['leg' => 1, 'from_start' => 185]],
]);

it('breaks what is left next', function (): void {
    $file = breakable();
    $file->runs[0] = Jobs::edited($file, ['do' => 'break-run']);
    $file->runs[0] = Jobs::edited($file, ['do' => 'break-run']);

    // 184 and 184 are left of the first straight, 270 of the second.
    expect($file->runs[0]->joints[1]->at)->toEqual((object) ['leg' => 2, 'from_start' => 165]);
    $run = Jobs::edited($file, ['do' => 'take-out-joint', 'joint' => 0]);
    expect($run->joints)->toHaveCount(1)->and($run->joints[0]->at->leg)->toBe(2);
    $file->runs[0] = $run;
    expect(isset(Jobs::edited($file, ['do' => 'take-out-joint', 'joint' => 0])->joints))->toBeFalse();
});

it('takes flanges where the run has one', function (): void {
    $run = Jobs::edited(
        breakable(['end' => ['type' => 'flange', 'od' => 60, 'thickness' => 8, 'bore' => 13]]), ['do' => 'break-run'],
    );

    expect($run->joints[0]->kind)->toBe('flanges');
});

it('refuses a place in a bend, with the nearest straight', function (float $length, string $says): void {
    expect(fn () => Jobs::edited(breakable(), ['do' => 'break-run', 'length' => $length]))->toThrow($says);
})->with([
    // A root gap of 2 has to lie on the straight: 1 before its end, or behind its beginning.
    'at its beginning' => [380, 'At 380 mm there is a bend. The nearest straight is at 369 mm.'],
    'at its end' => [410, 'At 410 mm there is a bend. The nearest straight is at 418.12 mm.'],
]);
