<?php

declare(strict_types=1);

namespace Bowline\Clearance;

use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\ItemRef;
use Bowline\Job\Node;
use Bowline\Job\PortName;
use Bowline\Job\RunEnd;
use stdClass;

/** What of a job is meant to touch: a run and what it ends at, what it is wound round, lies on, or is one body with. */
final class Contacts
{
    /** How near ends of runs are put together, mm. */
    private const TOGETHER = 0.01;

    /** Width of the slices of space in which ends are looked for, mm. */
    private const SLICE = 1.0;

    /** @var array<string, array<string, true>> keys of things that touch all along, by each other */
    private array $together = [];

    /** @var array<string, list<string>> keys of things that each end of a run touches, by run and end */
    private array $atEnds = [];

    /** @var array<string, string> what fittings are mounted on, by their ids */
    private array $mounted = [];

    /** @var array<int, list<array{Vector, string}>>|null */
    private ?array $ports = null;

    /** Whether what stands on what has been added: it is seldom asked about. */
    private bool $hasStanding = false;

    /** @param  list<RunThing>  $runs */
    public function __construct(
        private readonly Job $job,
        array $runs,
    ) {
        // Asked at every move of a drag: nodes of hundreds of fittings would be most of its work.
        foreach (is_array($job->source->fittings ?? null) ? $job->source->fittings : [] as $fitting) {
            if ($fitting instanceof stdClass && is_string($fitting->on ?? null) && is_string($fitting->id ?? null)) {
                $this->mounted[$fitting->id] = $fitting->on;
            }
        }
        foreach ($runs as $run) {
            $this->addRun($run);
        }
        $this->addEndsAt($runs);
        foreach ($job->bodies as $body) {
            $this->addTogether(array_map(ItemRef::run(...), $body->runs));
        }
        foreach ($job->harnesses as $harness) {
            $this->addTogether(array_map(ItemRef::run(...), $harness->trunks));
        }
    }

    /** Whether two things touch all along, or are one. */
    public function areTogether(ItemRef $one, ItemRef $other): bool
    {
        return isset($this->together[$one->key()][$other->key()]);
    }

    /** @return list<string> ends of a run, `from` and `to`, at which it touches another thing */
    public function ends(ItemRef $run, ItemRef $other): array
    {
        return array_values(array_filter(
            ['from', 'to'],
            fn (string $end): bool => in_array($other->key(), $this->atEnds[$run->key().' '.$end] ?? [], true),
        ));
    }

    /** Whether two fittings, clamps or surroundings are mounted on each other, or put together at their ports. */
    public function standTogether(ItemRef $one, ItemRef $other): bool
    {
        if (! $this->hasStanding) {
            $this->hasStanding = true;
            $this->addStanding();
        }

        return $this->areTogether($one, $other);
    }

    /** Adds fittings and clamps with what they are mounted on, and fittings that are put together at their ports. */
    private function addStanding(): void
    {
        foreach ($this->mounted as $fitting => $on) {
            $this->addTogether([ItemRef::fitting(strval($fitting)), ItemRef::of('surroundings', $on)]);
        }
        foreach ((new Node($this->job->source))->list('clamps') as $clamp) {
            $on = $clamp->find('on')?->value;
            if (is_string($on)) {
                $this->addTogether([
                    ItemRef::of('clamps', $clamp->get('id')->text()), ItemRef::of('surroundings', $on),
                ]);
            }
        }
        foreach ($this->portsBySlice() as $slice => $ports) {
            foreach ($ports as [$at, $fitting]) {
                foreach ([...$ports, ...$this->portsBySlice()[$slice + 1] ?? []] as [$there, $other]) {
                    if ($at->distanceTo($there) < self::TOGETHER) {
                        $this->addTogether([ItemRef::fitting($fitting), ItemRef::fitting($other)]);
                    }
                }
            }
        }
    }

    /** @return array<int, list<array{Vector, string}>> ports with their fittings, in slices of space by x */
    private function portsBySlice(): array
    {
        if ($this->ports === null) {
            $this->ports = [];
            foreach ($this->job->site->ports as $port) {
                $this->ports[self::slice($port->at)][] = [$port->at, PortName::of($port->name)->fitting];
            }
        }

        return $this->ports;
    }

