<?php

declare(strict_types=1);

use Bowline\Job;
use Bowline\Solving\Outline;
use Tests\Jobs;

it('goes straight from point to point as they were said, whatever kind of run it is', function (
    array $run,
    array $points,
): void {
    $file = Jobs::decoded([
        'format' => 'bowline-job', 'version' => 2, 'name' => 'Outline',
        'stock' => [
            [
                'id' => 't',
                'kind' => 'tube',
                'section' => ['shape' => 'round', 'od' => 12, 'wall' => 1.5],
                'bend' => ['radius' => 36, 'min_radius' => 36, 'min_straight' => 20],
                'density' => 7850,
            ],
            [
                'id' => 'c',
                'kind' => 'cable',
                'section' => ['shape' => 'round', 'od' => 8],
                'bend' => ['radius' => 30, 'min_radius' => 30, 'min_straight' => 0],
                'density' => 2000,
            ],
        ],
        'clamps' => [['id' => 'k', 'at' => [300, 0, 400], 'axis' => [1, 0, 0], 'bore' => 12, 'width' => 20]],
        'runs' => [
            [
                'id' => 'r',
                'stock' => 'c',
                'from' => ['at' => [0, 0, 0], 'axis' => [1, 0, 0]],
                'to' => ['at' => [600, 0, 0], 'axis' => [-1, 0, 0]],
                ...$run,
            ],
        ],
    ]);
    $core = Job::read($file);
    $outline = Outline::of($core->runs['r']);
    $length = 0.0;
    $last = [0, 0, 0];
    foreach ([...$points, [600, 0, 0]] as $point) {
        $length += sqrt(($point[0] - $last[0]) ** 2 + ($point[1] - $last[1]) ** 2 + ($point[2] - $last[2]) ** 2);
        $last = $point;
    }
    expect($outline->laid->length())->toEqualWithDelta($length, 1e-9)->and($outline->status())->toBe('warning')
        ->and(array_map(static fn ($finding) => $finding->rule, $outline->findings))
        ->toBe(['unsolved'])
        ->and($outline->isFull)
        ->toBeFalse();
})->with([
    'corners' => [
        [
            'stock' => 't',
            'route' => [
                'kind' => 'corners',
                'stops' => [['at' => [200, 0, 0]], ['at' => [200, 300, 0]], ['at' => [200, 300, 0]]],
            ],
        ],
        [[200, 0, 0], [200, 300, 0]],
    ],
    'corners through a clamp' => [
        [
            'stock' => 't',
            'route' => ['kind' => 'corners', 'stops' => [['clamp' => 'k', 'before' => 50, 'after' => 60]]],
        ],
        [[250, 0, 400], [360, 0, 400]],
    ],
    'leads' => [
        [
            'stock' => 't',
            'from' => ['at' => [0, 0, 0], 'axis' => [0, 0, 1], 'lead' => 40],
            'route' => ['kind' => 'corners', 'stops' => []],
        ],
        [[0, 0, 40]],
    ],
    'a smooth run' => [
        ['route' => ['kind' => 'flow', 'points' => [[100, 50, 0], ['at' => [300, 50, 20], 'along' => [1, 0, 0]]]]],
        [[100, 50, 0], [300, 50, 20]],
    ],
    'a sprung one through a clamp' => [
        ['route' => ['kind' => 'spring', 'length' => 1200, 'through' => [['clamp' => 'k']]]],
        [[300, 0, 400]],
    ],
    'a hanging one through a clamp' => [
        ['route' => ['kind' => 'hang', 'length' => 1200, 'through' => [['clamp' => 'k', 'loose' => true]]]],
        [[300, 0, 400]],
    ],
    'a draped one' => [['route' => ['kind' => 'drape', 'length' => 800]], []],
]);
