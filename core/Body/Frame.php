<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/** A point of a centreline with three orthonormal directions: right-handed, the third along the centreline. */
final readonly class Frame
{
    private function __construct(
        public Vector $at,
        public Vector $first,
        public Vector $second,
        public Vector $along,
    ) {
    }

    /**
     * Returns a frame whose first direction is the upright made perpendicular to the axis; where the axis is upright
     * itself, x is taken, and y where that is upright.
     */
    public static function upright(Vector $at, Vector $along, Vector $up): self
    {
        $first = $up->uprightOf($along);

        return new self($at, $first, $along->cross($first), $along);
    }

    /**
     * Returns the frame with a given axis.
     *
     * @param  Vector  $along  unit
     * @param  Vector  $first  unit and perpendicular to it; the zero vector for any direction
     */
    public static function of(Vector $at, Vector $along, Vector $first): self
    {
        $first = $first->length() > 0.5 ? $first : $along->anySquare();

        return new self($at, $first, $along->cross($first), $along);
    }

    /** Returns the point with these coordinates along its first two directions, mm. */
    public function pointAt(float $x, float $y): Vector
    {
        return $this->at->plus($this->first->times($x))->plus($this->second->times($y));
    }

    /**
     * @param  callable(Vector): Vector  $point  a motion of points that may scale them
     * @return array{self, float} the frame, and the scale across it
     */
    public function moved(callable $point): array
    {
        $at = $point($this->at);
        $direction = fn (Vector $one): Vector => $point($this->at->plus($one))->minus($at);
        $first = $direction($this->first);
        $scale = $first->length();
        if (abs($scale - 1.0) < Tolerance::PARALLEL) {
            return [new self($at, $first, $direction($this->second), $direction($this->along)), 1.0];
        }

        return [
            new self($at, $first->unit(), $direction($this->second)->unit(), $direction($this->along)->unit()), $scale,
        ];
    }

    /** Returns the coordinates of a point along its three directions, mm. */
    public function coordinatesOf(Vector $point): Vector
    {
        $way = $point->minus($this->at);

        return new Vector($way->dot($this->first), $way->dot($this->second), $way->dot($this->along));
    }

    /** Returns the point with these coordinates along its three directions, mm. */
    public function pointOf(Vector $coordinates): Vector
    {
        return $this->pointAt($coordinates->x, $coordinates->y)->plus($this->along->times($coordinates->z));
    }

    public function movedTo(Vector $at): self
    {
        return new self($at, $this->first, $this->second, $this->along);
    }

    /** Returns the frame carried along a bend by parallel transport. */
    public function turned(Vector $at, Vector $axis, float $angle): self
    {
        return new self(
            $at, $this->first->turnedAbout($axis, $angle),
            $this->second->turnedAbout($axis, $angle), $this->along->turnedAbout($axis, $angle),
        );
    }

    /** Returns the same point with the direction reversed. */
    public function facingBack(): self
    {
        return new self($this->at, $this->second, $this->first, $this->along->times(-1.0));
    }

    public function polar(float $radius, float $angle): Vector
    {
        return $this->at
            ->plus($this->first->times($radius * cos($angle)))
            ->plus($this->second->times($radius * sin($angle)));
    }

    /** Returns the angle of a point about the axis, in [0, 2π). */
    public function angleOf(Vector $point): float
    {
        $offset = $point->minus($this->at);
        $angle = atan2($offset->dot($this->second), $offset->dot($this->first));

        return $angle < 0.0 ? $angle + 2 * M_PI : $angle;
    }
}
