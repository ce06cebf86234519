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

    /**
     * How far outside of its surface a point in its own frame is, and the way out. In plain numbers: what is laid
     * over it asks a million times.
     *
     * @param  float  $within  mm; what is farther off than this may be told as INF
     * @return array{float, float, float, float} mm, less than 0 within; unit, away from the nearest of its surface
     */
    public function outside(float $x, float $y, float $z, float $within): array;
}
