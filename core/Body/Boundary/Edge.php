<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

/** An edge of a boundary along a curve. A closed edge, as a circle, has one vertex as its start and its end. */
final readonly class Edge
{
    public function __construct(
        public Vertex $start,
        public Vertex $end,
        public EdgeCurve $curve,
    ) {
    }
}
