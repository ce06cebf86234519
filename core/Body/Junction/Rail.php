<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\Boundary\Edge;
use Bowline\Body\Boundary\LineCurve;
use Bowline\Body\Boundary\Vertex;
use Bowline\Geometry\Vector;

/** The line along a host from a vertex of its ring past a hole: to where that is widest, and on to the next ring. */
final readonly class Rail
{
    private function __construct(
        public Vertex $middle,
        public Vertex $end,
        public Edge $before,
        public Edge $behind,
    ) {
    }

    public static function from(Vertex $start, Vector $toMiddle, Vector $toEnd): self
    {
        [$middle, $end] = [new Vertex($start->at->plus($toMiddle)), new Vertex($start->at->plus($toEnd))];

        return new self(
            $middle, $end, new Edge($start, $middle, new LineCurve($start->at, $middle->at)),
            new Edge($middle, $end, new LineCurve($middle->at, $end->at)),
        );
    }
}
