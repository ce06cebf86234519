<?php

declare(strict_types=1);

namespace Bowline\Body\Motion;

use Bowline\Geometry\Vector;

/** A map of space: a point p becomes origin + x·p.x + y·p.y + z·p.z. */
final readonly class AffineMap
{
    /**
     * @param  Vector  $x  image of the direction x; $y and $z likewise
     * @param  Vector  $origin  image of the origin
     */
    public function __construct(
        private Vector $x,
        private Vector $y,
        private Vector $z,
        private Vector $origin,
    ) {
    }

    /**
     * Returns the map that takes directions by a linear function, and one point to another.
     *
     * @param  callable(Vector): Vector  $linear
     */
    public static function of(callable $linear, Vector $from, Vector $to): self
    {
        return new self(
            $linear(new Vector(1.0, 0.0, 0.0)), $linear(new Vector(0.0, 1.0, 0.0)), $linear(new Vector(0.0, 0.0, 1.0)),
            $to->minus($linear($from)),
        );
    }

    public function point(Vector $p): Vector
    {
        return new Vector(
            $this->origin->x + $this->x->x * $p->x + $this->y->x * $p->y + $this->z->x * $p->z,
            $this->origin->y + $this->x->y * $p->x + $this->y->y * $p->y + $this->z->y * $p->z,
            $this->origin->z + $this->x->z * $p->x + $this->y->z * $p->y + $this->z->z * $p->z,
        );
    }

    public function direction(Vector $p): Vector
    {
        return new Vector(
            $this->x->x * $p->x + $this->y->x * $p->y + $this->z->x * $p->z,
            $this->x->y * $p->x + $this->y->y * $p->y + $this->z->y * $p->z,
            $this->x->z * $p->x + $this->y->z * $p->y + $this->z->z * $p->z,
        );
    }
}
