<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\Boundary\Edge;
use Bowline\Body\Boundary\LineCurve;
use Bowline\Body\Boundary\Vertex;
use Bowline\Geometry\Vector;

/**
 * The line along a host from a vertex of its ring past a hole, where that is widest, or over it, from its near edge to
 * its far one, and on to the next ring.
 */
final readonly class Rail
{
    private function __construct(
        public Vertex $near,
        public Vertex $far,
        public Vertex $end,
        public Edge $before,
        public Edge $behind,
    ) {
    }

    /** Past a hole. */
    public static function past(Vertex $start, Vector $toMiddle, Vector $toEnd): self
    {
        $middle = new Vertex($start->at->plus($toMiddle));

        return self::between($start, $middle, $middle, new Vertex($start->at->plus($toEnd)));
    }

    /** Over a hole. */
    public static function over(Vertex $start, Vector $toNear, Vector $toFar, Vector $toEnd): self
    {
        return self::between(
            $start, new Vertex($start->at->plus($toNear)), new Vertex($start->at->plus($toFar)),
            new Vertex($start->at->plus($toEnd)),
        );
    }

    private static function between(Vertex $start, Vertex $near, Vertex $far, Vertex $end): self
    {
        return new self(
            $near, $far, $end, new Edge($start, $near, new LineCurve($start->at, $near->at)),
            new Edge($far, $end, new LineCurve($far->at, $end->at)),
        );
    }
}
