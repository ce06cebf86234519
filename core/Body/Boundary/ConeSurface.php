<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

use Bowline\Body\Frame;
use Bowline\Geometry\Vector;

/**
 * A circular cone about the axis of a frame that widens along it: its radius at height h over the frame is
 * radius + h·tan(halfAngle). Its normal points away from the axis.
 */
final readonly class ConeSurface implements Surface
{
    /**
     * @param  float  $radius  at the origin of the frame, mm
     * @param  float  $halfAngle  between axis and surface, radians, over 0 and less than π/2
     */
    public function __construct(
        public Frame $frame,
        public float $radius,
        public float $halfAngle,
    ) {
    }

    public function normalAt(Vector $point): Vector
    {
        $out = $point->minus($this->frame->at)->squareTo($this->frame->along);

        return $out->times(cos($this->halfAngle))->minus($this->frame->along->times(sin($this->halfAngle)));
    }

    public function accept(SurfaceVisitor $visitor): mixed
    {
        return $visitor->cone($this);
    }
}
