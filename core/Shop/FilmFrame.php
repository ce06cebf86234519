<?php

declare(strict_types=1);

namespace Bowline\Shop;

use Bowline\Geometry\Vector;

/** A moment of the bending of a tube. */
final readonly class FilmFrame
{
    /**
     * @param  int  $step  number of the step from 0
     * @param  'feed'|'turn'|'bend'  $phase
     * @param  float  $amount  fed, mm, or turned or bent, radians, by then
     * @param  non-empty-list<Vector>  $points  of the middle of the tube, from its end behind the die to its front
     */
    public function __construct(
        public int $step,
        public string $phase,
        public float $amount,
        public array $points,
    ) {
    }
}
