<?php

declare(strict_types=1);

namespace Bowline\Routing;

/** What a spool is a part of. */
final readonly class RunPart
{
    /** @param  float  $from  developed length of the run at which the spool begins, mm */
    public function __construct(
        public LaidRun $run,
        public float $from,
    ) {
    }
}
