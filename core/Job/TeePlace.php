<?php

declare(strict_types=1);

namespace Bowline\Job;

/** Where a branch leaves a run by a bought tee. */
final readonly class TeePlace
{
    /**
     * @param  string  $run  id of the branch
     * @param  string  $name  of the branch
     * @param  float  $along  developed length of the run, as told, mm
     * @param  Section  $branch  of the branch
     */
    public function __construct(
        public string $run,
        public string $name,
        public float $along,
        public Section $branch,
    ) {
    }
}
