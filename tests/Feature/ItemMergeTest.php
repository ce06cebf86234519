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

/** A random item as it might stand in a job file, three levels deep. */
function randomItem(int $depth = 3): stdClass
{
    $item = new stdClass;
    foreach (array_slice(['at', 'by', 'corner', 'lead', 'name'], 0, mt_rand(2, 5)) as $key) {
        $item->{$key} = match ($depth > 0 ? mt_rand(0, 4) : mt_rand(0, 2)) {
            0 => mt_rand(0, 9),
            1 => 'text '.mt_rand(0, 3),
            2 => [mt_rand(0, 9), mt_rand(0, 9), 0.5],
            3 => [randomItem($depth - 1), randomItem($depth - 1)],
            default => randomItem($depth - 1),
        };
    }

    return $item;
}

/** Another item with so many changes at random places: numbers, texts, keys that come and go. */
function changedItem(stdClass $item, int $changes): stdClass
{
    $changed = json_decode(json_encode($item, JSON_THROW_ON_ERROR));
    for ($i = 0; $i < $changes; $i++) {
        $at = $changed;
        // Down at random, as far as there is an object.
        while (true) {
            $down = array_filter(get_object_vars($at), static fn (mixed $value): bool => $value instanceof stdClass);
            if ($down === [] || mt_rand(0, 2) === 0) {
                break;
            }
            $at = $down[array_rand($down)];
        }
        $keys = array_keys(get_object_vars($at));
        $key = $keys === [] ? 'fresh' : $keys[array_rand($keys)];
        match (mt_rand(0, 3)) {
            0 => $at->{'new'.mt_rand(0, 2)} = mt_rand(0, 99),
            1 => (function () use ($at, $key): void {
                unset($at->{$key});
            })(),
            default => $at->{$key} = mt_rand(100, 199),
        };
    }

    return $changed;
}

it('keeps the laws of merging, whatever the items are', function (int $seed): void {
    mt_srand($seed);
    for ($round = 0; $round < 60; $round++) {
        $was = randomItem();
        [$mine, $theirs] = [changedItem($was, mt_rand(0, 3)), changedItem($was, mt_rand(0, 3))];
        $before = json_encode([$was, $mine, $theirs]);
        [$merged, $clashes] = ItemMerge::of($was, $mine, $theirs, true);
        $same = static fn (mixed $a, mixed $b): bool => ItemMerge::isSame($a, $b);

        // Where only one has changed something, it is as that one has it.
        expect($same(ItemMerge::of($was, $mine, $was, true)[0], $mine))->toBeTrue()
            ->and($same(ItemMerge::of($was, $was, $theirs, true)[0], $theirs))->toBeTrue();
        // The same change twice is one.
        expect(ItemMerge::of($was, $mine, $mine, true)[1])->toBe([])
            ->and($same(ItemMerge::of($was, $mine, $mine, false)[0], $mine))->toBeTrue();
        // Who comes first matters only where both changed the same: then the other way round is the other one's.
        [$turned, $theirClashes] = ItemMerge::of($was, $theirs, $mine, false);
        expect($same($merged, $turned))->toBeTrue()
            ->and(array_column($theirClashes, 'pointer'))->toEqualCanonicalizing(array_column($clashes, 'pointer'));
        [$other] = ItemMerge::of($was, $mine, $theirs, false);
        expect($same($merged, $other))->toBe($clashes === []);
        // Each clash shows both values, which differ from each other.
        foreach ($clashes as $clash) {
            expect($same($clash['yours'], $clash['theirs']))->toBeFalse();
        }
        // Merged again with what it was merged from, nothing changes.
        expect($same(ItemMerge::of($theirs, $merged, $theirs, true)[0], $merged))->toBeTrue();
        // Nothing that came in has been written over.
        expect(json_encode([$was, $mine, $theirs]))->toBe($before);
    }
})->with(range(1, 6));

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
