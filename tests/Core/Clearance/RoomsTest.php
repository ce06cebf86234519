<?php

declare(strict_types=1);

use Bowline\Clearance\Clearances;
use Bowline\Clearance\Shortfall;
use Bowline\Exchange\ClearanceWriter;
use Bowline\Job;
use Bowline\Job\Part\PartKinds;
use Bowline\Job\Units;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use Tests\Jobs;

/*
 * Room that stays free beside fittings: in the way is what stands in it, however near all else may come.
 */

/**
 * A spin-on filter about the origin: its canister of 90 ends at −96, and 60 below that are for unscrewing it.
 *
 * @param  list<array<string, mixed>>  $others  fittings
 * @param  list<array<string, mixed>>  $runs
 * @return list<Shortfall>
 */
function inTheWay(array $others, array $runs = []): array
{
    $job = Job::read(Jobs::decoded([
        'format' => 'bowline-job', 'version' => 5, 'name' => 'Rooms', 'up' => 'z',
        'stock' => [[
            'id' => 't', 'kind' => 'tube', 'density' => 8000,
            'section' => ['shape' => 'round', 'od' => 12, 'wall' => 1],
            'bend' => ['radius' => 40, 'min_radius' => 20, 'min_straight' => 0],
        ]],
        'fittings' => [
            ['id' => 'f', 'name' => 'Filter', 'pose' => ['at' => [0, 0, 0]], 'part' => ['kind' => 'canister']],
            ...$others,
        ],
        'runs' => $runs,
    ]));

    return (new Clearances($job, array_map(
        static fn (Run $run): LaidRun => $run->route->lay($run), array_values($job->runs),
    )))->all();
}

it('finds a run under a canister', function (float $z, int $found): void {
    $run = [
        'id' => 'r', 'name' => 'Return', 'stock' => 't', 'from' => ['at' => [-300, 0, $z]],
        'to' => ['at' => [300, 0, $z]], 'route' => ['kind' => 'corners', 'stops' => []],
    ];

    expect(inTheWay([], [$run]))->toHaveCount($found);
})->with([
    // The room ends at −156, the side of the tube is 6 off its axis.
    'in the room' => [-130.0, 1], 'just in it' => [-161.9, 1], 'just below it' => [-162.1, 0],
]);

it('says what the room is for, and that it is no clash', function (): void {
    $run = [
        'id' => 'r', 'name' => 'Return', 'stock' => 't', 'from' => ['at' => [-300, 0, -130]],
        'to' => ['at' => [300, 0, -130]], 'route' => ['kind' => 'corners', 'stops' => []],
    ];
    [$told] = ClearanceWriter::write(inTheWay([], [$run]), Units::millimetres());

    expect([$told['title'], $told['message'], $told['severity'], $told['rule']])->toBe([
        'Return is in the way at Filter', 'Room is needed to unscrew its canister.', 'warning', 'clearance',
    ])->and([$told['a']['id'], $told['b']['id']])->toBe(['r', 'f']);
});

it('finds a fitting in the room of another, and lets rooms be where rooms are', function (): void {
    $box = static fn (float $z): array => [
        'id' => 'box', 'name' => 'Box', 'pose' => ['at' => [0, 0, $z]],
        'body' => ['shape' => 'box', 'size' => [50, 50, 50]], 'ports' => [],
    ];
    // The room of a second one, turned over, is where that of the first is.
    $second = [
        'id' => 'g', 'name' => 'Second', 'part' => ['kind' => 'canister'],
        'pose' => ['at' => [0, 0, -2 * 96 - 70], 'turn' => ['about' => [1, 0, 0], 'by' => 180]],
    ];

    expect(array_map(static fn (Shortfall $one): string => $one->title(), inTheWay([$box(-150)])))
        ->toBe(['Box is in the way at Filter'])
        ->and(inTheWay([$box(-182)]))->toBe([])->and(inTheWay([$second]))->toBe([]);
});

it('has its own room clear of its own bodies, of every part at every size', function (
    string $word,
    float $tube,
): void {
    $kind = PartKinds::find($word);
    assert($kind !== null);
    $by = $kind->forTube($tube);
    foreach ($kind->parameters() as $parameter) {
        $by[$parameter->key] ??= $parameter->default;
    }
    foreach ($kind->rooms($by) as $room) {
        $shape = $room->solid->shape;
        $middle = $room->solid->pose->point($shape->middle());
        foreach ($kind->solids($by) as $solid) {
            $own = $solid->pose->ownPoint($middle);
            // Beside it or touching it: its middle is in none of them, but for the nut that a spanner goes round.
            $distance = $solid->shape->outside($own->x, $own->y, $own->z, INF)[0];
            expect($distance > 0.0 || $room->use === 'for a spanner')->toBeTrue();
        }
    }
    expect($kind->rooms($by))->not->toBe([]);
})->with(['valve', 'hull-valve', 'strainer', 'filter', 'canister', 'bulkhead-union'])->with([12.0, 28.0, 60.3]);
