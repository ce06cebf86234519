<?php

declare(strict_types=1);

use Bowline\Job;
use Bowline\Solving\SolvedRun;
use Bowline\Solving\Solver;
use Tests\Jobs;

/** A hose of least radius 70 between two sockets that face each other, so far apart and so long. */
function facing(float $apart, float $length): SolvedRun
{
    $job = Job::read(
        Jobs::decoded([
            'format' => 'bowline-job',
            'version' => 2,
            'stock' => [
                [
                    'id' => 'h',
                    'kind' => 'hose',
                    'section' => ['shape' => 'round', 'od' => 20, 'wall' => 4],
                    'bend' => ['radius' => 70, 'min_radius' => 70, 'min_straight' => 0],
                    'density' => 1200,
                ],
            ],
            'runs' => [
                [
                    'id' => 'r',
                    'stock' => 'h',
                    'from' => ['at' => [0, 0, 0], 'axis' => '+x'],
                    'to' => ['at' => [$apart, 0, 0], 'axis' => '-x'],
                    'route' => ['kind' => 'spring', 'length' => $length],
                ],
            ],
        ]),
    );

    return (new Solver($job))->run($job->runs['r']);
}

it('tells the range of lengths that a hose is in when it keeps its radius', function (
    float $apart,
    float $length,
): void {
    $solved = facing($apart, $length);
    $range = $solved->facts;
    expect($solved->laid->path->leastRadius())
        ->toBeGreaterThanOrEqual(70.0)
        ->and($range->shortest)
        ->toBeLessThanOrEqual($length)
        ->and($range->longest ?? INF)->toBeGreaterThanOrEqual($length);
})->with([
    'hardly longer than its way' => [200, 210],
    'a wide loop, four times as long as its way' => [200, 800],
    'wide anyway' => [600, 720],
    'a loop of ten times its way' => [100, 1000],
]);

it('ends the range where the radius ends, to a millimetre', function (): void {
    // Laid again just within and just without, at both ends of the range that 230 is nearest to.
    $range = facing(200, 230)->facts;
    $radius = static fn (float $length): float => (float) facing(200, $length)->laid->path->leastRadius();
    expect($range->longest)
        ->not->toBeNull()
        ->and($radius($range->longest - 0.5))
        ->toBeGreaterThan(70.0)
        ->and($radius($range->longest + 0.5))
        ->toBeLessThan(70.0);
    // The loop of 800 over 200 keeps it from somewhere between: the length at which R 70 is just kept scales with the
    // radius.
    $loop = facing(200, 800)->facts->shortest;
    expect($radius($loop + 0.5))->toBeGreaterThanOrEqual(70.0)->and($radius($loop - 0.5))->toBeLessThan(70.0);
});
