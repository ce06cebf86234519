<?php

declare(strict_types=1);

use Bowline\Editing\OpenChannels;

/** @param  array<string, array{string|null, list<string>}>  $runs  by id: the block, and what it is open to */
function channelsFile(array $runs): stdClass
{
    return (object) ['runs' => array_map(static function (string $id, array $told): stdClass {
        [$block, $meets] = $told;

        return (object) ['id' => $id, ...$block === null ? [] : [
            'body' => (object) ['as' => 'channel', 'in' => $block, ...$meets === [] ? [] : ['meets' => $meets]],
        ]];
    }, array_keys($runs), array_values($runs))];
}

it('leaves out what has left the block, and nothing else', function (array $after, array $meets): void {
    $before = channelsFile(['a' => ['one', ['b', 'c']], 'b' => ['one', []], 'c' => ['one', ['a']]]);
    $file = channelsFile($after);
    $fitted = OpenChannels::fit($before, $file);
    expect(array_map(
        static fn (stdClass $run): ?array => $run->body->meets ?? null, array_column($fitted->runs, null, 'id'),
    ))->toBe($meets)
        // What was given is as it was.
        ->and($file)->toEqual(channelsFile($after));
})->with([
    'nothing changes' => [
        ['a' => ['one', ['b', 'c']], 'b' => ['one', []], 'c' => ['one', ['a']]],
        ['a' => ['b', 'c'], 'b' => null, 'c' => ['a']],
    ],
    'one becomes a run' => [
        ['a' => ['one', ['b', 'c']], 'b' => [null, []], 'c' => ['one', ['a']]],
        ['a' => ['c'], 'b' => null, 'c' => ['a']],
    ],
    'one goes into another block' => [
        ['a' => ['one', ['b', 'c']], 'b' => ['two', []], 'c' => ['one', ['a']]],
        ['a' => ['c'], 'b' => null, 'c' => ['a']],
    ],
    'two go together' => [
        ['a' => ['two', ['b', 'c']], 'b' => ['one', []], 'c' => ['two', ['a']]],
        ['a' => ['b', 'c'], 'b' => null, 'c' => ['a']],
    ],
    'what was none before stays to be told as a mistake' => [
        ['a' => ['one', ['b', 'd']], 'b' => ['one', []], 'c' => ['one', ['a']], 'd' => [null, []]],
        ['a' => ['b', 'd'], 'b' => null, 'c' => ['a'], 'd' => null],
    ],
]);
