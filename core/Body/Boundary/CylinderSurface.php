<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

use Bowline\Body\Frame;
use Bowline\Geometry\Vector;

/** A circular cylinder about the axis of a frame; its normal points away from the axis. */
final readonly class CylinderSurface implements Surface
{
    public function __construct(
        public Frame $frame,
        public float $radius,
    ) {
    }

    public function normalAt(Vector $point): Vector
    {
        return $point->minus($this->frame->at)->squareTo($this->frame->along);
    }

    public function accept(SurfaceVisitor $visitor): mixed
    {
        return $visitor->cylinder($this);
    }
}
