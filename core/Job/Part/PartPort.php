<?php

declare(strict_types=1);

namespace Bowline\Job\Part;

use Bowline\Geometry\Vector;

/** A port of a part, in the frame of the part. */
final readonly class PartPort
{
    /**
     * @param  string  $title  in the words of the screen
     * @param  Vector  $axis  unit, out of the part
     * @param  float  $size  outside diameter of the tube that it takes, mm
     */
    public function __construct(
        public string $id,
        public string $title,
        public Vector $at,
        public Vector $axis,
        public float $size,
    ) {
    }
}
