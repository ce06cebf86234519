<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Vector;

/** A straight of a run from one bend, or end, to the next. Millimetres. */
final readonly class Leg
{
    /**
     * @param  int  $fromVertex  vertex it starts at, 0-based
     * @param  int  $toVertex  vertex it ends at
     * @param  int|null  $bendBefore  the bend it starts with, null at the start of the run
     * @param  int|null  $bendAfter  the bend it ends with, null at the end of the run
     * @param  float  $length  corner to corner
     * @param  float  $start  developed length from the start of the run to its straight part
     * @param  float  $straight  its straight part as drawn
     */
    public function __construct(
        public int $fromVertex,
        public int $toVertex,
        public ?int $bendBefore,
        public ?int $bendAfter,
        public Vector $direction,
        public Vector $middle,
        public float $length,
        public float $start,
        public float $straight,
    ) {
    }
}
