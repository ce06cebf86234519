<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/** A straight piece of a path. */
final readonly class Line implements Segment
{
    public function __construct(
        public Vector $from,
        public Vector $to,
    ) {
    }

    public function start(): Vector
    {
        return $this->from;
    }

    public function end(): Vector
    {
        return $this->to;
    }

    public function length(): float
    {
        return $this->from->distanceTo($this->to);
    }

    public function pointAt(float $along): Vector
    {
        return $this->from->plus($this->directionAt($along)->times($along));
    }

    public function directionAt(float $along): Vector
    {
        return $this->to->minus($this->from)->unit();
    }

    public function places(Chord $chord, float $offset = 0.0): array
    {
        return [$this->length()];
    }

    public function countPlaces(Chord $chord, float $offset = 0.0): float
    {
        return 1.0;
    }

    public function leastRadius(): float
    {
        return INF;
    }
}
