<?php

declare(strict_types=1);

namespace Bowline\Body\Motion;

use Bowline\Geometry\Vector;

/** A point of a curve with the frame that is carried along it by parallel transport. */
final readonly class SweepState
{
    /**
     * @param  float  $along  developed length, mm
     * @param  Vector  $travel  unit, direction of the curve: the derivative of $at by the length
     * @param  Vector  $first  unit, first direction of the frame
     * @param  Vector  $firstSlope  its derivative by the length, 1/mm; $second and $secondSlope likewise
     */
    public function __construct(
        public float $along,
        public Vector $at,
        public Vector $travel,
        public Vector $first,
        public Vector $firstSlope,
        public Vector $second,
        public Vector $secondSlope,
    ) {
    }

    /**
     * Returns place, first and second direction, each with its slope.
     *
     * @return array{array{Vector, Vector}, array{Vector, Vector}, array{Vector, Vector}}
     */
    public function values(): array
    {
        return [[$this->at, $this->travel], [$this->first, $this->firstSlope], [$this->second, $this->secondSlope]];
    }
}
