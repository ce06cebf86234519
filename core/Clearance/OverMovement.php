<?php

declare(strict_types=1);

namespace Bowline\Clearance;

use Bowline\Geometry\GoldenSection;
use Bowline\Harness\BundleSpan;
use Bowline\Job\Site;
use WeakMap;

/**
 * How near things of a job come to each other while it moves: all that moves does so together. The movement is looked
 * at in equal steps, and closer by golden section where between two of these they might come nearer than is needed.
 */
final class OverMovement
{
    /** Each leaves 0.618 of two steps: the position is known to 5e-5 of the movement, where the distance is flat. */
    private const REFINEMENTS = 14;

    /** What differs by no more is as near, mm. */
    private const EVEN = 0.005;

    /** @var WeakMap<Thing, MovingThing> by the thing at rest */
    private WeakMap $moving;

    /**
     * @param  list<RunThing>  $runs  at rest
     * @param  list<SolidThing>  $others  likewise
     * @param  array<string, list<BundleSpan>>  $bundles  of trunks, by run
     * @param  self|null  $before  of which the same things need not be made ready again
     */
    public function __construct(
        private readonly PairMeasure $pairs,
        array $runs,
        array $others,
        array $bundles,
        Site $site,
        ?self $before = null,
    ) {
        $this->moving = new WeakMap;
        foreach ($runs as $run) {
            $this->add($run, $before->moving[$run]
                ?? MovingThing::ofRun($run, $bundles[$run->laid->run->id] ?? []));
        }
        foreach ($others as $one) {
            $fitting = $one->ref()->list === 'fittings' ? $site->fittings[$one->ref()->id] ?? null : null;
            $this->add($one, $before->moving[$one] ?? MovingThing::ofSolid($one, $fitting));
        }
    }

    private function add(Thing $rest, ?MovingThing $moving): void
    {
        if ($moving !== null) {
            $this->moving[$rest] = $moving;
        }
    }

    /**
     * @param  list<Thing>  $things
     * @return array<int, Thing> those of some things that move, under their numbers
     */
    public function moving(array $things): array
    {
        return array_filter($things, fn (Thing $one): bool => isset($this->moving[$one]));
    }

    /**
     * Returns the things that move, at positions so close to each other that none of their places goes farther between
     * two than told.
     *
     * @return list<Thing>
     */
    public function passing(float $apart): array
    {
        $things = [];
        foreach ($this->moving as $one) {
            array_push($things, ...$one->passing($apart));
        }

        return $things;
    }

    /** Returns how near two things come to each other, if nearer than is needed; null where neither moves. */
    public function worst(Thing $one, Thing $other): ?Shortfall
    {
        [$first, $second] = [$this->moving[$one] ?? null, $this->moving[$other] ?? null];
        if ($first === null && $second === null || self::isLeftBehind($one, $first, $second)
            || self::isLeftBehind($other, $second, $first)
            || ($first ?? $one)->bounds()->distanceToBox(($second ?? $other)->bounds())
                > $this->pairs->needed($one, $other)[0]) {
            return null;
        }
        $best = self::least(
            fn (float $part, float $more): ?Shortfall => $this->pairs->between(
                $first?->at($part) ?? $one, $second?->at($part) ?? $other, $more,
            ),
            static fn (int $step): float => ($first?->travelBeside($step) ?? 0.0)
                + ($second?->travelBeside($step) ?? 0.0),
        );
        if ($best === null) {
            return null;
        }
        [$short, $part] = $best;
        $moment = $first?->moment($part)->with($second?->moment($part)) ?? $second?->moment($part);

        return $moment === null ? $short : $short->during($moment);
    }

    /**
     * @param  callable(float, float): ?Shortfall  $at  at a position of the movement, if by no more than so much
     *     farther than needed
     * @param  callable(int): float  $travel  how far both go together between the steps beside a step, mm
     * @return array{Shortfall, float}|null where least is left of what is needed, and the position
     */
    private static function least(callable $at, callable $travel): ?array
    {
        $found = $margins = [];
        for ($step = 0; $step <= MovingThing::STEPS; $step++) {
            $short = $at($step / MovingThing::STEPS, $travel($step));
            $found[] = [$short, $step / MovingThing::STEPS];
            $margins[] = $short?->margin() ?? INF;
        }
        $least = min(0.0, ...$margins);
        foreach ($margins as $step => $margin) {
            // On a plateau only the first step is refined.
            $isLowest = $margin < ($margins[$step - 1] ?? INF) - self::EVEN
                && $margin <= ($margins[$step + 1] ?? INF) + self::EVEN;
            if (is_finite($margin) && $isLowest && $margin - $travel($step) < $least) {
                [$part] = GoldenSection::least(
                    static fn (float $part): float => $at($part, 2.0 * $travel($step))?->margin() ?? INF,
                    max(0, $step - 1) / MovingThing::STEPS,
                    min(MovingThing::STEPS, $step + 1) / MovingThing::STEPS,
                    self::REFINEMENTS,
                );
                $found[] = [$at($part, 0.0), $part];
            }
        }
        $best = null;
        foreach ($found as [$short, $part]) {
            if ($short?->isShort() === true && ($best === null || $short->margin() < $best[0]->margin())) {
                $best = [$short, $part];
            }
        }

        return $best;
    }

    /** Whether a thing is a run on a moving fitting that cannot follow it; `moving-reach` tells that. */
    private static function isLeftBehind(Thing $thing, ?MovingThing $itself, ?MovingThing $other): bool
    {
        return $itself === null && $other !== null && $thing instanceof RunThing && $thing->laid->run->isMoving();
    }
}
