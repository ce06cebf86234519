<?php

declare(strict_types=1);

use Bowline\Exchange\SolutionWriter;
use Bowline\Job;
use Tests\Jobs;

/** Two straight runs in a set that are to be of one length, 600 and 590 long, the second within so much. */
function setOfTwo(float $tolerance): array
{
    $run = static fn (string $id, int $y, int $to, float $within): array => [
        'id' => $id, 'stock' => 't', 'from' => ['at' => [0, $y, 0]], 'to' => ['at' => [$to, $y, 0]],
        'fixed_length' => ['same_as' => 's', 'tolerance' => $within], 'route' => ['kind' => 'corners', 'stops' => []],
    ];
    $job = Job::read(
        Jobs::decoded([
            'format' => 'bowline-job',
            'version' => 2,
            'stock' => [
                [
                    'id' => 't',
                    'kind' => 'tube',
                    'section' => ['shape' => 'round', 'od' => 12, 'wall' => 1.5],
                    'bend' => ['radius' => 30, 'min_radius' => 24, 'min_straight' => 20],
                    'density' => 7850,
                ],
            ],
            'runs' => [$run('long', 0, 600, 0.5), $run('short', 100, 590, $tolerance)],
            'sets' => [['id' => 's', 'runs' => ['long', 'short'], 'budget' => 1200]],
        ]),
    );

    return SolutionWriter::sets(
        $job,
        array_map(static fn ($one): float => $one->route->lay($one)->length(), $job->runs),
        ['short'],
    )[0];
}

it('says of each run of a set whether it came to the one length', function (float $tolerance, bool $kept): void {
    $set = setOfTwo($tolerance);
    expect($set['members'][0])->toEqual(['run' => 'long', 'length' => 600.0, 'off' => 0.0, 'kept' => true])
        ->and($set['members'][1])
        ->toEqual(['run' => 'short', 'length' => 590.0, 'off' => -10.0, 'kept' => $kept, 'waiting' => true])
        ->and($set['total'])->toEqual(1190.0)->and($set['left'])->toEqual(10.0)->and($set['longest'])->toEqual(600.0);
})->with(['exactly at its tolerance' => [10.0, true], 'just over it' => [9.999, false], 'well within' => [20.0, true]]);
