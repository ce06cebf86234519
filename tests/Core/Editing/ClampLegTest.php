<?php

declare(strict_types=1);

use Bowline\Editing\Edit\ThroughClamp;
use Bowline\Editing\Loosening;
use Bowline\Editing\RunDraft;
use Bowline\Job;
use Tests\Jobs;

/** Up 200 from the pump, along x for 400, then up to the end; a clamp somewhere. */
function clampJob(array $clamp, array $to = ['at' => [400, 0, 600]]): stdClass
{
    return Jobs::file([['at' => [0, 0, 200]], ['at' => [400, 0, 200]]], $to, [
        'clamps' => [['id' => 'c', 'bore' => 12, 'width' => 20, ...$clamp]],
    ]);
}

function throughClamp(stdClass $file, ?int $vertex): stdClass
{
    $run = RunDraft::of(Jobs::laid($file))
        ->apply(new ThroughClamp($vertex, Job::read($file)->site->clamps['c']))
        ->run();
    $after = clone $file;
    $after->runs = [$run];

    return $after;
}

it(
    'leaves a run as it is that goes through the clamp already, and moves the leg with the clamp from then on',
    function (): void {
        $file = clampJob(['at' => [150, 0, 200], 'axis' => '+x']);
        $held = throughClamp($file, 2);
        expect($held->runs[0]->route->stops)
            ->toEqual([Jobs::object(['clamp' => 'c', 'before' => 150, 'after' => 250])])
            ->and(Jobs::written($held)['vertices'])
            ->toEqualWithDelta(Jobs::written($file)['vertices'], 1e-9);
        $held->clamps[0]->at = [150, 0, 260];
        expect(Jobs::written($held)['vertices'])
            ->toEqualWithDelta([[0, 0, 50], [0, 0, 260], [400, 0, 260], [400, 0, 600]], 1e-9)
            ->and(Jobs::broken($held))
            ->toBe([]);
        // Taken away, the run stays.
        $gone = clone $held;
        $gone->clamps = [];
        expect(Jobs::written(Loosening::of($held)->fit($gone))['vertices'])->toEqualWithDelta(
            Jobs::written($held)['vertices'],
            1e-9,
        );
    },
);

it('puts a leg on the axis of a clamp with corners where the bends have room', function (array $clamp): void {
    $file = clampJob($clamp);
    $file->runs[0]->from->lead = 60;
    expect(Jobs::broken(throughClamp($file, 3)))->toBe([]);
})->with([
    'above the leg' => [['at' => [200, 0, 320], 'axis' => '+x']],
    'against the travel' => [['at' => [200, 0, 320], 'axis' => '-x']],
    'aside of it' => [['at' => [200, 90, 240], 'axis' => '+x']],
]);

it('keeps the corners where the legs beside meet the axis', function (): void {
    $held = throughClamp(clampJob(['at' => [200, 0, 320], 'axis' => '-x']), 2);
    expect($held->runs[0]->route->stops)->toEqual([
        Jobs::object(['clamp' => 'c', 'before' => 200, 'after' => 200, 'reverse' => true]),
    ]);
});

it('goes on from an open end through a clamp with room for the bend ahead of it', function (): void {
    $file = Jobs::file(
        [['at' => [0, 0, 200]]],
        ['at' => [0, 0, 200]],
        ['clamps' => [['id' => 'c', 'at' => [300, 0, 260], 'axis' => '+x', 'bore' => 12, 'width' => 20]]],
    );
    $held = throughClamp($file, null);
    expect(Jobs::broken($held))->toBe([])->and(Jobs::laid($held)->run->to->at->toArray()[0])->toBeGreaterThan(310);
});
