<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/** A straight segment of a path. */
final readonly class Line implements Segment
{
    use AnalyticSegment;

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

    public function bounds(): Bounds
    {
        return Bounds::ofPoints([$this->from, $this->to]);
    }

    public function reversed(): self
    {
        return new self($this->to, $this->from);
    }

    public function closestTo(Vector $point): float
    {
        return max(0.0, min($this->length(), $point->minus($this->from)->dot($this->directionAt(0.0))));
    }

    public function bendingAt(float $along): Vector
    {
        return Vector::zero();
    }

    public function turning(): float
    {
        return 0.0;
    }

    public function carried(Vector $direction, float $along): Vector
    {
        return $direction;
    }

    public function accept(SegmentVisitor $visitor): mixed
    {
        return $visitor->line($this);
    }
}
