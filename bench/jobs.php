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

/**
 * A harness of wires over trunks, 30 of them too long.
 *
 * @return array<string, mixed> a job in the shape of the file
 */
function benchHarness(int $wires, int $trunks): array
{
    mt_srand(5);
    $runs = $fittings = $ports = [];
    // A spine of pieces of 150 with a branch square to each, which ends at a connector.
    for ($i = 0; $i < intdiv($trunks, 2); $i++) {
        $runs[] = [
            'id' => "s$i", 'stock' => 'b',
            'from' => ['at' => [150 * $i, 0, 0]], 'to' => ['at' => [150 * ($i + 1), 0, 0]],
            'route' => ['kind' => 'corners', 'stops' => []],
        ];
        $runs[] = [
            'id' => "b$i", 'stock' => 'b', 'from' => ['on' => ['run' => "s$i", 'length' => 75], 'axis' => [0, 1, 0]],
            'to' => ['port' => "c$i.X"],
            'route' => ['kind' => 'corners', 'stops' => [['at' => [150 * $i + 75, 200, 0]]]],
        ];
        $fittings[] = ['id' => "c$i", 'pose' => ['at' => [150 * $i + 75, 200, 120]], 'ports' => [[
            'id' => 'X', 'at' => [0, 0, 0], 'axis' => [0, 0, -1],
            'pins' => array_map(strval(...), range(1, max(2, intdiv(4 * $wires, $trunks) + 4))),
        ]]];
        $ports[] = "c$i.X";
    }
    $used = $list = [];
    for ($i = 0; $i < $wires; $i++) {
        [$one, $other] = array_rand($ports, 2);
        $ends = array_map(static function (int $port) use ($ports, &$used): string {
            $used[$port] = ($used[$port] ?? 0) + 1;

            return $ports[$port].'.'.min($used[$port], 4);
        }, [$one, $other]);
        $list[] = ['id' => "W$i", 'from' => $ends[0], 'to' => $ends[1], 'stock' => $i % 3 === 0 ? 'w4' : 'w2']
            + ($i < 30 ? ['length' => ['at_most' => 100]] : []);
    }
    $wire = static fn (string $id, float $od): array => [
        'id' => $id, 'kind' => 'wire', 'section' => ['shape' => 'round', 'od' => $od, 'wall' => $od / 2],
        'bend' => ['radius' => 10, 'min_radius' => 8, 'min_straight' => 0], 'density' => 4000,
    ];

    return [
        'format' => 'bowline-job', 'version' => 4, 'up' => 'z',
        'stock' => [['id' => 'b', 'kind' => 'bundle', 'bend' => ['radius' => 30]], $wire('w2', 2.0), $wire('w4', 4.0)],
        'fittings' => $fittings, 'runs' => $runs,
        'harnesses' => [['id' => 'h', 'trunks' => array_column($runs, 'id'), 'wires' => $list]],
    ];
}

/** Returns a sheet of waves of so many triangles over a rectangle, packed as a mesh is. */
function benchSheet(int $triangles, float $width, float $depth): string
{
    $across = max(1, (int) sqrt($triangles / 2 * $width / $depth));
    $along = max(1, intdiv($triangles, 2 * $across));
    $at = static fn (int $i, int $j): array => [
        $width * $i / $across, $depth * $j / $along,
        20 * sin($width * $i / $across / 90) * cos($depth * $j / $along / 70),
    ];
    $packed = '';
    for ($i = 0; $i < $across; $i++) {
        for ($j = 0; $j < $along; $j++) {
            [$a, $b, $c, $d] = [$at($i, $j), $at($i + 1, $j), $at($i + 1, $j + 1), $at($i, $j + 1)];
            $packed .= pack('g18', ...$a, ...$b, ...$c, ...$a, ...$c, ...$d);
        }
    }

    return $packed;
}
