<?php

declare(strict_types=1);

namespace Bowline\Job\Shape;

use Bowline\Geometry\Outline;
use Bowline\Geometry\Vector;

/**
 * A flat panel: its front face lies in its own x–y plane, centred on the origin, with outward normal +z; its thickness
 * extends to −z. Stand-offs are measured from its faces.
 */
final readonly class Panel implements Shape
{
    use SolidShape;

    public function __construct(
        public float $width,
        public float $height,
        public float $thickness,
    ) {
    }

    public function halfExtent(): Vector
    {
        return new Vector($this->width / 2, $this->height / 2, $this->thickness / 2);
    }

    public function middle(): Vector
    {
        return new Vector(0.0, 0.0, -$this->thickness / 2);
    }

    public function face(string $name): ?array
    {
        return match ($name) {
            'front' => [Vector::zero(), new Vector(0.0, 0.0, 1.0)],
            'back' => [new Vector(0.0, 0.0, -$this->thickness), new Vector(0.0, 0.0, -1.0)],
            default => null,
        };
    }

    public function outside(float $x, float $y, float $z, float $within): array
    {
        return Box::outsideOf(
            $this->width / 2,
            $this->height / 2,
            $this->thickness / 2,
            $x,
            $y,
            $z + $this->thickness / 2,
        );
    }

    public function faceWords(string $name): string
    {
        return $name === 'front' ? '' : $name;
    }

    public function prism(): array
    {
        return [Outline::rectangle($this->width, $this->height), -$this->thickness, $this->thickness];
    }
}
