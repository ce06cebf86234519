<?php

declare(strict_types=1);

namespace Bowline\Harness;

use Bowline\Geometry\Path;
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

    /** @var array<string, array{Vector, Vector}> least and greatest coordinates of each trunk */
    private array $boxes = [];

    /** @var array<string, LeadOff> by the name of the place of a terminal */
    private array $leadOffs = [];

    /** @var array<int, list<BackboneEdge>>|null from each node */
    private ?array $edges = null;

    /** @var array<int, ShortestWays> found from each node along these edges */
    private array $ways = [];

    /** @param  array<string, LaidRun>  $trunks  by id */
    public function __construct(array $trunks)
    {
        foreach ($trunks as $laid) {
            if ($laid->length() > Tolerance::NOTHING) {
                $this->trunks[$laid->run->id] = $laid;
                $this->boxes[$laid->run->id] = self::box($laid->path);
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
        // Those that begin farther along x than an end is are not looked at for it.
        $boxes = $this->boxes;
        uasort($boxes, static fn (array $one, array $other): int => $one[0]->x <=> $other[0]->x);
        foreach ($this->trunks as $laid) {
            foreach ([0.0, $laid->length()] as $at) {
                $end = $laid->path->pointAt($at);
                foreach ($boxes as $id => [$low, $high]) {
                    if ($low->x > $end->x + self::TOGETHER) {
                        break;
                    }
                    $other = $this->trunks[$id];
                    if ($high->x >= $end->x - self::TOGETHER && $other !== $laid
                        && self::distanceToBox($end, [$low, $high]) <= self::TOGETHER) {
                        $this->meetAt($other, $end);
                    }
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
            if ($best !== null && self::distanceToBox($port->at, $this->boxes[$id]) >= $best[0]) {
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
    public function waysFrom(int $node): ShortestWays
    {
        return $this->ways[$node] ??= new ShortestWays($this->edges(), $node);
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
    }

    /** Returns the node at a point, of those near it, or a new one. */
    private function nodeAt(Vector $point): int
    {
        [$x, $y, $z] = array_map(
            static fn (float $one): int => (int) floor($one / (2 * self::TOGETHER)), $point->toArray(),
        );
        foreach ([$x - 1, $x, $x + 1] as $i) {
            foreach ([$y - 1, $y, $y + 1] as $j) {
                foreach ([$z - 1, $z, $z + 1] as $k) {
                    foreach ($this->cells["$i $j $k"] ?? [] as $node) {
                        if ($this->nodes[$node]->distanceTo($point) < self::TOGETHER) {
                            return $node;
                        }
                    }
                }
            }
        }
        $this->nodes[] = $point;
        $this->cells["$x $y $z"][] = count($this->nodes) - 1;

        return count($this->nodes) - 1;
    }

    /** @return array{Vector, Vector} */
    private static function box(Path $path): array
    {
        $low = [INF, INF, INF];
        $high = [-INF, -INF, -INF];
        foreach ($path->segments as $segment) {
            // No point of a segment is farther from its middle than half of its length.
            $middle = $segment->pointAt($segment->length() / 2)->toArray();
            $ends = [$segment->pointAt(0.0)->toArray(), $segment->pointAt($segment->length())->toArray()];
            $isStraight = is_infinite($segment->leastRadius());
            foreach ([0, 1, 2] as $axis) {
                $half = $isStraight ? abs($ends[1][$axis] - $ends[0][$axis]) / 2 : $segment->length() / 2;
                $low[$axis] = min($low[$axis], $middle[$axis] - $half);
                $high[$axis] = max($high[$axis], $middle[$axis] + $half);
            }
        }

        return [new Vector(...$low), new Vector(...$high)];
    }

    /** @param  array{Vector, Vector}  $box */
    private static function distanceToBox(Vector $point, array $box): float
    {
        $outside = static fn (float $at, float $low, float $high): float => max($low - $at, 0.0, $at - $high);

        return sqrt(
            $outside($point->x, $box[0]->x, $box[1]->x) ** 2 + $outside($point->y, $box[0]->y, $box[1]->y) ** 2
            + $outside($point->z, $box[0]->z, $box[1]->z) ** 2,
        );
    }
}
