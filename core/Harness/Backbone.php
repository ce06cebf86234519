<?php

declare(strict_types=1);

namespace Bowline\Harness;

use Bowline\Geometry\Bounds;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Harness\Splice;
use Bowline\Job\Harness\Terminal;
use Bowline\Job\Port;
use Bowline\Routing\LaidRun;

/**
 * The trunks of a harness as a graph: its nodes are ends of trunks, those together that are put together, places at
 * which a trunk branches off, splices, and places at which wires leave; its edges the lengths of trunk between them.
 */
final class Backbone
{
    /** How far apart ends of trunks are still put together, mm. */
    private const TOGETHER = 0.01;

    /** @var array<string, LaidRun> by id */
    private array $trunks = [];

    /** @var array<string, array<string, array{float, int}>> places on each trunk and their nodes, by trunk */
    private array $places = [];

    /** @var list<Vector> where each node is */
    private array $nodes = [];

    /** @var array<string, list<int>> nodes by the cell of a grid that they are in */
    private array $cells = [];

    /** @var array<string, Bounds> that hold each trunk */
    private array $boxes = [];

    /** @var array<string, LeadOff> by the name of the place of a terminal */
    private array $leadOffs = [];

    /** @var array<int, list<BackboneEdge>>|null from each node */
    private ?array $edges = null;

    /** @var array<int, Ways> found from each node along these edges */
    private array $ways = [];

    /** Of these edges; null where there are loops, false where it is not known yet. */
    private BackboneTree|false|null $tree = false;

    /** @param  array<string, LaidRun>  $trunks  by id */
    public function __construct(array $trunks)
    {
        foreach ($trunks as $laid) {
            if ($laid->length() > Tolerance::NOTHING) {
                $this->trunks[$laid->run->id] = $laid;
                $this->boxes[$laid->run->id] = Bounds::of($laid->path->segments);
            }
        }
        foreach ($this->trunks as $laid) {
            $this->add($laid->run->id, 0.0, $this->nodeAt($laid->path->pointAt(0.0)));
            $this->add($laid->run->id, $laid->length(), $this->nodeAt($laid->path->pointAt($laid->length())));
        }
        $this->meetAlong();
        foreach ($this->trunks as $laid) {
            $ends = [[$laid->run->from->branch, 0.0], [$laid->run->to->branch, $laid->length()]];
            foreach ($ends as [$branch, $at]) {
                if ($branch !== null && isset($this->trunks[$branch->host])) {
                    $this->add($branch->host, $branch->told, $this->nodeAt($laid->path->pointAt($at)));
                }
            }
        }
    }

    /** Lets trunks meet where the end of one lies on another between the ends of that. */
    private function meetAlong(): void
    {
        $ends = [];
        foreach ($this->trunks as $laid) {
            $ends[] = [$laid, $laid->path->pointAt(0.0)];
            $ends[] = [$laid, $laid->path->pointAt($laid->length())];
        }
        // Swept along x: those trunks are looked at that have begun and not ended where an end is.
        usort($ends, static fn (array $one, array $other): int => $one[1]->x <=> $other[1]->x);
        $waiting = $this->boxes;
        uasort($waiting, static fn (Bounds $one, Bounds $other): int => $other->low->x <=> $one->low->x);
        $begun = [];
        foreach ($ends as [$laid, $end]) {
            while ($waiting !== [] && end($waiting)->low->x <= $end->x + self::TOGETHER) {
                $id = array_key_last($waiting);
                $begun[$id] = $waiting[$id];
                unset($waiting[$id]);
            }
            foreach ($begun as $id => $box) {
                if ($box->high->x < $end->x - self::TOGETHER) {
                    unset($begun[$id]);
                } elseif ($this->trunks[$id] !== $laid && $box->distanceTo($end) <= self::TOGETHER) {
                    $this->meetAt($this->trunks[$id], $end);
                }
            }
        }
    }

