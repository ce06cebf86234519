<?php

declare(strict_types=1);

use Tests\Jobs;

/*
 * Every edit of a corner, of a run in which that corner is told in each way there is: what was not edited stays where
 * it is. Vertices: 0 the port of the pump, 1 a point, 2 the corner in question, 3 a point, 4 and 5 a clamp, 6 the end.
 */
const RESTING = [
    [0, 0, 50],
    [0, 0, 200],
    [100, 0, 200],
    [100, 200, 200],
    [100, 300, 200],
    [100, 400, 200],
    [400, 400, 200],
];

/** @return array<string, array<string, mixed>> each is at (100, 0, 200); riser is 120 */
function waysToTell(): array
{
    return [
        'a point' => ['at' => [100, 0, 200]],
        'a point by expressions' => ['at' => ['riser - 20', '0 * riser', 'riser + 80']],
        'a step' => ['by' => [100, 0, 0]],
        'a step by an expression' => ['by' => ['riser - 20', 0, 0]],
        'a leg' => ['along' => '+x', 'length' => 100],
        'a leg by an expression' => ['along' => '+x', 'length' => 'riser - 20'],
        'a leg level with a point' => ['along' => '+x', 'until' => [100, 7, 7]],
        'a leg level with a port' => ['along' => '+x', 'until' => 'filter.in'],
        'a point tied level' => [
            'at' => [100, 0, 200],
            'ties' => [['level' => '+z', 'with' => 'pump.out', 'distance' => 150]],
        ],
        'a leg tied level' => [
            'along' => '+x', 'length' => 100,
            'ties' => [['level' => '+z', 'with' => 'pump.out', 'distance' => 150]],
        ],
        'a point tied at a distance' => [
            'at' => [100, 0, 200],
            'ties' => [['away' => 100, 'from' => 'pump.out']],
        ],
        'a point with a bend of its own' => ['at' => [100, 0, 200], 'corner' => ['radius' => 35]],
    ];
}

/** @param  array<string, mixed>  $told  how the corner is told */
function jobWith(array $told): stdClass
{
    $file = Jobs::file(
        [
            ['at' => [0, 0, 200]],
            $told,
            ['at' => [100, 200, 200]],
            ['clamp' => 'c', 'before' => 50, 'after' => 'riser - 70'],
        ],
        ['at' => [400, 400, 200]],
        ['clamps' => [['id' => 'c', 'at' => [100, 350, 200], 'axis' => '+y', 'bore' => 12, 'width' => 10]]],
    );
    $file->fittings[] = Jobs::object([
        'id' => 'filter', 'pose' => ['at' => [100, 900, 900]],
        'ports' => [['id' => 'in', 'at' => [0, 0, 0], 'axis' => '+y']],
    ]);

    return $file;
}

/** @return list<list<float>> */
function restingPlaces(stdClass $file): array
{
    return array_map(static fn ($vertex): array => $vertex->at->toArray(), Jobs::laid($file)->vertices);
}

/**
 * @param  array<string, mixed>  $edit
 * @return list<list<float>> the vertices afterwards, read again from the file
 */
function placesAfter(stdClass $file, array $edit): array
{
    $changed = Jobs::object(json_decode(json_encode($file, JSON_THROW_ON_ERROR), true));
    $changed->runs[0] = Jobs::edited($file, $edit);

    return restingPlaces(Jobs::decoded(json_decode(json_encode($changed, JSON_THROW_ON_ERROR), true)));
}

/** @return array<string, array{array<string, mixed>}> */
function toldInTurn(): array
{
    return array_map(static fn (array $told): array => [$told], waysToTell());
}

/** @return array<string, array{array<string, mixed>}> those that nothing keeps from going along x */
$freeAlongX = static fn (): array => array_filter(
    toldInTurn(),
    static fn (string $name): bool => $name !== 'a point tied at a distance' && ! str_contains($name, 'a leg level'),
    ARRAY_FILTER_USE_KEY,
);

it('lies where it is told, however that is', function (array $told): void {
    expect(restingPlaces(jobWith($told)))->toEqualWithDelta(RESTING, 1e-9);
})->with(toldInTurn());

it('stays where it is when something else than a place is edited', function (array $told, array $edit): void {
    expect(placesAfter(jobWith($told), $edit))->toEqualWithDelta(RESTING, 1e-6);
})->with(toldInTurn())->with([
    'a radius of its own' => [['do' => 'set-corner', 'vertex' => 2, 'corner' => ['radius' => 28]]],
    'none of its own' => [['do' => 'set-corner', 'vertex' => 2, 'corner' => null]],
    'a radius for all' => [['do' => 'set-corner', 'vertex' => null, 'corner' => ['radius' => 26]]],
    'the length held as it is' => [['do' => 'hold-as', 'how' => 'held']],
    'bends told by a ratio' => [['do' => 'tell-by', 'by' => 'ratio']],
    'a tie that it keeps already' => [
        ['do' => 'tie', 'vertex' => 2, 'tie' => ['level' => '+z', 'with' => ['stop' => 0], 'distance' => 0]],
    ],
    'a tie measured where it is' => [
        [
            'do' => 'tie', 'vertex' => 2, 'measured' => true,
            'tie' => ['level' => '+y', 'with' => 'pump.out', 'distance' => 0],
        ],
    ],
    'a flange put on' => [['do' => 'finish-end', 'end' => 'to', 'type' => 'flange']],
    'a cap put on' => [['do' => 'finish-end', 'end' => 'to', 'type' => 'domed-cap']],
    'a flange of a table' => [['do' => 'choose-flange', 'end' => 'to', 'standard' => 'EN 1092-1 type 01 PN 6']],
    'broken into spools' => [['do' => 'break-run']],
    'clips along it' => [['do' => 'repeat-along', 'kind' => 'clip']],
]);

