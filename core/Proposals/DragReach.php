<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Clearance\RunThing;
use Bowline\Clearance\Shortfall;
use Bowline\Clearance\SolidThing;
use Bowline\Clearance\Thing;
use Bowline\Geometry\Bounds;
use Bowline\Job\ItemRef;
use Bowline\Job\Site;
use Bowline\Routing\LaidRun;
use Bowline\Solving\SolvedRun;
use Closure;

/** Where a drag goes: what is within reach of it is read once, from where it rests to where it is wished to be. */
final class DragReach
{
    /** Shares of a drag at which a thing that is turned may stand outside of where it rests and where it is wished. */
    private const ON_THE_WAY = [0.25, 0.5, 0.75];

    private ?NearLimit $limit = null;

    /** @var Closure(Bounds, list<LaidRun>): NearLimit */
    private readonly Closure $near;

    /** @var Closure(float): Site */
    private readonly Closure $siteAt;

    /**
     * @param  callable(Bounds, list<LaidRun>): NearLimit  $near  what limits it, of all that is within reach of a box,
     *     with the runs that move as they lie at rest
     * @param  list<LaidRun>  $rest  the runs that move, as they lie at rest
     * @param  callable(float): Site  $siteAt  for an amount
     * @param  ItemRef|null  $thing  what is dragged, where that is no run
     * @param  bool  $isTurned  whether it is turned
     */
    public function __construct(
        callable $near,
        private readonly array $rest,
        callable $siteAt,
        private readonly ?ItemRef $thing = null,
        private readonly bool $isTurned = false,
    ) {
        $this->near = $near(...);
        $this->siteAt = $siteAt(...);
    }

    /**
     * Returns what comes nearer to something than it may, in words; null where nothing does.
     *
     * @param  list<SolvedRun>  $solved  the runs that move, for an amount; that of the wish first
     */
    public function passed(array $solved, float $amount): ?string
    {
        $laid = self::laid($solved);
        $this->limit ??= $this->limitTo($laid, $amount);

        return $this->limit?->passed($laid, ($this->siteAt)($amount))?->title();
    }

    /**
     * Returns what is nearest to what moves, or lacks most of what is needed; null where nothing is within reach.
     *
     * @param  list<SolvedRun>  $solved  the runs that move, for an amount
     * @param  float  $reach  mm
     */
    public function nearest(array $solved, float $amount, float $reach): ?Shortfall
    {
        $laid = self::laid($solved);
        $this->limit ??= $this->limitTo($laid, $amount);

        return $this->limit?->nearest($laid, ($this->siteAt)($amount), $reach);
    }

    /**
     * @param  array<SolvedRun>  $solved
     * @return list<LaidRun>
     */
    public static function laid(array $solved): array
    {
        return array_values(array_map(static fn (SolvedRun $one): LaidRun => $one->laid, $solved));
    }

    /** @param  list<LaidRun>  $laid */
    private function limitTo(array $laid, float $amount): ?NearLimit
    {
        $boxes = array_values(array_map(
            static fn (Thing $one): Bounds => $one->bounds(),
            array_filter([...array_map(RunThing::of(...), $this->rest), ...array_map(RunThing::of(...), $laid)]),
        ));
        $ends = [...$this->thingAt(0.0), ...$this->thingAt($amount)];
        $bulge = 0.0;
        foreach ($this->isTurned && $ends !== [] ? self::ON_THE_WAY : [] as $share) {
            foreach ($this->thingAt($share * $amount) as $box) {
                $bulge = max($bulge, Bounds::around($ends)->exceededBy($box));
            }
        }
        array_push($boxes, ...$ends);

        // Runs that hang on the thing go as far beyond that box as it does.
        return $boxes === [] ? null : ($this->near)(Bounds::around($boxes)->grown($bulge), $this->rest);
    }

    /** @return list<Bounds> that hold what is dragged, at an amount */
    private function thingAt(float $amount): array
    {
        return $this->thing === null ? [] : array_map(
            static fn (SolidThing $one): Bounds => $one->bounds(),
            SolidThing::of($this->thing, ($this->siteAt)($amount)),
        );
    }
}
