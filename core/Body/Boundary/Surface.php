<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

use Bowline\Geometry\Vector;

/** The surface of a face, unbounded where its kind is. Its parameters and its own normal are those of ISO 10303-42. */
interface Surface
{
    /**
     * Returns the unit normal of the surface itself, which need not be that of the face.
     *
     * @param  Vector  $point  on the surface, mm
     */
    public function normalAt(Vector $point): Vector;

    /**
     * @template T
     *
     * @param  SurfaceVisitor<T>  $visitor
     * @return T
     */
    public function accept(SurfaceVisitor $visitor): mixed;
}
