<?php

declare(strict_types=1);

use Bowline\Job;
use Tests\Jobs;

/**
 * A hose of 300 between two ports of a thing that moves, 200 apart, and boxes of 20.
 *
 * @param  list<array{float, float, float}>  $boxes
 */
function ridingHose(array $moves, array $at, array $boxes): stdClass
{
    return Jobs::decoded([
        'format' => 'bowline-job', 'version' => 5,
        'stock' => [[
            'id' => 'h', 'kind' => 'hose', 'section' => ['shape' => 'round', 'od' => 20, 'wall' => 5],
            'bend' => ['radius' => 60, 'min_radius' => 40, 'min_straight' => 0], 'density' => 1500,
        ]],
        'fittings' => [[
            'id' => 'arm', 'moves' => $moves,
            'ports' => [
                ['id' => 'a', 'at' => $at, 'axis' => [0, 0, -1]],
                ['id' => 'b', 'at' => [$at[0] + 200, $at[1], $at[2]], 'axis' => [0, 0, -1]],
            ],
        ]],
        'surroundings' => array_map(static fn (array $place, int $i): array => [
            'id' => "box$i", 'shape' => 'box', 'size' => [20, 20, 20], 'pose' => ['at' => $place],
        ], $boxes, array_keys($boxes)),
        'runs' => [[
            'id' => 'r', 'stock' => 'h', 'from' => ['port' => 'arm.a'], 'to' => ['port' => 'arm.b'],
            'route' => ['kind' => 'hang', 'length' => 300],
        ]],
    ]);
}

/** @return list<int> numbers of the boxes that may come near the hose */
function boxesAround(array $moves, array $at, array $boxes): array
{
    $around = Job::read(ridingHose($moves, $at, $boxes))->runs['r']->around;

    return array_values(array_filter(
        array_keys($boxes),
        static fn (int $i): bool => $around->nearest(...[...$boxes[$i], 1.0]) !== null,
    ));
}

it('knows of all that it passes while it rides along, however far it goes', function (): void {
    $boxes = array_map(static fn (int $x): array => [(float) $x, 0.0, -60.0], range(0, 8200, 100));
    expect(boxesAround(['to' => ['at' => [8000, 0, 0]]], [0, 0, 0], $boxes))->toBe(array_keys($boxes));
});

it('knows of all that it passes on a wide swing', function (int $to): void {
    $swing = ['swing' => ['at' => [0, 0, 0], 'axis' => [0, 0, 1], 'from' => 0, 'to' => $to]];
    $boxes = array_map(static fn (int $degrees): array => [
        3000 * cos(deg2rad($degrees)), 3000 * sin(deg2rad($degrees)), -60.0,
    ], range(0, abs($to), 5));
    $boxes = $to > 0 ? $boxes : array_map(static fn (array $one): array => [$one[0], -$one[1], $one[2]], $boxes);
    expect(boxesAround($swing, [3000, 0, 0], $boxes))->toBe(array_keys($boxes));
})->with([90, 180, -270, 360]);

it('leaves out what it cannot come near', function (array $box): void {
    // Half a metre more than its length, and the steps in which it is looked at, from where it ever is.
    expect(boxesAround(['to' => ['at' => [1600, 0, 0]]], [0, 0, 0], [$box]))->toBe([]);
})->with([
    'before it' => [[-500.0, 0.0, 0.0]],
    'behind it' => [[2300.0, 0.0, 0.0]],
    'beside it' => [[900.0, 600.0, 0.0]],
    'over it' => [[900.0, 0.0, 600.0]],
]);

it('finds what it hits half way of a long ride', function (): void {
    // Its lowest point is 94 to 112 below its ends, and a bar stands there at a third of the way.
    $file = ridingHose(['to' => ['at' => [8000, 0, 0]]], [0, 0, 0], [[2750.0, 0.0, -100.0]]);
    $movement = Jobs::written($file)['movement'];
    expect($movement['positions'][$movement['nearest']]['nearest'])
        ->toMatchArray(['id' => 'box0'])
        ->and($movement['positions'][$movement['nearest']]['nearest']['distance'])->toBeLessThan(0.0);
});
