<?php

declare(strict_types=1);

namespace Bowline\Harness;

/**
 * A backbone without loops, as a forest with a root in each part that hangs together. There is one way between two
 * nodes then: up from both to the first node above both. Of 1,000 wires over 200 trunks it is found in a quarter of
 * the time of a search from each node (bench/harness.php).
 */
final readonly class BackboneTree
{
    /**
     * @param  array<int, int>  $depths  edges from each node to its root
     * @param  array<int, float>  $lengths  from each node to its root, mm
     * @param  array<int, array{BackboneEdge, BackboneEdge}>  $above  from each node but the roots to the one above it,
     *     and from that to it
     */
    private function __construct(
        private array $depths,
        private array $lengths,
        private array $above,
    ) {
    }

    /**
     * @param  array<int, list<BackboneEdge>>  $edges  from each node, each length of trunk in both directions
     * @return self|null null where there is a loop
     */
    public static function of(array $edges): ?self
    {
        $depths = $lengths = $above = [];
        foreach (array_keys($edges) as $root) {
            if (isset($depths[$root])) {
                continue;
            }
            [$depths[$root], $lengths[$root]] = [0, 0.0];
            $open = [$root];
            while ($open !== []) {
                $node = array_pop($open);
                foreach ($edges[$node] as $edge) {
                    if (isset($above[$node]) && $edge->isReverseOf($above[$node][1])) {
                        continue;
                    }
                    if (isset($depths[$edge->to])) {
                        return null;
                    }
                    $depths[$edge->to] = $depths[$node] + 1;
                    $lengths[$edge->to] = $lengths[$node] + $edge->length();
                    $above[$edge->to] = [$edge->reversed($node), $edge];
                    $open[] = $edge->to;
                }
            }
        }

        return new self($depths, $lengths, $above);
    }

    /** Returns the length of the way between two nodes, mm; null without one. */
    public function length(int $from, int $to): ?float
    {
        $above = $this->aboveBoth($from, $to);

        return $above === null
            ? null
            : ($this->lengths[$from] ?? 0.0) + ($this->lengths[$to] ?? 0.0) - 2 * ($this->lengths[$above] ?? 0.0);
    }

    /** @return list<BackboneEdge> from one node to another, in order; none without a way */
    public function between(int $from, int $to): array
    {
        $above = $this->aboveBoth($from, $to);
        if ($above === null) {
            return [];
        }
        [$up, $down] = [[], []];
        for (; $from !== $above; $from = $edge->to) {
            $up[] = $edge = $this->above[$from][0];
        }
        for (; $to !== $above; $to = $back->to) {
            [$back, $down[]] = $this->above[$to];
        }

        return [...$up, ...array_reverse($down)];
    }

    /** Returns the lowest node that is above both or one of both; null where they do not hang together. */
    private function aboveBoth(int $one, int $other): ?int
    {
        if ($one !== $other && ! isset($this->depths[$one], $this->depths[$other])) {
            return null;
        }
        while ($one !== $other) {
            if ($this->depths[$one] < $this->depths[$other]) {
                [$one, $other] = [$other, $one];
            }
            if (! isset($this->above[$one])) {
                return null;
            }
            $one = $this->above[$one][0]->to;
        }

        return $one;
    }
}
