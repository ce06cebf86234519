<?php

declare(strict_types=1);

namespace Bowline\Job\Shape;

use Bowline\Geometry\Outline;
use Bowline\Geometry\Vector;

/** A rectangular block centred on its own origin; its faces are named by their outward axes. */
final readonly class Box implements Shape
{
    use SolidShape;

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

        return $normal === null
            ? null
            : [new Vector($normal->x * $half->x, $normal->y * $half->y, $normal->z * $half->z), $normal];
    }

    public function outside(float $x, float $y, float $z, float $within): array
    {
        return self::outsideOf($this->size->x / 2, $this->size->y / 2, $this->size->z / 2, $x, $y, $z);
    }

    /** @return array{float, float, float, float} of a block about the origin, by half its size */
    public static function outsideOf(float $halfX, float $halfY, float $halfZ, float $x, float $y, float $z): array
    {
        [$dx, $dy, $dz] = [abs($x) - $halfX, abs($y) - $halfY, abs($z) - $halfZ];
        [$sx, $sy, $sz] = [$x < 0.0 ? -1.0 : 1.0, $y < 0.0 ? -1.0 : 1.0, $z < 0.0 ? -1.0 : 1.0];
        $most = max($dx, $dy, $dz);
        if ($most <= 0.0) {
            return [
                $most,
                $dx === $most ? $sx : 0.0,
                $dx !== $most && $dy === $most ? $sy : 0.0,
                $dx !== $most && $dy !== $most ? $sz : 0.0,
            ];
        }
        [$dx, $dy, $dz] = [max($dx, 0.0), max($dy, 0.0), max($dz, 0.0)];
        $distance = sqrt($dx * $dx + $dy * $dy + $dz * $dz);

        return [$distance, $dx * $sx / $distance, $dy * $sy / $distance, $dz * $sz / $distance];
    }

    public function prism(): array
    {
        return [Outline::rectangle($this->size->x, $this->size->y), -$this->size->z / 2, $this->size->z];
    }
}
