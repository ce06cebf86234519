<?php

declare(strict_types=1);

namespace Bowline\Job\Shape;

use Bowline\Geometry\Outline;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/** A cylinder along its own z, centred on its own origin. */
final readonly class Cylinder implements Shape
{
    use SolidShape;

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

    public function outside(float $x, float $y, float $z, float $within): array
    {
        $off = hypot($x, $y);
        [$rx, $ry] = $off > Tolerance::SAFEGUARD ? [$x / $off, $y / $off] : [1.0, 0.0];
        $end = $z < 0.0 ? -1.0 : 1.0;
        [$dr, $dz] = [$off - $this->diameter / 2, abs($z) - $this->height / 2];
        if ($dr > 0.0 && $dz > 0.0) {
            $distance = hypot($dr, $dz);

            return [$distance, $rx * $dr / $distance, $ry * $dr / $distance, $end * $dz / $distance];
        }

        return $dr > $dz ? [$dr, $rx, $ry, 0.0] : [$dz, 0.0, 0.0, $end];
    }

    public function drawnAs(): string
    {
        return 'cylinder';
    }

    public function prism(): array
    {
        return [Outline::circle($this->diameter / 2), -$this->height / 2, $this->height];
    }
}
