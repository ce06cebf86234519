<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Site;

/** One way of getting from port to port. A route is read from a run's "route" and lays the run along it. */
interface Route
{
    /** @throws JobError */
    public static function read(Node $node, Site $site): self;

    /** How many stops the designer gave; a fixed length names them by number. */
    public function stopCount(): int;

    /**
     * The points it was told to go through, in order, without its ends and as they were said: nothing is solved for
     * them.
     *
     * @param  Vector  $from  the end of the lead at the start, from which steps are counted
     * @return list<Vector>
     */
    public function saidPoints(Vector $from): array;

    public function lay(Run $run): LaidRun;
}