it('stays where it is when its tie is taken off', function (array $told): void {
    expect(placesAfter(jobWith($told), ['do' => 'untie', 'vertex' => 2]))->toEqualWithDelta(RESTING, 1e-6);
})->with(array_filter(
    toldInTurn(),
    static fn (string $name): bool => str_contains($name, 'tied'),
    ARRAY_FILTER_USE_KEY,
));

it('has one corner more, in the middle of a leg, and all others stay', function (array $told, int $vertex): void {
    $middle = array_map(
        static fn (float $a, float $b): float => ($a + $b) / 2,
        RESTING[$vertex - 1],
        RESTING[$vertex],
    );
    $places = RESTING;
    array_splice($places, $vertex, 0, [$middle]);
    expect(placesAfter(jobWith($told), ['do' => 'insert-corner', 'vertex' => $vertex]))
        ->toEqualWithDelta($places, 1e-6);
})->with(toldInTurn())->with(['before it' => 2, 'behind it' => 3, 'far behind it' => 6]);

it('loses one corner, and all others stay', function (array $told, int $vertex): void {
    $places = RESTING;
    array_splice($places, $vertex, 1);
    expect(placesAfter(jobWith($told), ['do' => 'remove-corner', 'vertex' => $vertex]))
        ->toEqualWithDelta($places, 1e-6);
})->with(toldInTurn())->with(['the one itself' => 2, 'the one behind it' => 3]);

it('comes the other way round with every corner where it was', function (array $told): void {
    expect(placesAfter(jobWith($told), ['do' => 'reverse']))->toEqualWithDelta(array_reverse(RESTING), 1e-6);
})->with(toldInTurn());

it('goes along x as far as it is moved, and all others stay', function (array $told): void {
    expect(placesAfter(jobWith($told), ['do' => 'move-corner', 'vertex' => 2, 'by' => [12, 0, 0]]))
        ->toEqualWithDelta(array_replace(RESTING, [2 => [112, 0, 200]]), 1e-6);
})->with($freeAlongX());

it('goes no way that its tie does not allow, and all others stay', function (array $by): void {
    // 100 from the axis of a port that points up: round it and along it.
    $told = waysToTell()['a point tied at a distance'];
    $places = placesAfter(jobWith($told), ['do' => 'move-corner', 'vertex' => 2, 'by' => $by]);
    expect(hypot($places[2][0], $places[2][1]))->toEqualWithDelta(100, 1e-6)
        ->and($places[2][2] - 200)->toEqualWithDelta($by[2], 1e-6)
        ->and(array_replace($places, [2 => RESTING[2]]))->toEqualWithDelta(RESTING, 1e-6);
})->with(['along it' => [[0, 0, 12]], 'round it' => [[0, 12, 0]], 'both' => [[3, -8, -20]]]);

it('takes its leg along sideways, both of its corners, and no other', function (array $told): void {
    // The leg from vertex 2 to 3, which is along y.
    $places = placesAfter(jobWith($told), ['do' => 'move-leg', 'vertex' => 3, 'by' => [15, 0, 0]]);
    expect($places)->toEqualWithDelta(
        array_replace(RESTING, [2 => [115, 0, 200], 3 => [115, 200, 200]]),
        1e-6,
    );
})->with($freeAlongX());

it('has a leg as long as it is told, and what is beyond the next place stays', function (array $told): void {
    $places = placesAfter(jobWith($told), ['do' => 'set-leg', 'vertex' => 2, 'length' => 130]);
    expect($places)->toEqualWithDelta(array_replace(RESTING, [2 => [130, 0, 200]]), 1e-6);
})->with(array_filter(
    toldInTurn(),
    static fn (string $name): bool => $name !== 'a point tied at a distance',
    ARRAY_FILTER_USE_KEY,
));

it('keeps an expression that it is told by as one', function (array $told): void {
    $run = Jobs::edited(jobWith($told), ['do' => 'move-corner', 'vertex' => 2, 'by' => [12, 0, 0]]);
    expect(json_encode($run->route->stops[1], JSON_THROW_ON_ERROR))->toContain('riser - 8');
})->with(array_filter(
    toldInTurn(),
    static fn (string $name): bool => str_contains($name, 'expression'),
    ARRAY_FILTER_USE_KEY,
));
