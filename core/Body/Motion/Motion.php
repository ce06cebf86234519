<?php

declare(strict_types=1);

namespace Bowline\Body\Motion;

use Bowline\Body\Boundary\EdgeCurve;
use Bowline\Body\Boundary\Surface;
use Bowline\Body\Frame;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Vector;

/**
 * How a section is carried along a piece of a path: an affine map of space for every parameter from 0 to 1, the
 * identity at 0. It knows the curve of each point and the surface of each curve that is carried.
 */
interface Motion
{
    /** Returns the map from the start to where everything has come to. */
    public function placeAt(float $t): AffineMap;

    /** Returns the derivative of that map by the parameter. */
    public function velocityAt(float $t): AffineMap;

    /** Returns the curve along which a point goes. */
    public function pathOf(Vector $start): EdgeCurve;

    /** Returns a curve at the end of the motion. */
    public function carried(EdgeCurve $profile): EdgeCurve;

    /**
     * Returns the surface that a curve covers.
     *
     * @param  EdgeCurve  $profile  in a plane square to the motion, or through the axis of a rotation
     */
    public function surfaceOf(EdgeCurve $profile): Surface;

    /**
     * Returns parameters from 0 to 1 between which the chords of points that are carried are within a tolerance.
     *
     * @param  list<Vector>  $points  at the start
     * @return non-empty-list<float>
     */
    public function divisions(Chord $chord, array $points): array;

    /** Whether every point goes along a straight line. */
    public function isStraight(): bool;

    /** Returns the frame at the end. */
    public function frameOf(Frame $start): Frame;

    /**
     * Returns parameters and weights that integrate products of up to three coordinates and one derivative.
     *
     * @return list<array{float, float}>
     */
    public function quadrature(): array;
}
