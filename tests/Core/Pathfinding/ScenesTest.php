<?php

declare(strict_types=1);

use Bowline\Geometry\Chord;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\Node;
use Bowline\Pathfinding\BatchLayer;
use Bowline\Pathfinding\Errand;
use Bowline\Pathfinding\Scene;
use Bowline\Pathfinding\Way;
use Bowline\Pathfinding\WayFinder;
use Bowline\Solving\Solver;
use Tests\ExhaustiveWays;
use Tests\Jobs;
use Tests\RandomScenes;
use Tests\Seeds;

/* Ways in random rooms of boxes: each is valid, and looked at once more without the program's own distances. */

/**
 * @param  array<string, mixed>  $file
 * @return list<Way>
 */
function waysThrough(array $file, int $most = 1): array
{
    $job = Job::read(Jobs::decoded($file));
    $errand = Errand::read(new Node((object) ['from' => 'a.p', 'to' => 'b.p', 'stock' => 't12']), $job);

    return (new WayFinder(Scene::of($job, []), $errand))->ways($most, ['new', 'New'], static fn (): bool => false);
}

/**
 * The least distance of a path from boxes along the axes, less the half thickness of the tube.
 *
 * @param  list<array<string, mixed>>  $boxes
 */
function leastGap(Way $way, array $boxes): float
{
    $least = INF;
    $points = array_map(
        static fn (Vector $point): array => $point->toArray(), $way->solved->laid->path->points(new Chord(0.01)),
    );
    for ($i = 1; $i < count($points); $i++) {
        $steps = max(1, (int) ceil(sqrt(array_sum(array_map(
            static fn (float $one, float $other): float => ($one - $other) ** 2, $points[$i], $points[$i - 1],
        ))) / 2.0));
        for ($step = 0; $step <= $steps; $step++) {
            foreach ($boxes as $box) {
                $square = 0.0;
                foreach ([0, 1, 2] as $k) {
                    $at = $points[$i - 1][$k] + ($points[$i][$k] - $points[$i - 1][$k]) * $step / $steps;
                    $square += max(0.0, abs($at - $box['pose']['at'][$k]) - $box['size'][$k] / 2) ** 2;
                }
                $least = min($least, sqrt($square) - RandomScenes::OD / 2);
            }
        }
    }

    return $least;
}

it('finds ways that are valid by the ordinary solver and clear of all boxes', function (int $seed): void {
    $file = RandomScenes::boxes($seed, 40);
    $ways = waysThrough($file, 3);

    expect($ways)->not->toBe([]);
    foreach ($ways as $way) {
        $job = Job::read(Jobs::decoded([...$file, 'runs' => [(array) $way->item]]));
        $solved = (new Solver($job))->run($job->runs['new']);
        expect($solved->status())->not->toBe('violation')
            ->and(leastGap($way, $file['surroundings']))->toBeGreaterThan(-0.011);
    }
})->with(fn (): array => Seeds::of(1, 40));

it('is no longer than the best of all ways on a grid', function (int $seed): void {
    $file = RandomScenes::boxes($seed, 8, 400, 150);
    $way = waysThrough($file)[0];
    $all = (new ExhaustiveWays($file, 75.0))->shortest(4);
    $cost = static fn (int $bends, float $length): float => $length + 150 * $bends;
    $best = INF;
    foreach ($all as $bends => $length) {
        $best = min($best, $cost($bends, $length));
    }

    expect($cost($way->bends(), $way->length()))->toBeLessThan(1.05 * $best);
})->with(fn (): array => Seeds::someOf([1, 2, 3, 5, 6], 2));

it('finds the same way in a scene that is moved and turned', function (int $seed): void {
    $file = RandomScenes::boxes($seed, 30);
    // By a quarter turn about z, and aside: x, y, z become −y + 130, x − 70, z + 40.
    $turned = static fn (array $at): array => [-$at[1] + 130, $at[0] - 70, $at[2] + 40];
    $moved = $file;
    foreach ($file['surroundings'] as $i => $box) {
        $moved['surroundings'][$i]['pose']['at'] = $turned($box['pose']['at']);
        $moved['surroundings'][$i]['size'] = [$box['size'][1], $box['size'][0], $box['size'][2]];
    }
    foreach ($file['fittings'] as $i => $fitting) {
        $moved['fittings'][$i]['pose'] = [
            'at' => $turned($fitting['pose']['at']), 'turn' => ['about' => [0, 0, 1], 'by' => 90],
        ];
    }
    [$one, $other] = [waysThrough($file)[0], waysThrough($moved)[0]];

    // Of ways that cost the same another may be taken.
    expect($other->length() + 150 * $other->bends())
        ->toEqualWithDelta($one->length() + 150 * $one->bends(), 0.03 * $one->length() + 1e-6);
})->with(fn (): array => Seeds::someOf([1, 2, 5, 8], 2));

