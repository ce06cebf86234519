<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Body\Frame;
use Bowline\Geometry\Outline;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/** A flat face of a block, in space. */
final readonly class BlockFace
{
    /**
     * @param  Frame  $frame  whose first two directions are those of the outline
     * @param  Vector  $normal  unit, outwards
     * @param  Outline  $outline  of the face, counter-clockwise in that frame
     * @param  string  $words  how it is called, "the +x face"
     */
    public function __construct(
        public Frame $frame,
        public Vector $normal,
        public Outline $outline,
        public string $words,
    ) {
    }

    /** Returns how far a point is behind the plane of the face, mm; negative in front of it. */
    public function depthOf(Vector $point): float
    {
        return $this->frame->at->minus($point)->dot($this->normal);
    }

    /** Returns the distance of a point from the face, mm: negative in front of it, and never so beside it. */
    public function distanceTo(Vector $point): float
    {
        $depth = $this->depthOf($point);
        $beside = -$this->within($point->plus($this->normal->times($depth)));

        return $beside < -Tolerance::COINCIDENT ? $depth : hypot($depth, max(0.0, $beside));
    }

    /** Returns how far within the outline of the face a point of its plane lies, mm; negative beside it. */
    public function within(Vector $point): float
    {
        $own = $this->frame->coordinatesOf($point);

        return $this->outline->depthOf($own->x, $own->y);
    }
}
