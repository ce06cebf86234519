<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Body\Boundary\Solid;
use Bowline\Job\JobError;
use Bowline\Space\Progress;

/** A body whose surface is found, as fine as is asked for. */
interface FoundBody
{
    /**
     * @param  float  $chord  farthest that a facet stands off the surface, mm
     *
     * @throws JobError where that asks for more triangles than are allowed, or it does not close
     */
    public function mesh(float $chord, Progress $progress = new Progress): Mesh;

    /**
     * Returns it as a solid on splines and exact surfaces, all within a distance of it; null where it is not smooth, or
     * takes more faces than a file should have.
     *
     * @param  float  $within  mm
     *
     * @throws JobError
     */
    public function onSplines(float $within, Progress $progress = new Progress): ?Solid;
}
