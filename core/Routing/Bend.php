<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Vector;
use Bowline\Job\ElbowKind;

/** One bend of a laid run. Lengths in mm, angles in radians. */
final readonly class Bend
{
    /**
     * @param  int  $vertex  which vertex it rounds, 0-based
     * @param  float  $askedRadius  centre-line radius the designer asked for
     * @param  float  $radius  what was drawn: smaller where it had no room
     * @param  float  $askedTangent  from the corner to where the asked bend would start
     * @param  float  $tangent  the same of the bend as drawn
     * @param  float  $straight  straight before it, from the last tangent point or the end face
     * @param  float  $rotation  turn of the bend's plane since the bend before, in (−π, π]
     * @param  float  $start  developed length from the start of the run to where it starts
     * @param  ElbowKind|null  $elbow  that it is bought as; null where it is bent
     */
    public function __construct(
        public int $vertex,
        public Vector $corner,
        public Vector $in,
        public Vector $out,
        public Vector $normal,
        public float $angle,
        public float $askedRadius,
        public float $radius,
        public float $askedTangent,
        public float $tangent,
        public float $straight,
        public float $rotation,
        public float $start,
        public ?ElbowKind $elbow = null,
    ) {
    }

    public function arcLength(): float
    {
        return $this->radius * $this->angle;
    }

    public function end(): float
    {
        return $this->start + $this->arcLength();
    }
}
