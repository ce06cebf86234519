<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Job\End\Flange;

/** The flange of another run at a port of a fitting that a run is at too. */
final readonly class FlangeBeside
{
    /** @param  string  $name  of the run that it is on */
    public function __construct(
        public string $name,
        public RunEnd $end,
        public Flange $flange,
    ) {
    }
}
