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

    /** Smallest radius of curvature, INF for a straight. */
    public function leastRadius(): float;
}
