<?php

declare(strict_types=1);

namespace Bowline\Routing;

/** A route that may rest in several shapes: when what it hangs on moves a little, it stays in the one it was in. */
interface FollowsShape
{
    /**
     * The same run, with its ends a little elsewhere; the result says when it jumped to another shape.
     */
    public function layAfter(Run $run, LaidRun $before): LaidRun;
}
