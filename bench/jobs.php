<?php

declare(strict_types=1);

/*
 * Jobs of any size to measure with, made up from a seed so that everybody measures the same.
 */

/**
 * @param  int  $corners  corners a run
 * @return array<string, mixed> a job file
 */
function benchJob(int $runs, int $corners): array
{
    mt_srand(7);
    $random = static fn (): float => mt_rand() / mt_getrandmax();
    $items = $fittings = [];
    for ($i = 0; $i < $runs; $i++) {
        $fittings[] = [
            'id' => "block$i", 'name' => "Block $i", 'pose' => ['at' => [0, 400 * $i, 0]],
            'body' => ['shape' => 'box', 'size' => [100, 100, 100]],
            'ports' => [['id' => 'out', 'at' => [50, 0, 0], 'axis' => '+x']],
        ];
        $stops = [['along' => '+x', 'length' => 200]];
        for ($k = 1; $k < $corners; $k++) {
            // Up, onward, down, onward: every leg has room, every turn is square.
            $along = ['+z', '+x', '-z', '+x'][$k % 4];
            $stops[] = ['along' => $along, 'length' => round(140 + 80 * $random(), 1)];
        }
        $items[] = [
            'id' => "run$i", 'name' => "Run $i", 'stock' => 't12',
            'from' => ['port' => "block$i.out"],
            'to' => ['at' => [$corners * 400, 400 * $i + 150, 300]],
            'route' => ['kind' => 'corners', 'stops' => $stops],
        ];
    }

    return [
        'format' => 'bowline-job', 'version' => 1, 'name' => "Bench: $runs runs of $corners corners",
        'stock' => [
            [
                'id' => 't12',
                'kind' => 'tube',
                'name' => 'Tube 12 × 1.5',
                'section' => ['shape' => 'round', 'od' => 12, 'wall' => 1.5],
                'bend' => ['radius' => 30, 'min_radius' => 24, 'min_straight' => 20],
                'density' => 7850,
            ],
        ],
        'fittings' => $fittings, 'runs' => $items,
    ];
}
