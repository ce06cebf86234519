<?php

declare(strict_types=1);

use Bowline\Job\ItemRef;
use Bowline\Job\References;
use Tests\Jobs;

$run = json_decode(
    json_encode([
        'id' => 'r',
        'from' => ['port' => 'pump.out'],
        'to' => ['at' => [0, 0, 0]],
        'route' => [
            'kind' => 'corners',
            'stops' => [
                ['along' => '+x', 'until' => 'filter.in'],
                ['clamp' => 'c1', 'before' => 9, 'after' => 9],
                ['along' => '+x', 'until' => [1, 2, 3]],
                ['at' => [1, 1, 1]],
            ],
        ],
    ]),
);

it('knows what a run hangs on: its ends, what it is level with, its clamps', function () use ($run): void {
    $on = fn (string $list, string $id): array => References::runsOn([$run], [], ItemRef::of($list, $id));
    expect(References::places($run))->toBe(['pump.out', 'filter.in', 'c1'])
        ->and($on('fittings', 'pump'))
        ->toBe([$run->id])
        ->and($on('fittings', 'filter'))
        ->toBe([$run->id])
        ->and($on('clamps', 'c1'))
        ->toBe([$run->id])
        // An id that only begins alike is another one.
        ->and($on('fittings', 'pum'))->toBe([])->and($on('clamps', 'pump'))->toBe([]);
});

it('finds what hangs on a thing through mountings, ties, copies and equal lengths', function (): void {
    $bare = ['from' => ['at' => [0, 0, 0]], 'to' => ['at' => [9, 0, 0]]];
    $runs = array_map(Jobs::object(...), [
        ['id' => 'a', ...$bare, 'route' => ['stops' => [['clamp' => 'c', 'before' => 1, 'after' => 1]]]],
        [
            'id' => 'b',
            ...$bare,
            'route' => [
                'stops' => [['at' => [1, 2, 3], 'ties' => [['level' => '+z', 'with' => ['stop' => 0, 'run' => 'a']]]]],
            ],
        ],
        [
            'id' => 'c',
            ...$bare,
            'route' => ['like' => ['run' => 'b', 'offset' => [0, 1, 0]], 'stops' => []],
            'fixed_length' => ['same_as' => 's', 'tolerance' => 1],
        ],
        ['id' => 'd', ...$bare, 'route' => ['stops' => []], 'fixed_length' => ['same_as' => 's', 'tolerance' => 1]],
        ['id' => 'e', ...$bare, 'route' => ['stops' => []]],
    ]);
    $mounted = [[ItemRef::of('clamps', 'c'), 'hatch'], [ItemRef::fitting('f'), 'wall']];
    expect(References::runsOn($runs, $mounted, ItemRef::of('surroundings', 'hatch')))->toBe(['a', 'b', 'c', 'd'])
        ->and(References::runsOn($runs, $mounted, ItemRef::of('surroundings', 'wall')))->toBe([])
        ->and(References::runsOn($runs, $mounted, ItemRef::of('runs', 'b')))->toBe(['b', 'c', 'd']);
});

it('knows what an edit names that the run does not hang on yet', function (): void {
    $change = json_decode(
        '{"do":"finish","port":"tank.top","stops":[{"along":"+z","until":"tank.top"},{"along":"+x","length":5}]}',
    );
    expect(ItemRef::idsIn('fittings', References::itemsOfChange($change)))->toBe(['tank'])
        ->and(References::itemsOfChange(json_decode('{"do":"add-leg","along":"+x","until":[1,2,3]}')))->toBe([])
        ->and(
            References::itemsOfChange(
                json_decode('{"do":"tie","vertex":1,"tie":{"away":40,"from":{"face":"front","of":"hatch"}}}'),
            ),
        )
        ->toEqual([ItemRef::of('surroundings', 'hatch')]);
});

it('lets what is draped hang on all that stands in space, and what moves on all that stands around', function (): void {
    $ends = ['from' => ['port' => 'arm.a'], 'to' => ['at' => [9, 0, 0]]];
    $runs = array_map(Jobs::object(...), [
        [
            'id' => 'draped',
            'from' => ['at' => [0, 0, 0]],
            'to' => ['at' => [9, 0, 0]],
            'route' => ['kind' => 'drape', 'length' => 20],
        ],
        [
            'id' => 'kept',
            'from' => ['at' => [0, 0, 0]],
            'to' => ['at' => [9, 0, 0]],
            'route' => ['kind' => 'drape', 'length' => 20, 'kept' => [[0, 0, 0], [9, 0, 0]]],
        ],
        ['id' => 'moving', ...$ends, 'route' => ['kind' => 'spring', 'length' => 20]],
        [
            'id' => 'led',
            'from' => ['at' => [0, 0, 0]],
            'to' => ['at' => [9, 0, 0]],
            'route' => ['kind' => 'hang', 'length' => 20, 'through' => [['clamp' => 'tie']]],
        ],
    ]);
    $mounted = [[ItemRef::fitting('arm'), References::MOVES]];
    expect(References::runsOn($runs, $mounted, ItemRef::of('surroundings', 'wall')))->toBe(['draped', 'moving'])
        ->and(References::runsOn($runs, $mounted, ItemRef::of('fittings', 'tank')))->toBe(['draped', 'moving'])
        ->and(References::runsOn($runs, $mounted, ItemRef::of('clamps', 'tie')))->toBe(['led']);
});
