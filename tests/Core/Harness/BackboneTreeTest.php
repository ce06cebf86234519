<?php

declare(strict_types=1);

use Bowline\Harness\BackboneEdge;
use Bowline\Harness\BackboneTree;
use Bowline\Harness\FoundWay;
use Bowline\Harness\ShortestWays;
use Bowline\Harness\TreeWays;

/**
 * Edges of a random tree, each in both directions, as lengths of trunks of their own.
 *
 * @return array<int, list<BackboneEdge>>
 */
function randomTree(int $nodes, int $parts): array
{
    $edges = [];
    for ($node = $parts; $node < $nodes; $node++) {
        $above = mt_rand(0, $node - 1);
        $length = mt_rand(1, 500) / 7;
        $edges[$above][] = new BackboneEdge($node, "t$node", 0.0, $length);
        $edges[$node][] = new BackboneEdge($above, "t$node", $length, 0.0);
    }

    return $edges;
}

it('goes as Dijkstra does where there are no loops', function (int $seed): void {
    mt_srand($seed);
    $edges = randomTree(40, mt_rand(1, 3));
    $tree = BackboneTree::of($edges);
    assert($tree !== null);
    foreach (range(0, 39) as $from) {
        [$ways, $other] = [new TreeWays($tree, $from), new ShortestWays($edges, $from)];
        foreach (range(0, 39) as $to) {
            [$own, $told] = [$ways->distanceTo($to), $other->distanceTo($to)];
            expect($own === null)->toBe($told === null);
            if ($own !== null) {
                expect($own)->toEqualWithDelta($told, 1e-9)->and($ways->to($to))->toEqual($other->to($to));
            }
        }
    }
})->with(range(1, 8));

it('is none where there is a loop', function (): void {
    mt_srand(4);
    $edges = randomTree(12, 1);
    $edges[3][] = new BackboneEdge(9, 'loop', 0.0, 5.0);
    $edges[9][] = new BackboneEdge(3, 'loop', 5.0, 0.0);

    expect(BackboneTree::of($edges))->toBeNull();
});

it('is none where two lengths of one trunk lead to one place', function (): void {
    $edges = [
        0 => [new BackboneEdge(1, 't', 0.0, 5.0), new BackboneEdge(1, 't', 9.0, 5.0)],
        1 => [new BackboneEdge(0, 't', 5.0, 0.0), new BackboneEdge(0, 't', 5.0, 9.0)],
    ];

    expect(BackboneTree::of($edges))->toBeNull();
});

it('puts lengths that go on along one trunk together', function (): void {
    $way = FoundWay::along([
        new BackboneEdge(1, 'a', 10.0, 40.0), new BackboneEdge(2, 'a', 40.0, 90.0), new BackboneEdge(3, 'b', 7.0, 0.0),
        new BackboneEdge(4, 'b', 0.0, 7.0),
    ]);

    expect($way->length)->toBe(94.0)
        ->and(array_map(static fn ($one): array => [$one->run, $one->from, $one->to], $way->ways()))
        ->toBe([['a', 10.0, 90.0], ['b', 7.0, 0.0], ['b', 0.0, 7.0]]);
});
