<?php

declare(strict_types=1);

use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Pathfinding\Batch;
use Bowline\Pathfinding\BatchLayer;
use Bowline\Pathfinding\Costs;
use Bowline\Pathfinding\Errand;
use Bowline\Pathfinding\Scene;
use Bowline\Pathfinding\Way;
use Bowline\Pathfinding\WayFinder;
use Bowline\Pathfinding\Weights;
use Tests\Jobs;
use Tests\RandomScenes;

/* Lists of runs where one stands in the way of another, and what ways are weighed by. Tubes of 12, bends of 36. */

/**
 * @param  array<string, array{list<int>, string}>  $ports  place and axis by the id of their fitting
 * @param  array<string, mixed>  $more
 */
function jobWithPorts(array $ports, array $more = []): Job
{
    $file = RandomScenes::boxes(1, 0);
    $file['fittings'] = [];
    foreach ($ports as $id => [$at, $axis]) {
        $file['fittings'][] = ['id' => $id, 'ports' => [['id' => 'p', 'at' => $at, 'axis' => $axis]]];
    }

    return Job::read(Jobs::decoded([...$file, ...$more]));
}

/** @param  array<string, mixed>  $more */
function errandBetween(Job $job, string $from, string $to, array $more = []): Errand
{
    return Errand::read(new Node(Jobs::object([
        'from' => $from.'.p', 'to' => $to.'.p', 'stock' => 't12', ...$more,
    ])), $job);
}

/** @param  list<array{string, string}>  $pairs */
function laidAll(Job $job, array $pairs): Batch
{
    return (new BatchLayer(
        Scene::of($job, []), array_map(static fn (array $pair): Errand => errandBetween($job, ...$pair), $pairs), [],
    ))->lay(static fn (): bool => false, static function (): void {
    });
}

/** A wall across y and z at x = 400 with a gate of so much in its middle, and walls that close it in to all sides. */
function gate(float $width): array
{
    $half = $width / 2;
    $box = static fn (string $id, array $at, array $size): array => [
        'id' => $id, 'name' => ucfirst($id), 'shape' => 'box', 'pose' => ['at' => $at], 'size' => $size,
    ];

    return [
        $box('port', [400, $half + 1000, 0], [40, 2000, 4000]),
        $box('starboard', [400, -$half - 1000, 0], [40, 2000, 4000]),
        $box('above', [400, 0, $half + 1000], [40, $width, 2000]),
        $box('below', [400, 0, -$half - 1000], [40, $width, 2000]),
        $box('roof', [400, 0, 2010], [2000, 4040, 20]), $box('floor', [400, 0, -2010], [2000, 4040, 20]),
        $box('left', [400, 2010, 0], [2000, 20, 4000]), $box('right', [400, -2010, 0], [2000, 20, 4000]),
    ];
}

it('makes room in a gate for a run that finds none left', function (): void {
    // Both go straight through a gate of 40 by themselves, 30 apart at the ports; two tubes of 12 with 8 between fit.
    $job = jobWithPorts([
        'a' => [[0, 0, 0], '+x'], 'b' => [[800, 0, 0], '-x'],
        'c' => [[0, 300, 0], '+x'], 'd' => [[800, 300, 0], '-x'],
    ], ['surroundings' => gate(40.0), 'clearances' => ['between' => [['classes' => ['fuel'], 'distance' => 3]]]]);
    $batch = laidAll($job, [['a', 'b'], ['c', 'd']]);

    expect($batch->notLaid)->toBe([])->and($batch->laid)->toHaveCount(2);
    $gap = INF;
    [$one, $other] = array_map(static fn (Way $way) => $way->solved->laid->path, array_values($batch->laid));
    for ($along = 0.0; $along < $one->length; $along += 2.0) {
        $at = $one->pointAt($along);
        $gap = min($gap, $other->pointAt($other->closestTo($at))->distanceTo($at));
    }
    expect($gap)->toBeGreaterThan(11.99);
});

it('says what closes the gate to a second run', function (): void {
    // A gate of 20 takes one tube of 12.
    $job = jobWithPorts([
        'a' => [[0, 0, 0], '+x'], 'b' => [[800, 0, 0], '-x'],
        'c' => [[0, 300, 0], '+x'], 'd' => [[800, 300, 0], '-x'],
    ], ['surroundings' => gate(20.0)]);
    $batch = laidAll($job, [['a', 'b'], ['c', 'd']]);

    expect($batch->laid)->toHaveCount(1)->and($batch->isWhole)->toBeTrue()
        ->and(array_values($batch->notLaid)[0])->toMatch('/(would have to (move|go)|In its way are)/');
});

it('keeps the mouths of what is still to come free', function (): void {
    // The short run is laid first; the shortest way of it is just in front of the other port.
    $job = jobWithPorts([
        'a' => [[0, -100, 0], '+y'], 'b' => [[0, 100, 0], '-y'],
        'c' => [[-20, 0, 0], '+x'], 'd' => [[900, 0, 0], '-x'],
    ]);
    $batch = laidAll($job, [['a', 'b'], ['c', 'd']]);

    expect($batch->notLaid)->toBe([])
        ->and($batch->laid[1]->bends())->toBe(0)
        ->and($batch->laid[0]->bends())->toBeGreaterThan(0);
});

