<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Run;
use Bowline\Job\Site;

/** One way of getting from port to port. A route is read from a run's "route" and lays the run along it. */
interface Route
{
    /** @throws JobError */
    public static function read(Node $node, Site $site): self;

    /** How many stops the designer gave; a fixed length names them by number. */
    public function stopCount(): int;

    public function lay(Run $run): LaidRun;
}
