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

    /** Smallest radius of curvature, INF for a straight. */
    public function leastRadius(): float;
}
