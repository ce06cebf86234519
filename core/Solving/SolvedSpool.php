<?php

declare(strict_types=1);

namespace Bowline\Solving;

use Bowline\Routing\Spool;

/** A spool of a run, and what follows from it. */
final readonly class SolvedSpool
{
    /** @param  SolvedRun  $solved  the spool as a run by itself, with the findings of the whole run */
    public function __construct(
        public Spool $spool,
        public SolvedRun $solved,
    ) {
    }
}
