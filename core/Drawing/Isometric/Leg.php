<?php

declare(strict_types=1);

namespace Bowline\Drawing\Isometric;

use Bowline\Geometry\Vector;

/** A leg of a line, from corner to corner. Lengths in mm. */
final readonly class Leg
{
    /**
     * @param  Vector  $direction  unit
     * @param  list<Mark>  $marks
     * @param  int|null  $bend  number of the bend at its end, from 1; null at the end of the line
     */
    public function __construct(
        public Vector $from,
        public Vector $direction,
        public float $length,
        public array $marks,
        public ?int $bend,
    ) {
    }

    public function to(): Vector
    {
        return $this->from->plus($this->direction->times($this->length));
    }

    public function isSkewed(): bool
    {
        return $this->direction->axisName() === null;
    }
}
