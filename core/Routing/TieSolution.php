<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Vector;

/** The solution for a corner with ties: its point, which ties are satisfied, and the free directions. */
final readonly class TieSolution
{
    /**
     * @param  list<int>  $broken  which of the ties could not be kept, 0-based
     * @param  list<float>  $missed  by how much each tie is off, mm; 0 for one that holds
     * @param  list<Vector>  $free  unit directions, square to each other, in which it may move: none to three
     */
    public function __construct(
        public Vector $at,
        public array $broken,
        public array $missed,
        public array $free,
    ) {
    }

    /**
     * Returns the part of a move that keeps the ties of a corner.
     *
     * @param  list<Vector>  $free
     */
    public static function allowed(Vector $move, array $free): Vector
    {
        return array_reduce(
            $free,
            static fn (Vector $sum, Vector $one): Vector => $sum->plus($one->times($one->dot($move))),
            Vector::zero(),
        );
    }
}
