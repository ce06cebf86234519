<?php

declare(strict_types=1);

namespace Bowline\Routing;

/** A route with several shapes at rest: when what holds the run moves a little, it stays on the branch it was on. */
interface FollowsShape
{
    /** Lays the same run with its ends moved a little; the result says whether it jumped to another branch. */
    public function layAfter(Run $run, LaidRun $before): LaidRun;
}
