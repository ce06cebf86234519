<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

/**
 * What is done with the curve of an edge according to its kind.
 *
 * @template T
 */
interface CurveVisitor
{
    /** @return T */
    public function line(LineCurve $line): mixed;

    /** @return T */
    public function arc(ArcCurve $arc): mixed;

    /** @return T */
    public function ellipse(EllipseCurve $ellipse): mixed;

    /** @return T */
    public function spline(SplineCurve $spline): mixed;
}
