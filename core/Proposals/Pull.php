<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Geometry\Line;
use Bowline\Geometry\Vector;

/** One end of a straight piece, pulled along it. */
final readonly class Pull
{
    /**
     * @param  int  $piece  0-based
     * @param  bool  $atEnd  its end, or its start
     * @param  float  $by  mm: more makes the piece longer, less than 0 shorter
     */
    public function __construct(
        public int $piece,
        public bool $atEnd,
        public float $by,
    ) {
    }

    /** Returns the piece with that end pulled, rounded to 1e-6 mm. */
    public function applied(Line $piece): Line
    {
        $way = $piece->directionAt(0.0)->times($this->by);
        $moved = static fn (Vector $at): Vector => new Vector(round($at->x, 6), round($at->y, 6), round($at->z, 6));

        return $this->atEnd
            ? new Line($piece->from, $moved($piece->to->plus($way)))
            : new Line($moved($piece->from->minus($way)), $piece->to);
    }
}
