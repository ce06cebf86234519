<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

use Bowline\Geometry\Chord;
use Bowline\Geometry\Vector;

/** The curve of an edge, from its start at parameter 0 to its end at parameter 1. Millimetres. */
interface EdgeCurve
{
    public function pointAt(float $t): Vector;

    /** Returns the derivative by the parameter, mm. */
    public function derivativeAt(float $t): Vector;

    /** Returns the least number of even pieces whose chords are within the tolerance. */
    public function pieces(Chord $chord): int;

    /**
     * Returns parameters and weights that integrate products of up to three coordinates and one derivative.
     *
     * @return list<array{float, float}>
     */
    public function quadrature(): array;

    /** @return non-empty-list<Vector> points whose convex hull holds the curve, close round it */
    public function hull(): array;

    /** @param  callable(Vector): Vector  $point  a rigid motion of points */
    public function moved(callable $point): self;

    /**
     * @template T
     *
     * @param  CurveVisitor<T>  $visitor
     * @return T
     */
    public function accept(CurveVisitor $visitor): mixed;
}
