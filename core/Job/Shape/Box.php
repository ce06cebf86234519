<?php

declare(strict_types=1);

namespace Bowline\Job\Shape;

use Bowline\Geometry\Vector;

/** A rectangular block. */
final readonly class Box implements Shape
{
    /** @param  Vector  $size  full extent along its own x, y and z, mm */
    public function __construct(public Vector $size)
    {
    }

    public function halfExtent(): Vector
    {
        return $this->size->times(0.5);
    }
}