    private static function slice(Vector $at): int
    {
        return (int) floor($at->x / self::SLICE);
    }

    private function addRun(RunThing $thing): void
    {
        $run = $thing->laid->run;
        $source = new Node($run->source);
        foreach (['from' => $run->from, 'to' => $run->to] as $which => $end) {
            $this->addEnd($thing, $which, $end);
        }
        $route = $source->find('route');
        $host = $route?->find('host')?->value;
        if (is_string($host)) {
            $this->addTogether([$thing->ref(), ItemRef::run($host)]);
        }
        if ($route?->find('kind')?->value === 'drape') {
            foreach ($this->job->site->surroundings as $one) {
                $this->addTogether([$thing->ref(), ItemRef::of('surroundings', $one->id)]);
            }
        }
        // Whether it is told to go through a clamp, or just does.
        foreach ($this->job->site->clamps as $clamp) {
            $nearest = $thing->path()->pointAt($thing->path()->closestTo($clamp->at));
            if ($nearest->distanceTo($clamp->at) < $clamp->bore / 2) {
                $this->addTogether([$thing->ref(), ItemRef::of('clamps', $clamp->id)]);
            }
        }
        $block = $run->channel?->channel->block->id;
        if ($block !== null) {
            foreach ([ItemRef::fitting($block), ItemRef::of('surroundings', $block)] as $ref) {
                $this->addTogether([$thing->ref(), $ref]);
            }
        }
    }

    /**
     * Adds what ends of runs are at: other ends, and ports. Only what is in slices beside each other is compared.
     *
     * @param  list<RunThing>  $runs
     */
    private function addEndsAt(array $runs): void
    {
        $ends = [];
        foreach ($runs as $run) {
            foreach (['from' => 0.0, 'to' => $run->laid->length()] as $end => $along) {
                $at = $run->path()->pointAt($along);
                $here = self::slice($at);
                foreach ([$here - 1, $here, $here + 1] as $slice) {
                    foreach ($this->portsBySlice()[$slice] ?? [] as [$there, $fitting]) {
                        if ($at->distanceTo($there) < self::TOGETHER) {
                            $this->addFitting($run, $end, $fitting);
                        }
                    }
                    foreach ($ends[$slice] ?? [] as [$there, $other, $otherEnd]) {
                        if ($other !== $run && $at->distanceTo($there) < self::TOGETHER) {
                            $this->atEnds[$run->ref()->key().' '.$end][] = $other->ref()->key();
                            $this->atEnds[$other->ref()->key().' '.$otherEnd][] = $run->ref()->key();
                        }
                    }
                }
                $ends[$here][] = [$at, $run, $end];
            }
        }
    }

    private function addEnd(RunThing $thing, string $which, RunEnd $end): void
    {
        if ($end->branch !== null) {
            $this->atEnds[$thing->ref()->key().' '.$which][] = ItemRef::run($end->branch->host)->key();
        }
        if ($end->port !== null) {
            $this->addFitting($thing, $which, PortName::of($end->port)->fitting);
        }
    }

    private function addFitting(RunThing $thing, string $which, string $fitting): void
    {
        $key = $thing->ref()->key().' '.$which;
        $this->atEnds[$key][] = ItemRef::fitting($fitting)->key();
        $route = $thing->laid->run->route;
        if ($route->isLimp() || $route->settling() !== null) {
            // What hangs down from a port lies against what that is on.
            $this->addTogether([$thing->ref(), ItemRef::fitting($fitting)]);
        }
        // What the fitting is mounted on lies behind it.
        $on = $this->mounted[$fitting] ?? null;
        if ($on !== null) {
            $this->atEnds[$key][] = ItemRef::of('surroundings', $on)->key();
        }
    }

    /** @param  array<ItemRef>  $refs */
    private function addTogether(array $refs): void
    {
        foreach ($refs as $one) {
            foreach ($refs as $other) {
                $this->together[$one->key()][$other->key()] = true;
            }
        }
    }
}
