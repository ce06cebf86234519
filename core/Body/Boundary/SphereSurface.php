<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

use Bowline\Body\Frame;
use Bowline\Geometry\Vector;

/** A sphere; its normal points away from its centre. */
final readonly class SphereSurface implements Surface
{
    /** @param  Frame  $frame  at the centre; its axis goes through the poles */
    public function __construct(
        public Frame $frame,
        public float $radius,
    ) {
    }

    public function normalAt(Vector $point): Vector
    {
        return $point->minus($this->frame->at)->unit();
    }

    public function accept(SurfaceVisitor $visitor): mixed
    {
        return $visitor->sphere($this);
    }
}