it('never gets better by something more in the way', function (int $seed): void {
    $file = RandomScenes::boxes($seed, 25);
    $before = waysThrough([...$file, 'surroundings' => array_slice($file['surroundings'], 0, 12)])[0];
    $after = waysThrough($file)[0];
    $cost = static fn (Way $way): float => $way->length() + 150 * $way->bends();

    // What is less than 3 % better is not looked for.
    expect($cost($after))->toBeGreaterThan(0.97 * $cost($before) - 1e-6);
})->with(fn (): array => Seeds::of(1, 30));

it('finds the same twice', function (): void {
    $file = RandomScenes::boxes(3, 40);

    expect(json_encode(waysThrough($file, 3)[1]->item))->toBe(json_encode(waysThrough($file, 3)[1]->item));
});

/** Two rows of four ports that face each other over 800 mm, 40 apart, and the pairs between them. */
function rowsOfPorts(array $order): array
{
    $file = RandomScenes::boxes(1, 0);
    $file['fittings'] = [];
    foreach (range(0, 3) as $i) {
        foreach (['l' => [[0, 40 * $i, 0], '+x'], 'r' => [[800, 40 * $i, 300], '-x']] as $side => [$at, $axis]) {
            $file['fittings'][] = ['id' => $side.$i, 'ports' => [['id' => 'p', 'at' => $at, 'axis' => $axis]]];
        }
    }
    $job = Job::read(Jobs::decoded([...$file, 'clearances' => ['usual' => 10]]));

    return [$job, array_map(static fn (int $to, int $from): Errand => Errand::read(new Node((object) [
        'from' => 'l'.$from.'.p', 'to' => 'r'.$to.'.p', 'stock' => 't12',
    ]), $job), $order, array_keys($order))];
}

it('lays all of a list beside each other, none too near to another', function (array $order): void {
    [$job, $errands] = rowsOfPorts($order);
    $told = [];
    $batch = (new BatchLayer(Scene::of($job, []), $errands, []))->lay(
        static fn (): bool => false,
        static function (array $laid, int $all) use (&$told): void {
            $told[] = [count($laid), $all];
        },
    );

    expect($batch->notLaid)->toBe([])->and($batch->isWhole)->toBeTrue()->and($batch->laid)->toHaveCount(4)
        ->and(array_slice($told, 0, 4))->toBe([[1, 4], [2, 4], [3, 4], [4, 4]]);
    // 22 from centre line to centre line.
    $points = array_map(static fn (Way $way): array => array_map(
        static fn (int $at): array => $way->solved->laid->path->pointAt($at)->toArray(),
        range(0, (int) $way->length(), 3),
    ), array_values($batch->laid));
    foreach ($points as $i => $one) {
        foreach (array_slice($points, $i + 1) as $other) {
            $least = INF;
            foreach ($one as $p) {
                foreach ($other as $q) {
                    $least = min($least, sqrt(($p[0] - $q[0]) ** 2 + ($p[1] - $q[1]) ** 2 + ($p[2] - $q[2]) ** 2));
                }
            }
            expect($least)->toBeGreaterThan(21.98);
        }
    }
})->with(['straight over' => [[0, 1, 2, 3]], 'crossed' => [[3, 2, 1, 0]]]);

it('keeps the best so far where it is stopped, and says so', function (): void {
    [$job, $errands] = rowsOfPorts([0, 1, 2, 3]);
    $told = new ArrayObject;
    $batch = (new BatchLayer(Scene::of($job, []), $errands, []))->lay(
        static fn (): bool => count($told) >= 2,
        static function (array $ways) use ($told): void {
            $told->append(count($ways));
        },
    );

    expect($batch->laid)->toHaveCount(2)->and($batch->isWhole)->toBeFalse()
        ->and(array_values($batch->notLaid))->each->toContain('stopped');
});
