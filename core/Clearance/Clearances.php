<?php

declare(strict_types=1);

namespace Bowline\Clearance;

use Bowline\Harness\BundleSpan;
use Bowline\Job;
use Bowline\Job\ItemRef;
use Bowline\Routing\LaidRun;
use Bowline\Space\Progress;
use Generator;

/**
 * All things of a job that are too near to each other, at rest or over the movement of fittings: runs, fittings, clamps
 * and the surroundings.
 */
final class Clearances
{
    /** A movement is told instead of the position at rest where things come nearer by more than this, mm. */
    private const NEARER = 0.05;

    /** @var list<RunThing> */
    private readonly array $runs;

    /** @var list<SolidThing> */
    private readonly array $others;

    private readonly PairMeasure $pairs;

    private ?OverMovement $movement = null;

    /** What of an earlier one is ready over the movement. */
    private readonly ?OverMovement $movementBefore;

    /**
     * @param  list<LaidRun>  $laid  all runs of the job
     * @param  array<string, list<BundleSpan>>  $bundles  of trunks, by run
     * @param  self|null  $before  of the same job, in which the same laid runs need not be made ready again
     * @param  list<SolidThing>  $moved  what else stands elsewhere than it did there
     */
    public function __construct(
        private readonly Job $job,
        array $laid,
        private readonly array $bundles = [],
        ?self $before = null,
        array $moved = [],
    ) {
        $this->movementBefore = $before->movement ?? $before->movementBefore ?? null;
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
        $this->pairs = new PairMeasure($job, new Contacts($job, $runs));
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
     * Returns how far off a thing something has to be, by the class of what it carries, mm, and why.
     *
     * @return array{float, string|null}
     */
    public function neededBy(?string $carries, Thing $thing): array
    {
        return $this->pairs->neededBy($carries, $thing);
    }

    /** @return list<Thing> all that takes room: runs first, then fittings, clamps and surroundings */
    public function things(): array
    {
        return [...$this->runs, ...$this->others];
    }

    /**
     * @param  float  $apart  how far any place of a thing goes at most between two of its positions, mm
     * @return list<Thing> what moves, at positions over its movement
     */
    public function passing(float $apart): array
    {
        return $this->movement()->passing($apart);
    }

    private function movement(): OverMovement
    {
        return $this->movement ??= new OverMovement(
            $this->pairs, $this->runs, $this->others, $this->bundles, $this->job->site, $this->movementBefore,
        );
    }

    /**
     * @param  Progress  $progress  may break it off
     * @return list<Shortfall> all that is nearer than needed: clashes first, in the order of the job
     */
    public function all(Progress $progress = new Progress): array
    {
        return $this->sorted(
            $this->solidPairs(), $this->pairs($progress->share(0, 2)),
            $this->movingPairs(null, $progress->share(1, 2)),
        );
    }

    /**
     * @param  list<ItemRef>  $things
     * @return list<Shortfall> all that is nearer than needed to one of some things, likewise
     */
    public function ofAny(array $things): array
    {
        return $this->sorted($this->solidPairsWith($things), $this->pairsWith($things), $this->movingPairs($things));
    }

    /**
     * @param  list<ItemRef>  $things
     * @return list<Shortfall> all that is nearer than needed to one of some things while nothing moves, likewise
     */
    public function ofAnyAtRest(array $things): array
    {
        return $this->sorted($this->solidPairsWith($things), $this->pairsWith($things), []);
    }

    /** @return list<Shortfall> all that is nearer to one run than needed, likewise */
    public function of(string $id): array
    {
        foreach ($this->runs as $run) {
            if ($run->laid->run->id === $id) {
                return $this->sorted([], $this->pairsOf($run), $this->movingPairs([$run->ref()]));
            }
        }

        return [];
    }

    /**
     * @param  iterable<array{SolidThing, SolidThing}>  $solids
     * @param  iterable<array{RunThing, Thing}>  $pairs
     * @param  iterable<array{Thing, Thing}>  $moving  pairs of which one at least moves
     * @return list<Shortfall>
     */
    private function sorted(iterable $solids, iterable $pairs, iterable $moving): array
    {
        $found = [];
        foreach ([$solids, $pairs] as $atRest) {
            foreach ($atRest as [$one, $other]) {
                $short = $this->pairs->between($one, $other);
                if ($short?->isShort() === true) {
                    $found[$short->key()] = $short;
                }
            }
        }
        foreach ($moving as [$one, $other]) {
            $short = $this->movement()->worst($one, $other);
            $before = $short === null ? null : $found[$short->key()] ?? null;
            if ($short !== null && ($before === null || $short->margin() < $before->margin() - self::NEARER)) {
                $found[$short->key()] = $short;
            }
        }
        $found = array_values($found);
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
            $found = $this->pairs->between($run, $other, $reach);
            if ($found !== null && ($best === null || $found->margin() < $best->margin())) {
                $best = $found;
                $reach = max(0.0, min($reach, $found->margin()));
            }
        }

        return $best;
    }

    /** @return Generator<array{RunThing, Thing}> each run with each other, and with all else */
    private function pairs(Progress $progress): Generator
    {
        foreach ($this->runs as $number => $run) {
            $progress->tell($number / count($this->runs));
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
     * @param  list<ItemRef>|null  $things  null for all
     * @return Generator<array{Thing, Thing}> pairs of which one at least moves, of which one is among some things
     */
    private function movingPairs(?array $things, Progress $progress = new Progress): Generator
    {
        $keys = $things === null
            ? null
            : array_flip(array_map(static fn (ItemRef $one): string => $one->key(), $things));
        $all = $this->things();
        $moving = $this->movement()->moving($all);
        $done = 0;
        foreach ($moving as $place => $one) {
            $progress->tell($done++ / count($moving));
            foreach ($all as $number => $other) {
                // A pair of which both move comes once.
                if ($number !== $place && ($number > $place || ! isset($moving[$number])) && ($keys === null
                    || isset($keys[$one->ref()->key()]) || isset($keys[$other->ref()->key()]))) {
                    yield $number > $place ? [$one, $other] : [$other, $one];
                }
            }
        }
    }
}
