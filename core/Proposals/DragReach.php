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
     */
    public function __construct(
        callable $near,
        private readonly array $rest,
        callable $siteAt,
        private readonly ?ItemRef $thing = null,
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
        $things = array_map(RunThing::of(...), [...$this->rest, ...$laid]);
        foreach ([0.0, $amount] as $at) {
            array_push($things, ...$this->thing === null ? [] : SolidThing::of($this->thing, ($this->siteAt)($at)));
        }
        $boxes = array_values(array_map(
            static fn (Thing $one): Bounds => $one->bounds(), array_filter($things),
        ));

        return $boxes === [] ? null : ($this->near)(array_reduce(
            $boxes, static fn (Bounds $all, Bounds $one): Bounds => $all->with($one), $boxes[0],
        ), $this->rest);
    }
}
