<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

use Bowline\Body\Frame;
use Bowline\Geometry\Vector;

/** The plane of the first two directions of a frame; its normal is the third. */
final readonly class PlaneSurface implements Surface
{
    public function __construct(public Frame $frame)
    {
    }

    public function normalAt(Vector $point): Vector
    {
        return $this->frame->along;
    }

    public function accept(SurfaceVisitor $visitor): mixed
    {
        return $visitor->plane($this);
    }
}
