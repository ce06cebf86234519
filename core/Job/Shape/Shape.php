<?php

declare(strict_types=1);

namespace Bowline\Job\Shape;

use Bowline\Geometry\Vector;

/** A simple body, centred on its own origin. */
interface Shape
{
    /** Half of its extent along its own three axes, mm. */
    public function halfExtent(): Vector;
}
