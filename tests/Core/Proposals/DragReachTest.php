<?php

declare(strict_types=1);

use Bowline\Geometry\Bounds;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\ItemRef;
use Bowline\Job\Site;
use Bowline\Proposals\DragReach;
use Bowline\Proposals\NearLimit;
use Tests\Jobs;
use Tests\RandomScenes;

/** A box of 20 that stands 300 off the origin, turned about z at the origin, or moved along x. */
function turnedBox(float $degrees, float $along = 0.0): Job
{
    return Job::read(Jobs::decoded([
        ...RandomScenes::boxes(1, 0), 'runs' => [], 'surroundings' => [],
        'fittings' => [[
            'id' => 'valve', 'ports' => [],
            'pose' => ['at' => [$along, 0, 0], 'turn' => ['about' => '+z', 'by' => $degrees]],
            'body' => ['shape' => 'box', 'size' => [20, 20, 20], 'at' => [300, 0, 0]],
        ]],
    ]));
}

/** @param  callable(float): Job  $job  for an amount */
function boxOfReach(callable $job, float $amount, bool $isTurned = true): Bounds
{
    $asked = null;
    (new DragReach(static function (Bounds $box) use (&$asked, $job): NearLimit {
        $asked = $box;

        return new NearLimit($job(0.0), [], []);
    }, [], static fn (float $at): Site => $job($at)->site, ItemRef::fitting('valve'), $isTurned))->passed([], $amount);

    return $asked ?? throw new LogicException;
}

it('reaches where a thing comes on its way round', function (float $from, float $by): void {
    $box = boxOfReach(static fn (float $amount): Job => turnedBox($from + $amount), $by);
    // As far out as its corner or its middle on the way is, at every quarter of the turn.
    foreach ([0.0, 0.25, 0.5, 0.75, 1.0] as $share) {
        $angle = deg2rad($from + $share * $by);
        expect($box->low->x)->toBeLessThanOrEqual(300 * cos($angle) - 10)
            ->and($box->high->x)->toBeGreaterThanOrEqual(300 * cos($angle) + 10)
            ->and($box->low->y)->toBeLessThanOrEqual(300 * sin($angle) - 10)
            ->and($box->high->y)->toBeGreaterThanOrEqual(300 * sin($angle) + 10);
    }
})->with([[0.0, 180.0], [45.0, 90.0], [-60.0, 120.0], [10.0, -200.0], [0.0, 360.0]]);

it('reaches no farther than it goes where it is moved straight', function (): void {
    $box = boxOfReach(static fn (float $amount): Job => turnedBox(0.0, $amount), 150.0, false);
    expect([...$box->low->toArray(), ...$box->high->toArray()])->toEqualWithDelta([290, -10, -10, 460, 10, 10], 1e-9);
});

it('knows how far another box reaches beyond one', function (array $low, array $high, float $by): void {
    $box = Bounds::ofPoints([new Vector(0.0, 0.0, 0.0), new Vector(10.0, 20.0, 30.0)]);
    $other = Bounds::ofPoints([new Vector(...$low), new Vector(...$high)]);
    expect($box->exceededBy($other))->toBe($by);
})->with([
    'itself' => [[0.0, 0.0, 0.0], [10.0, 20.0, 30.0], 0.0],
    'within' => [[1.0, 1.0, 1.0], [9.0, 9.0, 9.0], 0.0],
    'below' => [[-3.0, 0.0, -1.0], [5.0, 5.0, 5.0], 3.0],
    'beside' => [[0.0, -4.0, 0.0], [5.0, 5.0, 5.0], 4.0],
    'above' => [[0.0, 0.0, 0.0], [12.0, 21.0, 37.0], 7.0],
    'off it' => [[20.0, 0.0, 0.0], [25.0, 5.0, 5.0], 15.0],
]);
