<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

use Bowline\Body\Frame;
use Bowline\Geometry\Vector;

/** A torus about the axis of a frame; its normal points away from the circle of the centres of its section. */
final readonly class TorusSurface implements Surface
{
    /**
     * @param  float  $majorRadius  from the axis to the centre of the section, mm
     * @param  float  $minorRadius  of the section, mm
     */
    public function __construct(
        public Frame $frame,
        public float $majorRadius,
        public float $minorRadius,
    ) {
    }

    public function normalAt(Vector $point): Vector
    {
        $out = $point->minus($this->frame->at)->squareTo($this->frame->along);

        return $point->minus($this->frame->at->plus($out->times($this->majorRadius)))->unit();
    }

    public function accept(SurfaceVisitor $visitor): mixed
    {
        return $visitor->torus($this);
    }
}
