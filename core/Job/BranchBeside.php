<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Vector;

/** Another branch on the host of one, set on or set in. */
final readonly class BranchBeside
{
    /**
     * @param  string  $name  of the run that it is the end of
     * @param  float  $at  developed length of the host, as told, mm
     * @param  Vector  $along  unit, direction of the host there
     * @param  Vector  $axis  unit, away from the host
     */
    public function __construct(
        public string $name,
        public float $at,
        public Vector $along,
        public Vector $axis,
        public Section $section,
    ) {
    }
}
