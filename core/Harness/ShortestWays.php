<?php

declare(strict_types=1);

namespace Bowline\Harness;

use SplPriorityQueue;

/**
 * Shortest ways through a backbone from one of its nodes (Dijkstra, with a heap). Of equally short ones that which is
 * found first is taken, so that the same harness always has the same ways.
 */
final class ShortestWays implements Ways
{
    /** @var array<int, float> */
    private array $distances;

    /** @var array<int, array{int, BackboneEdge}> node before each, and the edge from that */
    private array $before = [];

    /**
     * @param  array<int, list<BackboneEdge>>  $edges  from each node
     * @param  array<string, float>  $penalties  added to the length of an edge by its key, mm
     */
    public function __construct(array $edges, int $from, array $penalties = [])
    {
        $this->distances = [$from => 0.0];
        /** @var SplPriorityQueue<float, int> $open */
        $open = new SplPriorityQueue;
        $open->setExtractFlags(SplPriorityQueue::EXTR_BOTH);
        $open->insert($from, 0.0);
        $done = [];
        while (! $open->isEmpty()) {
            /** @var array{data: int, priority: float} $next */
            $next = $open->extract();
            $node = $next['data'];
            if (isset($done[$node])) {
                continue;
            }
            $done[$node] = true;
            $so = $this->distances[$node];
            foreach ($edges[$node] ?? [] as $edge) {
                $to = $edge->to;
                $length = $so + abs($edge->until - $edge->from)
                    + ($penalties === [] ? 0.0 : $penalties[self::key($edge)] ?? 0.0);
                if (! isset($this->distances[$to]) || $length < $this->distances[$to]) {
                    $this->distances[$to] = $length;
                    $this->before[$to] = [$node, $edge];
                    // Nothing goes on from where only this edge goes to.
                    if (count($edges[$to] ?? []) > 1) {
                        $open->insert($to, -$length);
                    }
                }
            }
        }
    }

    /** Returns what stands for a length of trunk in either direction. */
    public static function key(BackboneEdge $edge): string
    {
        return $edge->run.' '.min($edge->from, $edge->until);
    }

    /** Returns the length to a node, with penalties. */
    public function distanceTo(int $node): ?float
    {
        return $this->distances[$node] ?? null;
    }

    public function to(int $node): array
    {
        $edges = [];
        while (isset($this->before[$node])) {
            [$node, $edges[]] = $this->before[$node];
        }

        return array_reverse($edges);
    }
}
