<?php

declare(strict_types=1);

namespace Bowline\Clearance;

use Bowline\Geometry\Vector;

/** Where two things are nearest to each other. Millimetres. */
final readonly class Gap
{
    /**
     * @param  float  $distance  negative where they are inside each other
     * @param  array{Vector, Vector}  $at  on the surface of each
     * @param  array{float|null, float|null}  $along  developed length of each where it is a run
     */
    public function __construct(
        public Thing $one,
        public Thing $other,
        public float $distance,
        public array $at,
        public array $along,
    ) {
    }
}