    /** Lets a trunk meet another with an end that lies on it between its own. */
    private function meetAt(LaidRun $trunk, Vector $end): void
    {
        $along = $trunk->path->closestTo($end);
        $isInside = $along > self::TOGETHER && $along < $trunk->length() - self::TOGETHER;
        if ($isInside && $trunk->path->pointAt($along)->distanceTo($end) < self::TOGETHER) {
            $this->add($trunk->run->id, $along, $this->nodeAt($end));
        }
    }

    /**
     * Returns where the wires of a terminal leave the backbone: at the end of a trunk that is at its port, on a splice,
     * else at the nearest place of a trunk.
     *
     * @return LeadOff|null null where there is no trunk, or the splice is on none
     */
    public function leadOff(Terminal $terminal): ?LeadOff
    {
        $place = $terminal->place();
        if (! isset($this->leadOffs[$place])) {
            $found = $terminal->splice === null
                ? ($terminal->port === null ? null : $this->fromPort($terminal->port))
                : $this->fromSplice($terminal->splice);
            if ($found === null) {
                return null;
            }
            $this->leadOffs[$place] = $found;
        }

        return $this->leadOffs[$place];
    }

    private function fromSplice(Splice $splice): ?LeadOff
    {
        $trunk = $this->trunks[$splice->run] ?? null;
        if ($trunk === null) {
            return null;
        }
        $along = min($splice->along, $trunk->length());
        $at = $trunk->path->pointAt($along);

        return new LeadOff($this->placed($splice->run, $along), 0.0, $splice->run, $along, $at, true);
    }

    private function fromPort(Port $port): ?LeadOff
    {
        foreach ($this->trunks as $laid) {
            $id = $laid->run->id;
            foreach ([[$laid->run->from, 0.0], [$laid->run->to, $laid->length()]] as [$end, $along]) {
                if ($end->port === $port->name) {
                    return new LeadOff($this->placed($id, $along), 0.0, $id, $along, $port->at, true);
                }
            }
        }
        $best = null;
        foreach ($this->trunks as $laid) {
            $id = $laid->run->id;
            if ($best !== null && $this->boxes[$id]->distanceTo($port->at) >= $best[0]) {
                continue;
            }
            $along = $laid->path->closestTo($port->at);
            $distance = $laid->path->pointAt($along)->distanceTo($port->at);
            if ($best === null || $distance < $best[0] - Tolerance::COINCIDENT) {
                $best = [$distance, $id, $along];
            }
        }
        if ($best === null) {
            return null;
        }
        [$distance, $id, $along] = $best;
        $way = $port->at->minus($this->trunks[$id]->path->pointAt($along));
        $isSquare = $distance < Tolerance::COINCIDENT
            || abs($way->dot($this->trunks[$id]->path->directionAt($along))) < Tolerance::NO_SIDE * $distance;

        return new LeadOff(
            $this->placed($id, $along), $distance, $id, $along, $this->trunks[$id]->path->pointAt($along), $isSquare,
        );
    }

    /** @return array<int, list<BackboneEdge>> from each node */
    public function edges(): array
    {
        if ($this->edges !== null) {
            return $this->edges;
        }
        $this->edges = [];
        foreach ($this->trunks as $laid) {
            $id = $laid->run->id;
            $places = array_values($this->places[$id]);
            usort($places, static fn (array $one, array $other): int => $one[0] <=> $other[0]);
            for ($i = 1, $count = count($places); $i < $count; $i++) {
                [[$from, $one], [$to, $other]] = [$places[$i - 1], $places[$i]];
                $this->edges[$one][] = new BackboneEdge($other, $id, $from, $to);
                $this->edges[$other][] = new BackboneEdge($one, $id, $to, $from);
            }
        }

        return $this->edges;
    }

