<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Vector;

/** The centre line of a run at one position of a movement, at equal shares of its length. Millimetres. */
final readonly class MovedShape
{
    /**
     * @param  float  $part  position in the movement, 0 to 1
     * @param  list<Vector>  $points  as many at each position
     * @param  list<Vector>  $directions  unit, of travel at each point
     * @param  float  $leastRadius  INF when it is straight
     * @param  bool  $jumpsNext  whether the run jumps to another shape between this position and the next
     */
    public function __construct(
        public float $part,
        public array $points,
        public array $directions,
        public float $length,
        public float $leastRadius,
        public bool $jumpsNext = false,
    ) {
    }
}
