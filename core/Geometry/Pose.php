<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/** The position of a thing: a rotation about an axis through its own origin, then a translation. */
final readonly class Pose
{
    private function __construct(
        public Vector $at,
        public Vector $about,
        public float $angle,
    ) {
    }

    public static function at(Vector $at): self
    {
        return new self($at, new Vector(0.0, 0.0, 1.0), 0.0);
    }

    /** @param  float  $angle  radians, right-hand rule about $about (any length but zero) */
    public static function turned(Vector $at, Vector $about, float $angle): self
    {
        return new self($at, $about->unit(), $angle);
    }

    public function movedBy(Vector $by): self
    {
        return new self($this->at->plus($by), $this->about, $this->angle);
    }

    /**
     * Returns the pose rotated further in place: the product of the two rotations as unit quaternions.
     *
     * @param  Vector  $about  unit, in space
     * @param  float  $angle  radians
     */
    public function turnedBy(Vector $about, float $angle): self
    {
        $w1 = cos($this->angle / 2);
        $w2 = cos($angle / 2);
        $v1 = $this->about->times(sin($this->angle / 2));
        $v2 = $about->times(sin($angle / 2));
        $w = $w2 * $w1 - $v2->dot($v1);
        $v = $v1->times($w2)->plus($v2->times($w1))->plus($v2->cross($v1));
        $half = atan2($v->length(), $w);

        return $v->length() < Tolerance::SAFEGUARD
            ? self::at($this->at)
            : new self($this->at, $v->unit(), $half > M_PI_2 ? 2 * $half - 2 * M_PI : 2 * $half);
    }

    /** Returns the pose in space of a thing that is mounted in a frame. */
    public function within(self $frame): self
    {
        $turned = $frame->angle === 0.0 ? $this : $this->turnedBy($frame->about, $frame->angle);

        return new self($frame->point($this->at), $turned->about, $turned->angle);
    }

    /** Returns a point of space in the frame of the thing. */
    public function ownPoint(Vector $point): Vector
    {
        return $this->ownDirection($point->minus($this->at));
    }

    public function ownDirection(Vector $direction): Vector
    {
        return $this->angle === 0.0 ? $direction : $direction->turnedAbout($this->about, -$this->angle);
    }

    /** Returns a point of the frame of the thing in space. */
    public function point(Vector $own): Vector
    {
        return $this->direction($own)->plus($this->at);
    }

    /** Returns a direction of the frame of the thing in space. */
    public function direction(Vector $own): Vector
    {
        return $this->angle === 0.0 ? $own : $own->turnedAbout($this->about, $this->angle);
    }
}
