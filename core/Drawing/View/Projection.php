<?php

declare(strict_types=1);

namespace Bowline\Drawing\View;

use Bowline\Geometry\Vector;

/** A direction in which things are looked at, at right angles to the paper: x to the right, y up on it, mm. */
final readonly class Projection
{
    /** Towards whoever looks, unit. */
    public Vector $towards;

    /**
     * @param  string  $name  "From above"
     * @param  Vector  $right  unit
     * @param  Vector  $up  unit, square to that
     */
    private function __construct(
        public string $name,
        public Vector $right,
        public Vector $up,
    ) {
        $this->towards = $right->cross($up);
    }

    /** @param  Vector  $up  of the job, along an axis */
    public static function above(Vector $up): self
    {
        return new self('From above', self::side($up), $up->cross(self::side($up)));
    }

    public static function front(Vector $up): self
    {
        return new self('From the front', self::side($up), $up);
    }

    public static function right(Vector $up): self
    {
        return new self('From the right', $up->cross(self::side($up)), $up);
    }

    public static function left(Vector $up): self
    {
        return new self('From the left', $up->cross(self::side($up))->times(-1.0), $up);
    }

    /** Isometric, from the front, the right and above: all three axes are shortened alike, by √(2/3) (ISO 5456-3). */
    public static function isometric(Vector $up): self
    {
        $front = $up->cross(self::side($up))->times(-1.0);
        $towards = self::side($up)->plus($front)->plus($up)->unit();
        $right = $up->cross($towards)->unit();

        return new self('Isometric', $right, $towards->cross($right));
    }

    /** @return array{float, float} */
    public function flat(Vector $point): array
    {
        return [$point->dot($this->right), $point->dot($this->up)];
    }

    /** Returns the part of its true length that a straight along a direction has on paper, 0 to 1. */
    public function share(Vector $direction): float
    {
        return hypot($direction->dot($this->right), $direction->dot($this->up));
    }

    /** Returns the horizontal direction that lies to the right as the job is looked at from the front. */
    private static function side(Vector $up): Vector
    {
        return abs($up->x) > 0.5 ? new Vector(0.0, 1.0, 0.0) : new Vector(1.0, 0.0, 0.0);
    }
}
