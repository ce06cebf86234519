<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Geometry\Vector;

/** A side of a block that is no flat face. */
interface CurvedSide
{
    /** Returns how it is called: "the round side". */
    public function words(): string;

    /** Returns how far a disc is from it, mm; negative where it reaches out. */
    public function distanceTo(Vector $centre, Vector $axis, float $radius): float;

    /** Returns the unit direction from a point to the side and out of the block. */
    public function outwardAt(Vector $point): Vector;
}
