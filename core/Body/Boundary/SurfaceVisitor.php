<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

/**
 * What is done with the surface of a face according to its kind.
 *
 * @template T
 */
interface SurfaceVisitor
{
    /** @return T */
    public function plane(PlaneSurface $plane): mixed;

    /** @return T */
    public function cylinder(CylinderSurface $cylinder): mixed;

    /** @return T */
    public function cone(ConeSurface $cone): mixed;

    /** @return T */
    public function torus(TorusSurface $torus): mixed;

    /** @return T */
    public function sphere(SphereSurface $sphere): mixed;

    /** @return T */
    public function spline(SplineSurface $spline): mixed;
}
