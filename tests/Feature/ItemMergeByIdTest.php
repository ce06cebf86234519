<?php

declare(strict_types=1);

use App\Editing\ItemMerge;
use Tests\Jobs;

/*
 * Lists of items with ids (wires, ports, splices) are merged item by item, whoever adds or takes out others meanwhile.
 */

/** @param  array<int|string, array<string, string>>  $wires  by id */
function wiresOf(array $wires): stdClass
{
    $list = [];
    foreach ($wires as $id => $wire) {
        $list[] = ['id' => (string) $id, ...$wire];
    }

    return Jobs::object(['wires' => $list]);
}

it('merges wires of two windows', function (array $mine, array $theirs, array $merged, int $clashes): void {
    $was = ['1' => ['to' => 'a'], 'W2' => ['to' => 'b']];
    [$both, $clashed] = ItemMerge::of(wiresOf($was), wiresOf($mine), wiresOf($theirs), true);

    expect(json_encode($both))->toBe(json_encode(wiresOf($merged)))->and($clashed)->toHaveCount($clashes);
})->with([
    'one added, another changed' => [
        ['1' => ['to' => 'a'], 'W2' => ['to' => 'b'], 'W3' => ['to' => 'c']],
        ['1' => ['to' => 'x'], 'W2' => ['to' => 'b']],
        ['1' => ['to' => 'x'], 'W2' => ['to' => 'b'], 'W3' => ['to' => 'c']], 0,
    ],
    'one added by each' => [
        ['1' => ['to' => 'a'], 'W2' => ['to' => 'b'], 'W3' => ['to' => 'c']],
        ['1' => ['to' => 'a'], 'W2' => ['to' => 'b'], 'W4' => ['to' => 'd']],
        ['1' => ['to' => 'a'], 'W2' => ['to' => 'b'], 'W4' => ['to' => 'd'], 'W3' => ['to' => 'c']], 0,
    ],
    'one taken out, another changed' => [
        ['W2' => ['to' => 'b']], ['1' => ['to' => 'a'], 'W2' => ['to' => 'y']], ['W2' => ['to' => 'y']], 0,
    ],
    'one taken out that the other changed' => [
        ['W2' => ['to' => 'b']], ['1' => ['to' => 'z'], 'W2' => ['to' => 'b']], ['W2' => ['to' => 'b']], 1,
    ],
    'the same changed otherwise' => [
        ['1' => ['to' => 'm'], 'W2' => ['to' => 'b']], ['1' => ['to' => 't'], 'W2' => ['to' => 'b']],
        ['1' => ['to' => 'm'], 'W2' => ['to' => 'b']], 1,
    ],
]);
