<?php

declare(strict_types=1);

use App\Editing\Change;
use App\Editing\ItemMerge;
use App\Editing\StepName;

$of = static fn (mixed $value): mixed => json_decode(json_encode($value));

it('takes what only one has changed from the one who has', function (
    mixed $was,
    mixed $mine,
    mixed $theirs,
    mixed $both,
) use ($of): void {
    [$merged, $clashes] = ItemMerge::of($of($was), $of($mine), $of($theirs), true);
    expect($clashes)->toBe([])->and(ItemMerge::isSame($merged, $of($both)))->toBeTrue();
    // It does not matter who came first.
    [$merged] = ItemMerge::of($of($was), $of($theirs), $of($mine), true);
    expect(ItemMerge::isSame($merged, $of($both)))->toBeTrue();
})->with([
    'different keys' => [['a' => 1, 'b' => 1], ['a' => 2, 'b' => 1], ['a' => 1, 'b' => 3], ['a' => 2, 'b' => 3]],
    'a key added, one taken away' => [['a' => 1], ['a' => 1, 'b' => 2], ['c' => 3], ['b' => 2, 'c' => 3]],
    'different numbers of a place' => [
        ['at' => [0, 0, 0]],
        ['at' => [5, 0, 0]],
        ['at' => [0, 0, 7]],
        ['at' => [5, 0, 7]],
    ],
    'deep down' => [
        ['r' => ['s' => [['l' => 1], ['l' => 2]]]],
        ['r' => ['s' => [['l' => 9], ['l' => 2]]]],
        ['r' => ['s' => [['l' => 1], ['l' => 8]]]],
        ['r' => ['s' => [['l' => 9], ['l' => 8]]]],
    ],
    'the same change twice' => [['a' => 1], ['a' => 2], ['a' => 2.0], ['a' => 2]],
    'a list grown by one only' => [['s' => [1, 2]], ['s' => [1, 2, 3]], ['s' => [1, 2]], ['s' => [1, 2, 3]]],
]);

it('finds a clash where both changed the same in different ways, and says where', function (
    mixed $was,
    mixed $mine,
    mixed $theirs,
    string $pointer,
) use ($of): void {
    foreach ([true, false] as $mineWins) {
        [$merged, $clashes] = ItemMerge::of($of($was), $of($mine), $of($theirs), $mineWins);
        expect(array_column($clashes, 'pointer'))
            ->toBe([$pointer])
            ->and(ItemMerge::isSame($merged, $of($mineWins ? $mine : $theirs)))
            ->toBeTrue();
    }
})->with([
    'a number' => [['a' => ['b' => 1]], ['a' => ['b' => 2]], ['a' => ['b' => 3]], '/a/b'],
    'lists of different lengths' => [['s' => [1]], ['s' => [1, 2]], ['s' => []], '/s'],
    'deleted and changed' => [['a' => 1], null, ['a' => 2], ''],
    'changed and deleted' => [['a' => 1], ['a' => 2], null, ''],
    'number and text' => [['a' => 1], ['a' => '2'], ['a' => 2], '/a'],
]);

it('calls a step by what was done', function (array $changes, string $name) use ($of): void {
    expect(
        StepName::of(
            array_map(
                static fn (array $change): Change => new Change(
                    $change[0],
                    $change[1],
                    $of($change[2]),
                    $of($change[3]),
                    0,
                ),
                array_values($changes),
            ),
        ),
    )->toBe($name);
})->with([
    [[['fittings', 'pump', null, ['name' => 'Pump']]], 'Add Pump'],
    [[['runs', 'feed', ['name' => 'Feed'], ['name' => 'Feed 2']]], 'Rename Feed'],
    [[['runs', 'feed', ['stock' => 'a'], ['stock' => 'b']]], 'Change stock of feed'],
    // What was done comes before what followed from it.
    [[['runs', 'feed', ['from' => 1], ['from' => 2]], ['fittings', 'pump', ['name' => 'Pump'], null]], 'Delete Pump'],
    [[['', '', ['name' => 'A'], ['name' => 'B']]], 'Rename the job'],
    [
        [['', '', ['name' => 'A', 'values' => ['x' => 1]], ['name' => 'A', 'values' => ['x' => 2]]]],
        'Change the job’s values',
    ],
]);
