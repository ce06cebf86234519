<?php

declare(strict_types=1);

use Bowline\Rules\Finding;
use Bowline\Rules\Rules;
use Tests\Jobs;

/*
 * Falls and pockets of runs that drain, by hand: the run begins at (0, 0, 1000) and goes along x and y.
 */

/**
 * @param  list<list<float|int>>  $corners
 * @param  list<float|int>  $to
 * @return array<string, list<Finding>>
 */
function drained(array $corners, array $to, ?float $fall, array $from = [0, 0, 1000], array $route = []): array
{
    $file = Jobs::file(
        array_map(static fn (array $at): array => ['at' => $at], $corners), ['at' => $to], ['from' => ['at' => $from]],
    );
    $file->runs[0]->route = Jobs::object([...(array) $file->runs[0]->route, ...$route]);
    if ($fall !== null) {
        $file->runs[0]->fall = $fall;
    }
    $laid = Jobs::laid($file);

    return ['no-fall' => Rules::all()['no-fall']->check($laid), 'pocket' => Rules::all()['pocket']->check($laid)];
}

it('asks for the least fall of every straight', function (float $end, ?float $fall, ?float $measured): void {
    // 1 m along x from 1000 down, and another metre along y with a drop of 50.
    $found = drained([[1000, 0, 1000 - $end]], [1000, 1000, 950 - $end], $fall)['no-fall'];

    expect($found)->toHaveCount($measured === null ? 0 : 1);
    if ($measured !== null) {
        expect($found[0]->measured)->toEqualWithDelta($measured, 1e-6)->and($found[0]->required)->toEqual($fall)
            ->and($found[0]->span[0])->toEqualWithDelta(0, 1e-9)
            ->and($found[0]->subject->toArray()['kind'])->toBe('leg');
    }
})->with([
    'just enough' => [20, 20.0, null], 'too little' => [19.9, 20.0, 19.9], 'level' => [0, 5.0, 0.0],
    'level where it must not climb' => [0, 0.0, null], 'nothing is asked for' => [0, null, null],
]);

it('counts from the higher end, whichever way the run is told', function (): void {
    $found = drained([[1000, 0, 30]], [1000, 1000, 80], 40.0, [0, 0, 0])['no-fall'];

    // Towards the start it falls by 50 and by 30 a metre.
    expect($found)->toHaveCount(1)->and($found[0]->measured)->toEqualWithDelta(30, 1e-6);
});

it('falls all along a bend whose legs do, and straight down', function (): void {
    expect(drained([[1000, 0, 980], [1000, 1000, 960]], [1000, 1000, 200], 20.0))
        ->toBe(['no-fall' => [], 'pocket' => []]);
});

it('finds where liquid stands: at the lowest place before it climbs', function (): void {
    // Down to 900 over a metre, up to 930 over the next, and down again.
    $found = drained([[1000, 0, 900], [2000, 0, 930]], [3000, 0, 700], 10.0);

    expect($found['pocket'])->toHaveCount(1)->and($found['no-fall'])->toBe([])
        // A bend of R 30 rounds both ends: a little over the corner, and as little under the other.
        ->and($found['pocket'][0]->measured)->toBeGreaterThan(28.5)->toBeLessThan(30.0)
        ->and($found['pocket'][0]->at->z)->toBeGreaterThan(900.0)->toBeLessThan(900.5)
        ->and($found['pocket'][0]->at->x)->toEqualWithDelta(1000, 5);
});

it('finds a run that climbs out of its start', function (): void {
    $found = drained([[0, 0, 1100], [500, 0, 1100 - 20]], [1000, 0, 900], 10.0)['pocket'];

    expect($found)->toHaveCount(1)->and($found[0]->at->toArray())->toEqualWithDelta([0, 0, 1000], 1e-9)
        ->and($found[0]->message)->toContain('on its way down from 0 mm along it on');
});

it('looks at curves all along', function (): void {
    $found = drained([], [1000, 0, 900], 10.0, [0, 0, 1000], ['kind' => 'flow', 'points' => [
        [300, 0, 850], [600, 0, 950],
    ], 'stops' => null]);

    expect($found['pocket'])->toHaveCount(1)
        ->and($found['pocket'][0]->at->x)->toBeGreaterThan(200.0)->toBeLessThan(400.0)
        ->and($found['pocket'][0]->measured)->toBeGreaterThan(95.0);
});
