<?php

declare(strict_types=1);

namespace Bowline\Job\Shape;

use Bowline\Geometry\Vector;

/** A simple body in its own frame. */
interface Shape
{
    /** Half of its extent along its own three axes, mm. */
    public function halfExtent(): Vector;

    /** Where the middle of that extent is, in its own frame. */
    public function middle(): Vector;

    /**
     * A flat face by its name.
     *
     * @return array{Vector, Vector}|null a point on it and its unit normal, in its own frame
     */
    public function face(string $name): ?array;
}
