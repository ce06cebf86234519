<?php

declare(strict_types=1);

namespace Bowline\Clearance;

use Bowline\Harness\BundleSpan;
use Bowline\Job;
use Bowline\Job\ItemRef;
use Bowline\Routing\LaidRun;
use Generator;

/** All things of a job that are too near to each other: runs, fittings, clamps and the surroundings. */
final readonly class Clearances
{
    /** By how much less than needed is no shortfall, mm: what just touches where nothing is needed is no clash. */
    private const SLACK = 0.01;

    /** @var list<RunThing> */
    private array $runs;

    /** @var list<SolidThing> */
    private array $others;

    private Contacts $contacts;

    /**
     * @param  list<LaidRun>  $laid  all runs of the job
     * @param  array<string, list<BundleSpan>>  $bundles  of trunks, by run
     * @param  self|null  $before  of the same job, in which the same laid runs need not be made ready again
     * @param  list<SolidThing>  $moved  what else stands elsewhere than it did there
     */
    public function __construct(
        private Job $job,
        array $laid,
        array $bundles = [],
        ?self $before = null,
        array $moved = [],
    ) {
        $ready = [];
        foreach ($before->runs ?? [] as $run) {
            $ready[spl_object_id($run->laid)] = $run;
        }
        $runs = [];
        foreach ($laid as $one) {
            // A channel is a hole in its block.
            $run = $one->run->channel !== null
                ? null
                : $ready[spl_object_id($one)] ?? RunThing::of($one, $bundles[$one->run->id] ?? []);
            if ($run !== null) {
                $runs[] = $run;
            }
        }
        $this->runs = $runs;
        $this->contacts = new Contacts($job, $runs);
        $others = $before->others ?? array_values(array_filter([
            ...array_map(SolidThing::ofFitting(...), array_values($job->site->fittings)),
            ...array_map(SolidThing::ofClamp(...), array_values($job->site->clamps)),
            ...array_map(SolidThing::ofSurrounding(...), array_values($job->site->surroundings)),
            ...array_merge(...array_map(SolidThing::roomsOf(...), array_values($job->site->fittings))),
        ]));
        $now = [];
        foreach ($moved as $thing) {
            $now[self::keyOf($thing)] = $thing;
        }
        $this->others = array_map(static fn (SolidThing $one): SolidThing => $now[self::keyOf($one)] ?? $one, $others);
    }

    private static function keyOf(SolidThing $thing): string
    {
        return $thing->ref()->key().' '.$thing->room();
    }

    /**
     * Returns how far two things have to be apart, mm, and why; the room beside a fitting is only not stood in.
     *
     * @return array{float, string|null}
     */
    private function needed(Thing $one, Thing $other): array
    {
        return $one->room() === null ? $this->neededBy($one->carries(), $other) : [0.0, null];
    }

    /**
     * Returns how far off a thing something has to be, by the class of what it carries, mm, and why.
     *
     * @return array{float, string|null}
     */
    public function neededBy(?string $carries, Thing $thing): array
    {
        return $thing->room() === null
            ? $this->job->clearances->between($carries, $thing->carries())
            : [0.0, null];
    }

    /** @return list<Thing> all that takes room: runs first, then fittings, clamps and surroundings */
    public function things(): array
    {
        return [...$this->runs, ...$this->others];
    }

    /** @return list<Shortfall> all that is nearer than needed: clashes first, in the order of the job */
    public function all(): array
    {
        return $this->short($this->pairs(), $this->solidPairs());
    }

    /**
     * @param  list<ItemRef>  $things
     * @return list<Shortfall> all that is nearer than needed to one of some things, likewise
     */
    public function ofAny(array $things): array
    {
        return $this->short($this->pairsWith($things), $this->solidPairsWith($things));
    }

    /** @return list<Shortfall> all that is nearer to one run than needed, likewise */
    public function of(string $id): array
    {
        foreach ($this->runs as $run) {
            if ($run->laid->run->id === $id) {
                return $this->short($this->pairsOf($run));
            }
        }

        return [];
    }

    /**
     * @param  iterable<array{RunThing, Thing}>  $pairs
     * @param  iterable<array{SolidThing, SolidThing}>  $solids
     * @return list<Shortfall>
     */
    private function short(iterable $pairs, iterable $solids = []): array
    {
        $found = [];
        foreach ($solids as [$one, $other]) {
            $short = $this->betweenSolids($one, $other);
            if ($short !== null) {
                $found[] = $short;
            }
        }
        foreach ($pairs as [$run, $other]) {
            $short = $this->between($run, $other, 0.0);
            if ($short !== null && $short->gap->distance < $short->needed - self::SLACK) {
                $found[] = $short;
            }
        }
        usort(
            $found, static fn (Shortfall $one, Shortfall $other): int => $other->isViolation() <=> $one->isViolation(),
        );

        return $found;
    }

    /**
     * Returns what comes nearest, or lacks most of what is needed, to one of some things.
     *
     * @param  list<ItemRef>  $things
     * @param  float  $reach  how far off it is still looked for, mm
     */
    public function nearest(array $things, float $reach): ?Shortfall
    {
        $keys = array_flip(array_map(static fn (ItemRef $one): string => $one->key(), $things));
        $best = null;
        foreach ($this->pairsWith($things) as [$run, $other]) {
            // What moves as one stays as far apart.
            if (isset($keys[$run->ref()->key()]) === isset($keys[$other->ref()->key()])) {
                continue;
            }
            $found = $this->between($run, $other, $reach);
            if ($found !== null && ($best === null || $found->margin() < $best->margin())) {
                $best = $found;
                $reach = max(0.0, min($reach, $found->margin()));
            }
        }

        return $best;
    }

    /** @return Generator<array{RunThing, Thing}> each run with each other, and with all else */
    private function pairs(): Generator
    {
        foreach ($this->runs as $number => $run) {
            foreach ([...array_slice($this->runs, $number + 1), ...$this->others] as $other) {
                yield [$run, $other];
            }
        }
    }

    /**
     * @param  list<ItemRef>  $things
     * @return Generator<array{RunThing, Thing}> those of the pairs of which one is among some things, in the same order
     */
    private function pairsWith(array $things): Generator
    {
        $keys = array_flip(array_map(static fn (ItemRef $one): string => $one->key(), $things));
        $isOne = static fn (Thing $one): bool => isset($keys[$one->ref()->key()]);
        $moved = array_values(array_filter([...$this->runs, ...$this->others], $isOne));
        foreach ($this->runs as $number => $run) {
            $partners = $isOne($run)
                ? [...array_slice($this->runs, $number + 1), ...$this->others]
                : array_filter($moved, fn (Thing $one): bool => ! $one instanceof RunThing
                    || array_search($one, $this->runs, true) > $number);
            foreach ($partners as $other) {
                yield [$run, $other];
            }
        }
    }

    /** @return Generator<array{SolidThing, SolidThing}> fittings and clamps with each other, and with surroundings */
    private function solidPairs(): Generator
    {
        $reach = $this->job->clearances->between(null, null)[0];
        $places = array_keys($this->others);
        $low = array_map(static fn (SolidThing $one): float => $one->bounds()->low->x, $this->others);
        usort($places, static fn (int $one, int $other): int => $low[$one] <=> $low[$other]);
        foreach ($places as $i => $one) {
            $end = $this->others[$one]->bounds()->high->x + $reach;
            for ($j = $i + 1; isset($places[$j]) && $low[$places[$j]] <= $end; $j++) {
                yield [$this->others[min($one, $places[$j])], $this->others[max($one, $places[$j])]];
            }
        }
    }

    /**
     * @param  list<ItemRef>  $things
     * @return Generator<array{SolidThing, SolidThing}> those of these pairs of which one is among some things
     */
    private function solidPairsWith(array $things): Generator
    {
        $keys = array_flip(array_map(static fn (ItemRef $one): string => $one->key(), $things));
        foreach ($this->others as $place => $one) {
            if (! isset($keys[$one->ref()->key()])) {
                continue;
            }
            foreach ($this->others as $number => $other) {
                // A pair of which both are among them comes once.
                if ($number > $place || ! isset($keys[$other->ref()->key()])) {
                    yield $number > $place ? [$one, $other] : [$other, $one];
                }
            }
        }
    }

    /** Returns how near two solid things are, if nearer than is needed; what stands on another thing is not. */
    private function betweenSolids(SolidThing $one, SolidThing $other): ?Shortfall
    {
        [$needed, $why] = $this->needed($one, $other);
        // Surroundings are what is there: beams on frames, posts in floors.
        $isGiven = $one->ref()->list === 'surroundings' && $other->ref()->list === 'surroundings';
        if ($isGiven || $one->ref()->key() === $other->ref()->key() || $one->room() !== null && $other->room() !== null
            || $one->bounds()->distanceToBox($other->bounds()) > $needed
            || $this->contacts->standTogether($one->ref(), $other->ref())) {
            return null;
        }
        $gap = SolidGap::between($one, $other, $needed);
        if ($gap === null || $gap->distance >= $needed - self::SLACK || abs($gap->distance) < SolidGap::STANDS) {
            return null;
        }

        return new Shortfall(
            $gap, $needed, $why, $this->job->clearances->waived($one->ref(), $other->ref(), $gap->distance),
        );
    }

    /** @return Generator<array{RunThing, Thing}> */
    private function pairsOf(RunThing $run): Generator
    {
        foreach ([...$this->runs, ...$this->others] as $other) {
            if ($other !== $run) {
                yield [$run, $other];
            }
        }
    }

    /**
     * Returns how near two things are, if nearer than is needed.
     *
     * @param  float  $more  how much more than needed it is still told, where they are not meant to touch, mm
     */
    private function between(RunThing $run, Thing $other, float $more): ?Shortfall
    {
        [$needed, $why] = $this->needed($run, $other);
        $more = $other->room() === null ? $more : 0.0;
        if ($run->bounds()->distanceToBox($other->bounds()) > $needed + $more
            || $this->contacts->areTogether($run->ref(), $other->ref())) {
            return null;
        }
        $touching = $this->contacts->ends($run->ref(), $other->ref());
        $touched = $other instanceof RunThing ? $this->contacts->ends($other->ref(), $run->ref()) : [];
        $within = $needed + ($touching === [] && $touched === [] ? $more : 0.0);
        // From the one that ends at the other, the near end of which is left out.
        $gap = $other instanceof RunThing && $touching === [] && $touched !== []
            ? GapFinder::between($other, $run, $within, $touched, [])
            : GapFinder::between($run, $other, $within, $touching, $touched);

        return $gap === null ? null : new Shortfall(
            $gap, $needed, $why,
            $this->job->clearances->waived($gap->one->ref(), $gap->other->ref(), $gap->distance),
        );
    }
}
