<?php

declare(strict_types=1);

use Bowline\Job;
use Bowline\Job\ItemRef;
use Bowline\Proposals\NearLimit;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use Tests\Jobs;
use Tests\RandomScenes;

/*
 * What limits a drag: pairs that come nearer than they may, but not those that are too near where it rests.
 */

/** A tube of 12 along x at a height, and what stands around; 20 to be kept. */
function straightTube(float $height, array $more = []): Job
{
    return Job::read(Jobs::decoded([
        ...RandomScenes::boxes(1, 0), 'fittings' => [], 'clearances' => ['usual' => 20],
        'surroundings' => [[
            'id' => 'beam', 'name' => 'Beam', 'shape' => 'box', 'pose' => ['at' => [0, 0, 100]],
            'size' => [50, 200, 50],
        ]],
        'runs' => [[
            'id' => 'tube', 'name' => 'Tube', 'stock' => 't12', 'from' => ['at' => [-200, 0, $height]],
            'to' => ['at' => [200, 0, $height]], 'route' => ['kind' => 'corners', 'stops' => []],
        ]], ...$more,
    ]));
}

/** @return list<LaidRun> */
function laidIn(Job $job): array
{
    return array_map(static fn (Run $run): LaidRun => $run->route->lay($run), array_values($job->runs));
}

it('is passed where the run comes nearer than it may', function (float $height, ?string $words): void {
    $rest = straightTube(0);
    $limit = new NearLimit($rest, laidIn($rest), [ItemRef::run('tube')]);
    $now = straightTube($height);

    expect($limit->passed(laidIn($now), $now->site)?->title())->toBe($words);
})->with([
    // The beam begins at 75: 75 − 20 − 6 = 49.
    'as near as it may' => [49.0, null], 'nearer' => [49.1, 'Tube is too near to Beam'],
    'through it' => [100.0, 'Tube goes into Beam'], 'beyond it' => [151.1, null],
]);

it('is not passed by what is too near at rest, however much nearer it comes', function (): void {
    $rest = straightTube(60);
    $limit = new NearLimit($rest, laidIn($rest), [ItemRef::run('tube')]);
    $now = straightTube(90);

    expect($limit->passed(laidIn($now), $now->site))->toBeNull();
});

it('is passed by a thing that is moved to a run', function (): void {
    $rest = straightTube(0);
    $limit = new NearLimit($rest, laidIn($rest), [ItemRef::of('surroundings', 'beam')]);
    $moved = straightTube(0, ['surroundings' => [[
        'id' => 'beam', 'name' => 'Beam', 'shape' => 'box', 'pose' => ['at' => [0, 0, 45]], 'size' => [50, 200, 50],
    ]]]);

    expect($limit->passed([], $rest->site))->toBeNull()
        ->and($limit->passed([], $moved->site)?->gap->distance)->toEqualWithDelta(14.0, 1e-6)
        // From the top of the tube to the lower face of the beam.
        ->and($limit->passed([], $moved->site)?->gap->at[0]->z)->toEqualWithDelta(6.0, 1e-4)
        ->and($limit->passed([], $moved->site)?->gap->at[1]->z)->toEqualWithDelta(20.0, 1e-4);
});

it('moves the room beside a fitting with it', function (float $from, float $to, ?string $words): void {
    // A spin-on filter of 180: its canister ends 96 below its middle, and 60 below that are for unscrewing it.
    $at = static fn (float $z): Job => straightTube(0, ['surroundings' => [], 'fittings' => [[
        'id' => 'f', 'name' => 'Filter', 'pose' => ['at' => [0, 0, $z]], 'part' => ['kind' => 'canister'],
    ]]]);
    $rest = $at($from);
    $limit = new NearLimit($rest, laidIn($rest), [ItemRef::fitting('f')]);

    expect($limit->passed([], $at($to)->site)?->title())->toBe($words);
})->with([
    // The top of the tube is at 6: 96 + 60 + 6.
    'down, as far as its room allows' => [300.0, 162.1, null],
    'down until its room is stood in' => [300.0, 161.5, 'Tube is in the way at Filter'],
    'up, from where it is stood in' => [150.0, 170.0, null],
]);
