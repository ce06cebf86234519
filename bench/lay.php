<?php

declare(strict_types=1);

/*
 * How long runs take that lay themselves, and how good they are: in random rooms of 50 boxes; beside all ways on an
 * even grid in small rooms; and thirty pairs of ports at once through a rack.
 * Usage: php bench/lay.php [ROOMS] [SMALL ROOMS] [PAIRS]
 */

use Bowline\Job;
use Bowline\Job\Node;
use Bowline\Pathfinding\BatchLayer;
use Bowline\Pathfinding\Errand;
use Bowline\Pathfinding\Scene;
use Bowline\Pathfinding\Way;
use Bowline\Pathfinding\WayFinder;
use Bowline\Solving\Solver;
use Tests\ExhaustiveWays;
use Tests\RandomScenes;

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/record.php';

/** Returns the best way between the ports of a room, null where there is none. */
function bestWay(array $file): ?Way
{
    $job = Job::fromJson(json_encode($file, JSON_THROW_ON_ERROR));
    $errand = Errand::read(new Node((object) ['from' => 'a.p', 'to' => 'b.p', 'stock' => 't12']), $job);

    return (new WayFinder(Scene::of($job, []), $errand))->ways(
        1, ['new', 'New'], static fn (): bool => false,
    )[0] ?? null;
}

$rooms = (int) ($argv[1] ?? 100);
$took = [];
$laid = 0;
$first = null;
for ($seed = 1; $seed <= $rooms; $seed++) {
    $start = hrtime(true);
    $way = bestWay(RandomScenes::boxes($seed, 50));
    $took[] = (hrtime(true) - $start) / 1e6;
    if ($way !== null) {
        $laid++;
        $first ??= [$way, RandomScenes::boxes($seed, 50)];
    }
}
sort($took);
[$median, $late] = [$took[intdiv($rooms, 2)], $took[(int) floor(0.95 * ($rooms - 1))]];
printf("%d rooms of 50 boxes: %d laid, median %.0f ms, 95th percentile %.0f ms\n", $rooms, $laid, $median, $late);
if ($first !== null) {
    // Beside what it takes to read and solve such a job.
    [$way, $file] = $first;
    $text = json_encode([...$file, 'runs' => [$way->item]], JSON_THROW_ON_ERROR);
    $solving = 1e3 * medianTime(9, static function () use ($text): void {
        (new Solver(Job::fromJson($text)))->all();
    });
    recordRatio(
        'one run lays itself in a room of 50 boxes', $median / $solving,
        sprintf('%.0f ms, 95th percentile %.0f ms, %d of %d laid', $median, $late, $laid, $rooms),
        sprintf('reading and solving it, %.1f ms', $solving),
    );
}

$small = (int) ($argv[2] ?? 8);
$worst = 0.0;
$moreBends = 0;
for ($seed = 1; $seed <= $small; $seed++) {
    $file = RandomScenes::boxes($seed, 8, 400, 150);
    $way = bestWay($file);
    $cost = static fn (int $bends, float $length): float => $length + 150 * $bends;
    $best = [INF, 0, 0.0];
    foreach ((new ExhaustiveWays($file, 60.0))->shortest(4) as $bends => $length) {
        $best = min($best, [$cost($bends, $length), $bends, $length]);
    }
    if ($way === null) {
        printf("small room %d: not laid; %d bends, %.0f mm on the grid\n", $seed, $best[1], $best[2]);

        continue;
    }
    printf(
        "small room %d: %d bends, %.0f mm; on the grid %d bends, %.0f mm\n", $seed, $way->bends(), $way->length(),
        $best[1], $best[2],
    );
    $worst = max($worst, $cost($way->bends(), $way->length()) / $best[0]);
    $moreBends = max($moreBends, $way->bends() - $best[1]);
}
if ($small > 0) {
    printf("at worst %.3f of the best on the grid, a bend counted as 150 mm; %d bends more\n", $worst, $moreBends);
    recordRatio(
        'what a way costs in a small room', $worst, sprintf('at worst of %d', $small),
        'the best of all ways on a grid of 60 mm',
    );
}

$pairs = (int) ($argv[3] ?? 30);
$file = RandomScenes::boxes(1, 0);
[$fittings, $said] = [[], []];
for ($i = 0; $i < $pairs; $i++) {
    // Two rows of ports that look up, 70 apart, under a rack between them; in each five the order is turned round.
    $other = intdiv($i, 5) * 5 + 4 - $i % 5;
    $fittings[] = ['id' => "l$i", 'ports' => [['id' => 'p', 'at' => [0, 70 * $i, 0], 'axis' => [0, 0, 1]]]];
    $fittings[] = ['id' => "r$i", 'ports' => [['id' => 'p', 'at' => [2600, 70 * $other, 0], 'axis' => [0, 0, 1]]]];
    $said[] = ['from' => "l$i.p", 'to' => "r$i.p", 'stock' => 't12'];
}
$boxes = [[
    'id' => 'rack', 'shape' => 'box', 'pose' => ['at' => [1300, 1000, 620]], 'size' => [1800, 2600, 20],
]];
foreach ([500, 1300, 2100] as $x) {
    foreach ([-150, 700, 1420, 2300] as $y) {
        $boxes[] = ['id' => "post-$x-$y", 'shape' => 'box', 'pose' => ['at' => [$x, $y, 305]], 'size' => [60, 60, 610]];
    }
}
$file = [
    ...$file, 'fittings' => $fittings, 'surroundings' => $boxes, 'follow' => [['of' => 'rack', 'stand_off' => 10]],
    'clearances' => ['usual' => 8],
];
$job = Job::fromJson(json_encode($file, JSON_THROW_ON_ERROR));
$errands = array_map(static fn (array $one): Errand => Errand::read(new Node((object) $one), $job), $said);
$start = hrtime(true);
$batch = (new BatchLayer(Scene::of($job, []), $errands, []))->lay(
    static fn (): bool => hrtime(true) - $start > 120e9, static function (): void {
    },
);
$seconds = (hrtime(true) - $start) / 1e9;
printf(
    "%d pairs at once through a rack: %d laid in %.1f s%s\n", $pairs, count($batch->laid), $seconds,
    $batch->isWhole ? '' : ', stopped',
);
foreach ($batch->notLaid as $number => $why) {
    printf("  %s to %s: %s\n", $said[$number]['from'], $said[$number]['to'], $why);
}
recordRatio(
    sprintf('%d pairs at once through a rack', $pairs), $seconds / 60.0,
    sprintf('%.1f s, %d laid', $seconds, count($batch->laid)), 'a minute',
);
