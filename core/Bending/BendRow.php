<?php

declare(strict_types=1);

namespace Bowline\Bending;

/** One row of a bend table, in the order the bender works: mm and radians. */
final readonly class BendRow
{
    public function __construct(
        public float $straight,
        public float $rotation,
        public float $angle,
        public float $setAngle,
        public float $radius,
        public float $arc,
    ) {
    }
}
