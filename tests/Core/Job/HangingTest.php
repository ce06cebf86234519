<?php

declare(strict_types=1);

use Bowline\Job\Hanging;

$run = json_decode(json_encode([
    'id' => 'r', 'from' => ['port' => 'pump.out'], 'to' => ['at' => [0, 0, 0]],
    'route' => ['kind' => 'corners', 'stops' => [
        ['along' => '+x', 'until' => 'filter.in'], ['clamp' => 'c1', 'before' => 9, 'after' => 9], ['along' => '+x', 'until' => [1, 2, 3]], ['at' => [1, 1, 1]],
    ]],
]));

it('knows what a run hangs on: its ends, what it is level with, its clamps', function () use ($run): void {
    expect(Hanging::places($run))->toBe(['pump.out', 'filter.in', 'c1'])
        ->and(Hanging::on($run, 'fittings', 'pump'))->toBeTrue()
        ->and(Hanging::on($run, 'fittings', 'filter'))->toBeTrue()
        ->and(Hanging::on($run, 'clamps', 'c1'))->toBeTrue()
        // An id that only begins alike is another one.
        ->and(Hanging::on($run, 'fittings', 'pum'))->toBeFalse()
        ->and(Hanging::on($run, 'clamps', 'c'))->toBeFalse()
        ->and(Hanging::on($run, 'surroundings', 'pump'))->toBeFalse();
});

it('knows what an edit names that the run does not hang on yet', function (): void {
    $change = json_decode('{"do":"finish","port":"tank.top","stops":[{"along":"+z","until":"tank.top"},{"along":"+x","length":5}]}');
    expect(Hanging::placesOfChange($change))->toBe(['tank.top', 'tank.top'])
        ->and(Hanging::placesOfChange(json_decode('{"do":"add-leg","along":"+x","until":[1,2,3]}')))->toBe([]);
});
