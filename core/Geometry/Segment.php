<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/** One piece of a path, travelled from its start to its end. */
interface Segment
{
    public function start(): Vector;

    public function end(): Vector;

    /** Developed length in millimetres. */
    public function length(): float;

    /** The point $along millimetres from the start. */
    public function pointAt(float $along): Vector;

    /** Unit direction of travel $along millimetres from the start. */
    public function directionAt(float $along): Vector;

    /**
     * Developed lengths at which to divide it so that nothing that runs beside it stands off its chords by more than
     * told.
     *
     * @param  float  $offset  how far beside it, mm: half a tube, or 0 for the centre line itself
     * @return non-empty-list<float> without the start; its length is the last
     */
    public function places(Chord $chord, float $offset = 0.0): array;

    /** How many places there are, as a float: there may be more than an integer holds, or than memory does. */
    public function countPlaces(Chord $chord, float $offset = 0.0): float;

    /**
     * Points along it, without its start and with its end, so that no chord between two stands off it by more than
     * told.
     *
     * @return non-empty-list<Vector>
     */
    public function points(Chord $chord): array;

    /**
     * Developed lengths, mm, from 0 to the length, at which its points and directions are given exactly.
     *
     * @return list<float> two at least
     */
    public function knots(): array;

    /** The same points, travelled from the end to the start. */
    public function reversed(): self;

    /** Developed length of the place on it that is nearest to a point, mm. */
    public function closestTo(Vector $point): float;

    /** Smallest radius of curvature, INF for a straight. */
    public function leastRadius(): float;

    /** Developed length where its radius is smallest, mm. */
    public function tightestAt(): float;

    /** All that its direction turns, whichever way, radians. */
    public function turning(): float;

    /**
     * Curvature vector: from a place on it towards its centre of curvature, 1/mm long.
     *
     * @param  float  $along  developed length of the place, mm
     * @return Vector|null null where curvature is known at points only
     */
    public function bendingAt(float $along): ?Vector;

    /**
     * A direction square to its start after it has been carried along it without turning about it (parallel
     * transport).
     *
     * @param  float  $along  developed length up to which it is carried, mm
     */
    public function carried(Vector $direction, float $along): Vector;

    /**
     * The same with no more points than a hand that drags it needs.
     *
     * @param  float  $turn  radians from one point to the next, at most
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
