<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/**
 * Where something stands: first turned about an axis through its own origin, then moved to a point.
 */
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

    /** A point of the thing's own frame, in space. */
    public function point(Vector $own): Vector
    {
        return $this->direction($own)->plus($this->at);
    }

    /** A direction of the thing's own frame, in space. */
    public function direction(Vector $own): Vector
    {
        return $this->angle === 0.0 ? $own : $own->turnedAbout($this->about, $this->angle);
    }
}
