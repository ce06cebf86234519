<?php

declare(strict_types=1);

namespace Bowline\Job;

/** Where a branch leaves a run by a bought tee. */
final readonly class TeePlace
{
    /**
     * @param  float  $along  developed length of the run, as told, mm
     * @param  Section  $branch  of the branch
     */
    public function __construct(
        public float $along,
        public Section $branch,
    ) {
    }
}
