<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

use Bowline\Clearance\Shortfall;
use Bowline\Clearance\Thing;
use Bowline\Solving\SolvedRun;
use stdClass;

/** A way that was found, as a run that can be taken. */
final readonly class Way
{
    /**
     * @param  stdClass  $item  the run in the shape of the job file
     * @param  Shortfall|null  $nearest  what comes nearest to it; null where nothing is near
     * @param  float  $beside  developed length beside other runs, where one clamp takes both, mm
     */
    public function __construct(
        public CornerLine $line,
        public stdClass $item,
        public SolvedRun $solved,
        public ?Shortfall $nearest,
        public float $beside,
    ) {
    }

    public function bends(): int
    {
        return count($this->solved->laid->bends);
    }

    public function length(): float
    {
        return $this->solved->laid->length();
    }

    /** Returns the thing that comes nearest to it. */
    public function nearestThing(): ?Thing
    {
        $gap = $this->nearest?->gap;

        return $gap?->one->ref()->key() === 'runs/'.$this->solved->laid->run->id ? $gap->other : $gap?->one;
    }
}
