<?php

declare(strict_types=1);

/*
 * Prints a job of random runs: straights and bends anywhere, hollow and solid, with every kind of end; every seventh is
 * a cable or hose, every third has a section that is not round. php tests/kernel/random-runs.php [COUNT] [FIRST SEED]
 */

use Tests\Jobs;

require dirname(__DIR__, 2).'/vendor/autoload.php';

$count = (int) ($argv[1] ?? 50);
$seed = (int) ($argv[2] ?? 1);
$ends = [
    ['type' => 'open'],
    ['type' => 'closed', 'thickness' => 3],
    [
        'type' => 'flange', 'od' => 60, 'thickness' => 8, 'bore' => 13,
        'holes' => ['count' => 4, 'circle' => 42, 'diameter' => 9],
    ],
    ['type' => 'flange', 'od' => 44, 'thickness' => 5, 'bore' => 13, 'neck' => ['radius' => 3]],
    [
        'type' => 'flange', 'plate' => 'oval', 'od' => 40, 'end_radius' => 9, 'thickness' => 6, 'bore' => 13,
        'holes' => ['count' => 2, 'circle' => 50, 'diameter' => 7],
        'face' => ['kind' => 'spigot', 'diameter' => 20, 'height' => 2],
    ],
    [
        'type' => 'flange', 'plate' => 'rectangle', 'width' => 50, 'height' => 40, 'corner_radius' => 6, 'turn' => 20,
        'thickness' => 6, 'bore' => 13, 'face' => ['kind' => 'recess', 'diameter' => 24, 'height' => 2],
    ],
    [
        'type' => 'flange', 'od' => 62, 'thickness' => 8, 'blind' => true,
        'holes' => ['count' => 4, 'circle' => 44, 'diameter' => 7, 'start' => 0],
        'face' => ['kind' => 'raised', 'diameter' => 28, 'height' => 1.5],
        'neck' => ['diameter' => 24, 'length' => 9, 'radius' => 3],
    ],
    ['type' => 'cap', 'shape' => 'domed'],
    ['type' => 'cap', 'shape' => 'domed', 'crown' => 12, 'knuckle' => 2],
    ['type' => 'cap', 'shape' => 'stepped', 'thickness' => 3, 'diameter' => 18, 'depth' => 6],
    ['type' => 'reducer', 'od' => 20, 'length' => 18],
    ['type' => 'collar', 'od' => 26, 'width' => 4, 'from_end' => 6],
    ['type' => 'reducer', 'od' => 9, 'wall' => 1, 'length' => 12, 'eccentric' => true],
];
$flexible = [
    ['kind' => 'spring', 'length' => 620],
    ['kind' => 'hang', 'slack' => 0.1],
    ['kind' => 'flow', 'points' => [[150, 40, 90], [260, 60, -20]]],
];
$bend = ['radius' => 30, 'min_radius' => 24, 'min_straight' => 0];
$stock = static fn (string $id, array $section): array => [
    'id' => $id, 'kind' => 'tube', 'section' => ['shape' => 'round', ...$section], 'bend' => $bend, 'density' => 7980,
];
$sections = [
    ['shape' => 'rectangle', 'width' => 16, 'height' => 10, 'wall' => 1.5, 'corner_radius' => 3],
    ['shape' => 'rectangle', 'width' => 10, 'height' => 10],
    ['shape' => 'arched', 'width' => 16, 'height' => 12, 'rise' => 5, 'wall' => 1],
    [
        'shape' => 'outline', 'outer' => [[-6, -5], [6, -5], ['through' => [10, 0], 'to' => [6, 5]], [-6, 5]],
        'holes' => [[[-4, -3], [0, -3], [-2, 3]], [[1, -2], ['through' => [3, 0], 'to' => [1, 2]]]],
    ],
];
$runs = [];
for ($i = 0; $i < $count; $i++) {
    $run = Jobs::wandering($seed + $i, 1 + $i % 6)->runs[0];
    $run->id = "r$i";
    $run->name = "Run $i";
    $run->stock = $i % 5 === 4 ? 'rod' : 'tube';
    $run->from = (object) ['at' => [0, 0, 50 + 1000 * $i], 'axis' => '+z', 'end' => $ends[$i % 12]];
    $run->to->end = $ends[intdiv($i, 3) % 12];
    foreach ([$run->to, ...$run->route->stops ?? []] as $place) {
        $place->at[2] += 1000 * $i;
    }
    if ($i % 7 === 6) {
        $lift = static fn (array $at): array => [$at[0], $at[1], $at[2] + 1000 * $i];
        $run->from = (object) ['at' => $lift([0, 0, 0]), 'axis' => '+x', 'lead' => 30, 'end' => $ends[$i % 4]];
        $run->to = (object) ['at' => $lift([400, 120, 60]), 'axis' => '-x', 'lead' => 30, 'end' => $ends[0]];
        $route = $flexible[intdiv($i, 7) % 3];
        $run->route = Jobs::object(
            isset($route['points']) ? [...$route, 'points' => array_map($lift, $route['points'])] : $route,
        );
    }
    if ($i % 3 === 2) {
        $run->stock = 's'.intdiv($i, 3) % 4;
        $run->section_turn = 15 * $i;
        if (intdiv($i, 3) % 2 === 1) {
            $run->section_up = 'upright';
        }
    }
    if ($i % 6 === 1) {
        $run->joints = [(object) [
            'at' => (object) ['length' => 140 + 3 * $i], 'kind' => $i % 4 === 1 ? 'flanges' : 'weld', 'gap' => 2,
        ]];
    }
    $runs[] = $run;
}

echo json_encode([
    'format' => 'bowline-job',
    'version' => 3,
    'stock' => [
        $stock('tube', ['od' => 12, 'wall' => 1.5]),
        $stock('rod', ['od' => 12]),
        ...array_map(
            static fn (array $section, int $i): array => $stock("s$i", $section), $sections, array_keys($sections),
        ),
    ],
    'runs' => $runs,
], JSON_THROW_ON_ERROR);
