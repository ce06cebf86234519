<?php

declare(strict_types=1);

namespace Bowline\Job\Shape;

use Bowline\Geometry\Vector;

/** A round block that stands along its own z, centred on its own origin. */
final readonly class Cylinder implements Shape
{
    public function __construct(
        public float $diameter,
        public float $height,
    ) {
    }

    public function halfExtent(): Vector
    {
        return new Vector($this->diameter / 2, $this->diameter / 2, $this->height / 2);
    }

    public function middle(): Vector
    {
        return Vector::zero();
    }

    public function face(string $name): ?array
    {
        $normal = $name === '+z' || $name === '-z' ? Vector::axis($name) : null;

        return $normal === null ? null : [$normal->times($this->height / 2), $normal];
    }
}
