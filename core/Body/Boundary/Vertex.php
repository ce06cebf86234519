<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

use Bowline\Geometry\Vector;

/** A corner of a boundary. Two edges meet there when they have the same vertex, not merely the same point. */
final readonly class Vertex
{
    public function __construct(public Vector $at)
    {
    }
}
