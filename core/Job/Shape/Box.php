<?php

declare(strict_types=1);

namespace Bowline\Job\Shape;

use Bowline\Geometry\Vector;

/** A rectangular block, centred on its own origin; its faces are called by the axes they look along. */
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

    public function middle(): Vector
    {
        return Vector::zero();
    }

    public function face(string $name): ?array
    {
        $normal = Vector::axis($name);
        $half = $this->halfExtent();

        return $normal === null ? null : [new Vector($normal->x * $half->x, $normal->y * $half->y, $normal->z * $half->z), $normal];
    }
}
