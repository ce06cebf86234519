<?php

declare(strict_types=1);

namespace Bowline\Harness;

use Bowline\Geometry\Tolerance;
use Bowline\Job\Harness\Harness;
use Bowline\Job\Harness\Wire;
use Bowline\Routing\LaidRun;

/** A harness whose wires have found their ways along its trunks. */
final readonly class LaidHarness
{
    /** Added to a length of trunk that a wire is kept off, so that any other way is shorter, mm. */
    private const KEPT_OFF = 1e9;

    /**
     * @param  array<string, LaidWire>  $wires  by id
     * @param  array<string, list<string>>  $beside  ids of the wires that one is laid beside though kept apart from
     *     their class, by its id
     */
    private function __construct(
        public Harness $harness,
        public Backbone $backbone,
        public array $wires,
        public array $beside,
    ) {
    }

    /** @return list<LaidRun> its trunks that have a length, in order */
    public function trunks(): array
    {
        return array_values(array_filter(array_map($this->backbone->trunk(...), $this->harness->trunks)));
    }

    /** @param  array<string, LaidRun>  $trunks  as they are laid, by id */
    public static function of(Harness $harness, array $trunks): self
    {
        return self::along($harness, new Backbone($trunks));
    }

    /** Returns the same trunks with the harness as it is after a change; wires that did not change are kept. */
    public function with(Harness $harness): self
    {
        $kept = [];
        // Wires that are kept apart go by one another.
        if ($harness->apart === [] && $this->harness->apart === [] && $harness->step === $this->harness->step
            && $harness->reach === $this->harness->reach) {
            foreach ($this->wires as $id => $wire) {
                $after = $harness->wires[$id] ?? null;
                if ($wire->wire->pair === null && $after !== null && $wire->wire->isSame($after)) {
                    $kept[$id] = $wire;
                }
            }
        }

        return self::along($harness, $this->backbone, $kept);
    }

    /** @param  array<string, LaidWire>  $laid  wires that are laid already */
    private static function along(Harness $harness, Backbone $backbone, array $laid = []): self
    {
        $leadOffs = [];
        foreach (array_diff_key($harness->wires, $laid) as $id => $wire) {
            $leadOffs[$id] = [$backbone->leadOff($wire->from), $backbone->leadOff($wire->to)];
        }
        // Those that keep off others find their ways after them.
        $keepOff = array_column($harness->apart, 1, 0);
        foreach ([false, true] as $turn) {
            foreach (array_diff_key($harness->wires, $laid) as $id => $wire) {
                if (isset($keepOff[$wire->class ?? '']) === $turn) {
                    $penalties = $turn ? self::penalties($harness, $backbone, $wire, $laid) : [];
                    $laid[$id] = self::wire($harness, $backbone, $wire, $leadOffs[$id], $penalties);
                }
            }
        }
        $ordered = [];
        foreach (array_keys($harness->wires) as $id) {
            $ordered[$id] = $laid[$id];
        }

        return new self($harness, $backbone, $ordered, self::beside($harness, $ordered));
    }

    /**
     * @param  array{LeadOff|null, LeadOff|null}  $ends
     * @param  array<string, float>  $penalties  of lengths of trunk that it keeps off
     */
    private static function wire(
        Harness $harness,
        Backbone $backbone,
        Wire $wire,
        array $ends,
        array $penalties,
    ): LaidWire {
        [$from, $to] = $ends;
        $factor = self::twist($harness, $wire);
        $within = static fn (?LeadOff $one): bool => $one !== null && $one->length <= $harness->reach
            + Tolerance::RULE_SLACK;
        if ($from === null || $to === null || ! $within($from) || ! $within($to)) {
            return new LaidWire($wire, null, null, $factor, $harness->step);
        }
        $find = $penalties === []
            ? $backbone->waysFrom(...)
            : static fn (int $node): Ways => new ShortestWays($backbone->edges(), $node, $penalties);
        $way = self::through($backbone, $wire->via, $from->node, $to->node, $find);

        if ($way !== null && $penalties !== []) {
            $way = FoundWay::along($way->edges());
        }

        return new LaidWire($wire, $way, $way === null ? null : [$from, $to], $factor, $harness->step);
    }

    /**
     * Returns the shortest way from one node to another along whole trunks that it has to go along.
     *
     * @param  list<string>  $via
     * @param  callable(int): Ways  $find
     * @return FoundWay|null null where there is none
     */
    private static function through(Backbone $backbone, array $via, int $from, int $to, callable $find): ?FoundWay
    {
        if ($via === []) {
            return FoundWay::to($find($from), $to);
        }
        // Of each length of the trunk that has to be gone along both directions are tried.
        $best = null;
        $first = $find($from);
        foreach (self::edgesOf($backbone, $via[0]) as [$node, $edge]) {
            $before = FoundWay::to($first, $node);
            $rest = $before === null
                ? null
                : self::through($backbone, array_slice($via, 1), $edge->to, $to, $find);
            if ($before === null || $rest === null) {
                continue;
            }
            $length = $before->length + $edge->length() + $rest->length;
            $way = [...$before->edges(), $edge, ...$rest->edges()];
            if (! self::turnsBack($way) && ($best === null || $length < $best[0] - Tolerance::COINCIDENT)) {
                $best = [$length, $way];
            }
        }

        return $best === null ? null : FoundWay::along($best[1], $best[0]);
    }

    /**
     * Whether a way goes back along the length of trunk that it has just come along.
     *
     * @param  list<BackboneEdge>  $edges
     */
    private static function turnsBack(array $edges): bool
    {
        for ($i = 1, $count = count($edges); $i < $count; $i++) {
            [$one, $next] = [$edges[$i - 1], $edges[$i]];
            if ($one->run === $next->run && ($one->until - $one->from) * ($next->until - $next->from) < 0.0
                && abs($one->until - $next->from) < Tolerance::COINCIDENT) {
                return true;
            }
        }

        return false;
    }

    /** @return list<array{int, BackboneEdge}> of a trunk in both directions, each with the node from which it goes */
    private static function edgesOf(Backbone $backbone, string $run): array
    {
        $found = [];
        foreach ($backbone->edges() as $node => $edges) {
            foreach ($edges as $edge) {
                if ($edge->run === $run) {
                    $found[] = [$node, $edge];
                }
            }
        }

        return $found;
    }

    /**
     * @param  array<string, LaidWire>  $laid
     * @return array<string, float> of lengths of trunk along which wires go that it keeps off
     */
    private static function penalties(Harness $harness, Backbone $backbone, Wire $wire, array $laid): array
    {
        $off = [];
        foreach ($harness->apart as [$one, $other]) {
            if ($one === $wire->class) {
                $off[$other] = true;
            }
        }
        if ($off === []) {
            return [];
        }
        $taken = [];
        foreach ($laid as $other) {
            if (isset($off[$other->wire->class ?? ''])) {
                foreach ($other->ways() as $way) {
                    $taken[$way->run][] = $way;
                }
            }
        }
        $penalties = [];
        foreach ($taken === [] ? [] : $backbone->edges() as $edges) {
            foreach ($edges as $edge) {
                $middle = ($edge->from + $edge->until) / 2;
                foreach ($taken[$edge->run] ?? [] as $way) {
                    if (($middle - $way->from) * ($middle - $way->to) < 0.0) {
                        $penalties[ShortestWays::key($edge)] = self::KEPT_OFF;
                        break;
                    }
                }
            }
        }

        return $penalties;
    }

    /** Returns how much longer a wire is than its pair, which is as wide apart as both are thick. */
    private static function twist(Harness $harness, Wire $wire): float
    {
        if ($wire->pair === null) {
            return 1.0;
        }
        $radii = [];
        foreach ($harness->wires as $one) {
            if ($one->pair === $wire->pair) {
                $radii[] = $one->stock->section->outsideDiameter / 2;
            }
        }
        rsort($radii);

        // Of more than two the widest apart.
        return count($radii) < 2 ? 1.0 : $wire->pair->factor($radii[0] + $radii[1]);
    }

    /**
     * @param  array<string, LaidWire>  $wires
     * @return array<string, list<string>>
     */
    private static function beside(Harness $harness, array $wires): array
    {
        $beside = [];
        foreach ($harness->apart as [$one, $other]) {
            $ways = [];
            foreach ($wires as $id => $wire) {
                foreach ($wire->wire->class === $other ? $wire->ways() : [] as $way) {
                    $ways[$way->run][] = [$id, $way];
                }
            }
            foreach ($wires as $id => $wire) {
                $found = [];
                foreach ($wire->wire->class === $one ? $wire->ways() : [] as $way) {
                    foreach ($ways[$way->run] ?? [] as [$second, $along]) {
                        if ($second !== $id && self::share($way, $along)) {
                            $found[$second] = true;
                        }
                    }
                }
                foreach (array_intersect_key($wires, $found) as $second) {
                    $beside[$id][] = $second->wire->id;
                }
            }
        }

        return $beside;
    }

    /** Whether two ways along one trunk have a length of it in common. */
    private static function share(Way $one, Way $other): bool
    {
        return min(max($one->from, $one->to), max($other->from, $other->to))
            - max(min($one->from, $one->to), min($other->from, $other->to)) > Tolerance::COINCIDENT;
    }
}
