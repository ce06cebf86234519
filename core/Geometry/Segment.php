<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/** One piece of a path, from its start to its end. */
interface Segment
{
    public function start(): Vector;

    public function end(): Vector;

    /** Returns the developed length in mm. */
    public function length(): float;

    /** Returns the point at a distance from the start, mm. */
    public function pointAt(float $along): Vector;

    /** Returns the unit direction of travel at a distance from the start, mm. */
    public function directionAt(float $along): Vector;

    /**
     * Returns the developed lengths that divide it so that chords beside it are within the tolerance.
     *
     * @param  float  $offset  distance from the centreline, mm: half a tube, or 0 for the centreline itself
     * @return non-empty-list<float> without the start; the last is its length
     */
    public function places(Chord $chord, float $offset = 0.0): array;

    /** Returns the number of places as a float, since it may exceed an integer or the memory. */
    public function countPlaces(Chord $chord, float $offset = 0.0): float;

    /**
     * Returns points along it, without its start and with its end, with chords within the tolerance.
     *
     * @return non-empty-list<Vector>
     */
    public function points(Chord $chord): array;

    /**
     * Returns the developed lengths, mm, at which its points and directions are exact, from 0 to its length.
     *
     * @return list<float> at least two
     */
    public function knots(): array;

    /** Returns a box that holds it, mm. */
    public function bounds(): Bounds;

    /** Returns the same segment from its end to its start. */
    public function reversed(): self;

    /** Returns the developed length of the point nearest to another, mm. */
    public function closestTo(Vector $point): float;

    /** Returns the smallest radius of curvature, mm; INF for a straight. */
    public function leastRadius(): float;

    /** Returns the developed length of its smallest radius, mm. */
    public function tightestAt(): float;

    /** Returns the total turn of its direction, radians. */
    public function turning(): float;

    /**
     * Returns the curvature vector, 1/mm, which points to the centre of curvature.
     *
     * @param  float  $along  developed length, mm
     * @return Vector|null null where curvature is known at points only
     */
    public function bendingAt(float $along): ?Vector;

    /**
     * Carries a direction perpendicular to its start along it by parallel transport.
     *
     * @param  float  $along  developed length to carry it to, mm
     */
    public function carried(Vector $direction, float $along): Vector;

    /**
     * Returns a copy with fewer points, for use during a drag.
     *
     * @param  float  $turn  largest turn between two points, radians
     */
    public function sparser(float $turn): self;

    /** Itself where it is neither straight nor an arc, null otherwise. */
    public function curve(): ?Curve;

    /**
     * @template T
     *
     * @param  SegmentVisitor<T>  $visitor
     * @return T
     */
    public function accept(SegmentVisitor $visitor): mixed;
}
