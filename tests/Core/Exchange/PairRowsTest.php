<?php

declare(strict_types=1);

use Bowline\Exchange\PairRows;
use Bowline\Job;
use Bowline\Pathfinding\Errand;
use Tests\Jobs;
use Tests\RandomScenes;

/* Pairs of ports, typed in a file or pasted from a spreadsheet. */

function pairsJob(): Job
{
    $file = RandomScenes::boxes(1, 0);
    $file['fittings'] = array_map(static fn (string $id): array => [
        'id' => $id, 'ports' => [['id' => 'p', 'at' => [0, 0, 0], 'axis' => '+x', 'size' => $id === 'd' ? 22 : 12]],
    ], ['a', 'b', 'c', 'd']);

    return Job::read(Jobs::decoded($file));
}

it('reads pairs with any separator, with a heading or without', function (string $text): void {
    $rows = PairRows::read($text, pairsJob(), null);

    expect($rows->refused)->toBe([])
        ->and(array_map(static fn (Errand $one): array => [
            $one->from->name, $one->to->name, $one->stock->id, $one->service?->id,
        ], $rows->errands))->toBe([['a.p', 'b.p', 't12', 'fuel'], ['b.p', 'c.p', 't12', null]]);
})->with([
    'commas' => ["a.p,b.p,t12,fuel\nb.p,c.p,t12\n"],
    'tabs' => ["a.p\tb.p\tt12\tfuel\nb.p\tc.p\tt12\t"],
    'a heading in another order' => ["Stock;To;From;Service\nt12;b.p;a.p;fuel\n\nt12;c.p;b.p;\n"],
    'without stock: the tube that fits both' => ["from,to,service\na.p,b.p,fuel\nb.p,c.p,"],
    'a heading with more' => ["From,To,Note,Service\na.p,b.p,first,fuel\nb.p,c.p,second,"],
]);

it('reads numbers as people type them', function (): void {
    $rows = PairRows::read("from;to;length;fall;insulation\na.p;b.p;;8,5;13\na.p;c.p;1200,5;;", pairsJob(), 't12');

    expect($rows->refused)->toBe([])
        ->and($rows->errands[0]->fall)->toEqualWithDelta(0.0085, 1e-12)
        ->and($rows->errands[0]->insulation)->toBe(13.0)
        ->and($rows->errands[0]->outside())->toBe(19.0)
        ->and($rows->errands[1]->length)->toBe(1200.5);
});

it('refuses rows by themselves, with the reason', function (string $row, string $why): void {
    $rows = PairRows::read("from,to,stock,length\na.p,b.p,t12,\n".$row, pairsJob(), null);

    expect($rows->errands)->toHaveCount(1)->and($rows->refused)->toHaveCount(1)
        ->and($rows->refused[0]['line'])->toBe(3)
        ->and($rows->refused[0]['why'])->toContain($why);
})->with([
    ['a.x,b.p,t12,', 'there is no port “a.x”'],
    ['a.p,a.p,t12,', 'from one port to another'],
    ['a.p,b.p,t99,', 'there is no stock “t99”'],
    ['a.p,b.p,t12,long', '“long” is no number'],
    ['a.p,b.p,t12,-5', 'the length'],
    ['a.p,d.p,,', 'no tube or pipe of the job fits both ports'],
    ['a.p', 'to'],
]);