it('gives each run of a list an id and a name of its own', function (): void {
    $job = jobWithPorts([
        'a' => [[0, 0, 0], '+x'], 'b' => [[400, 0, 0], '-x'], 'c' => [[0, 200, 0], '+x'], 'd' => [[400, 200, 0], '-x'],
    ]);
    $batch = (new BatchLayer(
        Scene::of($job, []), [errandBetween($job, 'a', 'b'), errandBetween($job, 'c', 'd')], ['a-p-to-b-p'],
    ))->lay(static fn (): bool => false, static function (): void {
    });
    $ids = array_map(static fn (Way $way): string => $way->item->id, $batch->laid);

    expect(array_unique($ids))->toHaveCount(2)->and($ids)->not->toContain('a-p-to-b-p')
        ->and($batch->laid[0]->item->name)->toBe('a p to b p');
});

it('lays nothing of an empty list', function (): void {
    expect(laidAll(jobWithPorts([]), []))->toEqual(new Batch([], [], true));
});

/** The best way from a to b, weighed so. */
function weighed(array $weights, array $surroundings = []): Way
{
    $job = jobWithPorts(
        ['a' => [[0, 0, 0], '+x'], 'b' => [[1000, 0, 400], '-x']], ['surroundings' => $surroundings],
    );
    $errand = errandBetween($job, 'a', 'b', ['weights' => $weights]);

    return (new WayFinder(Scene::of($job, []), $errand))->ways(1, ['n', 'N'], static fn (): bool => false)[0];
}

it('finds for each weight of a bend what no other weight finds cheaper', function (int $seed): void {
    $job = Job::read(Jobs::decoded(RandomScenes::boxes($seed, 20)));
    $way = static fn (float $bends): Way => (new WayFinder(
        Scene::of($job, []), errandBetween($job, 'a', 'b', ['weights' => ['bends' => $bends]]),
    ))->ways(1, ['n', 'N'], static fn (): bool => false)[0];
    $cost = static fn (Way $found, float $bends): float => $found->line->cost(
        new Costs(new Weights($bends), RandomScenes::RADIUS, 2, []),
    );
    [$cheap, $dear] = [$way(40.0), $way(600.0)];

    // What is less than 3 % cheaper is not looked for.
    expect($dear->bends())->toBeLessThanOrEqual($cheap->bends())
        ->and(0.97 * $cost($cheap, 40.0))->toBeLessThanOrEqual($cost($dear, 40.0))
        ->and(0.97 * $cost($dear, 600.0))->toBeLessThanOrEqual($cost($cheap, 600.0));
})->with(range(1, 10));

it('goes close along things where nearness counts, and not where it does not', function (): void {
    // A long beam beneath the straight way up, 25 below its level leg at z = 400.
    $beam = ['id' => 'beam', 'shape' => 'box', 'pose' => ['at' => [500, 0, 200]], 'size' => [700, 60, 20]];
    [$plain, $near] = [weighed([], [$beam]), weighed(['nearness' => 0.6, 'bends' => 5], [$beam])];
    $along = static function (Way $way): float {
        $beside = 0.0;
        for ($at = 0.0; $at < $way->length(); $at += 5.0) {
            $point = $way->solved->laid->path->pointAt($at);
            $off = sqrt(max(0.0, abs($point->y) - 30) ** 2 + max(0.0, abs($point->z - 200) - 10) ** 2);
            $beside += $off < 8.0 && $point->x > 150 && $point->x < 850 ? 5.0 : 0.0;
        }

        return $beside;
    };

    expect($along($plain))->toBeLessThan(50.0)->and($along($near))->toBeGreaterThan(400.0);
});

it('reads weights, each within its limits', function (array $said, Weights $weights): void {
    $job = jobWithPorts(['a' => [[0, 0, 0], '+x'], 'b' => [[400, 0, 0], '-x']], ['values' => ['worth' => 75]]);

    expect(errandBetween($job, 'a', 'b', ['weights' => $said])->weights)->toEqual($weights);
})->with([
    'one of them' => [['height' => 0.2], new Weights(150.0, 0.2, 0.0)],
    'all' => [['bends' => 80, 'height' => 0.5, 'nearness' => 0.9], new Weights(80.0, 0.5, 0.9)],
    'by a named value' => [['bends' => '2 * worth'], new Weights(150.0)],
]);

it('needs a tube that fits where none is named', function (): void {
    $job = jobWithPorts(['a' => [[0, 0, 0], '+x'], 'b' => [[400, 0, 0], '-x']]);

    Errand::read(new Node((object) ['from' => 'a.p', 'to' => 'b.p']), $job);
})->throws(JobError::class, 'no tube or pipe of the job fits both ports');
