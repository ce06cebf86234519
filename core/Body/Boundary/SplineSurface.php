<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

use Bowline\Geometry\Vector;

/**
 * A profile carried by a spline sweep, as a B-spline: along the profile (u) linear, or rational quadratic where the
 * profile is an arc; along the path (v) cubic with double inner knots. Or a bicubic patch of a surface that was found.
 * Its normal is that of the face, u × v.
 */
final readonly class SplineSurface implements Surface
{
    /**
     * @param  1|2|3  $profileDegree
     * @param  non-empty-list<float>  $profileKnots  distinct, each $profileDegree times inside and once more at
     *     the ends
     * @param  non-empty-list<float>  $weights  of the control points along the profile
     * @param  non-empty-list<float>  $pathKnots  distinct, twice inside and four times at the ends
     * @param  non-empty-list<non-empty-list<Vector>>  $controlPoints  rows along the profile, in each those along the
     *     path
     * @param  Vector  $normal  unit, of the face at a point of it
     */
    public function __construct(
        public int $profileDegree,
        public array $profileKnots,
        public array $weights,
        public array $pathKnots,
        public array $controlPoints,
        private Vector $normal,
    ) {
    }

    public function normalAt(Vector $point): Vector
    {
        return $this->normal;
    }

    public function accept(SurfaceVisitor $visitor): mixed
    {
        return $visitor->spline($this);
    }
}
