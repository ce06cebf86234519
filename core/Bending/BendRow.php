<?php

declare(strict_types=1);

namespace Bowline\Bending;

/** One row of a bend table, in the order of bending: mm and radians. */
final readonly class BendRow
{
    /**
     * @param  float  $mark  where the bend starts on the raw tube, from its cut start, mm
     * @param  float  $markFromEnd  where it starts when the tube is bent from its other end, mm
     */
    public function __construct(
        public float $straight,
        public float $rotation,
        public float $angle,
        public float $setAngle,
        public float $radius,
        public float $arc,
        public float $mark,
        public float $markFromEnd,
    ) {
    }
}
