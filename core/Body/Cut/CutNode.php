<?php

declare(strict_types=1);

namespace Bowline\Body\Cut;

use Bowline\Geometry\Vector;

/** A place on an edge of a boundary, or within a face, at which a plane goes through it. */
final readonly class CutNode
{
    /** @param  string  $key  the same for the same place, from whichever face it is come to */
    public function __construct(
        public string $key,
        public Vector $at,
    ) {
    }
}