    /** Returns the shortest ways from a node, which are found once. */
    public function waysFrom(int $node): Ways
    {
        if ($this->tree === false) {
            $this->tree = BackboneTree::of($this->edges());
        }

        return $this->ways[$node] ??= $this->tree === null
            ? new ShortestWays($this->edges(), $node)
            : new TreeWays($this->tree, $node);
    }

    /** @return list<float> lengths of a trunk between its nodes, from its start, mm */
    public function lengthsOf(string $id): array
    {
        $places = array_values(array_unique(array_column($this->places[$id] ?? [], 0)));
        sort($places);
        $lengths = [];
        for ($i = 1, $count = count($places); $i < $count; $i++) {
            $lengths[] = $places[$i] - $places[$i - 1];
        }

        return $lengths;
    }

    /**
     * Says whether at the place of a trunk others meet it, or wires leave it.
     *
     * @param  list<string>  $except  trunks of which that does not count
     */
    public function isMetAt(string $id, float $along, array $except): bool
    {
        if (! isset($this->places[$id])) {
            return false;
        }
        $node = $this->placed($id, $along);
        foreach (array_diff_key($this->places, array_flip($except)) as $places) {
            if (in_array($node, array_column($places, 1), true)) {
                return true;
            }
        }

        return in_array($node, array_column($this->leadOffs, 'node'), true);
    }

    /** Returns a trunk as it is laid. */
    public function trunk(string $id): ?LaidRun
    {
        return $this->trunks[$id] ?? null;
    }

    /**
     * Returns the end of the backbone that is nearest to a point among the nodes that are reached from one.
     *
     * @return array{Vector, float} the place, and how far it is, mm
     */
    public function nearestReached(int $node, Vector $point): array
    {
        $reached = [$node => true];
        $open = [$node];
        while ($open !== []) {
            $next = array_pop($open);
            foreach ($this->edges()[$next] ?? [] as $edge) {
                if (! isset($reached[$edge->to])) {
                    $reached[$edge->to] = true;
                    $open[] = $edge->to;
                }
            }
        }
        $best = [$this->nodes[$node], $this->nodes[$node]->distanceTo($point)];
        foreach (array_keys($reached) as $one) {
            $distance = $this->nodes[$one]->distanceTo($point);
            if ($distance < $best[1]) {
                $best = [$this->nodes[$one], $distance];
            }
        }

        return $best;
    }

    /** Returns the node at a place of a trunk, which there is or is added. */
    private function placed(string $id, float $along): int
    {
        foreach ($this->places[$id] as [$at, $node]) {
            if (abs($at - $along) < self::TOGETHER) {
                return $node;
            }
        }
        $this->nodes[] = $this->trunks[$id]->path->pointAt($along);
        $node = count($this->nodes) - 1;
        $this->add($id, $along, $node);

        return $node;
    }

    private function add(string $id, float $along, int $node): void
    {
        $this->places[$id][$node.' '.$along] = [$along, $node];
        $this->edges = null;
        $this->ways = [];
        $this->tree = false;
    }

    /** Returns the node at a point, of those near it, or a new one. */
    private function nodeAt(Vector $point): int
    {
        // A cell is twice as wide as points are apart that are put together: they are in it or in those next to it.
        $cell = static fn (float $one): int => (int) floor($one / (2 * self::TOGETHER));
        $cells = static fn (float $one): array => range($cell($one - self::TOGETHER), $cell($one + self::TOGETHER));
        [$ys, $zs] = [$cells($point->y), $cells($point->z)];
        foreach ($cells($point->x) as $x) {
            foreach ($ys as $y) {
                foreach ($zs as $z) {
                    foreach ($this->cells["$x $y $z"] ?? [] as $node) {
                        if ($this->nodes[$node]->distanceTo($point) < self::TOGETHER) {
                            return $node;
                        }
                    }
                }
            }
        }
        $this->nodes[] = $point;
        $this->cells[implode(' ', array_map($cell, $point->toArray()))][] = count($this->nodes) - 1;

        return count($this->nodes) - 1;
    }
}
