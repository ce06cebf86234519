<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

/** What came of a list of runs that were to be laid. */
final readonly class Batch
{
    /**
     * @param  array<int, Way>  $laid  by the number of the errand
     * @param  array<int, string>  $notLaid  why, by the number of the errand
     * @param  bool  $isWhole  whether it was gone through to the end, and not stopped
     */
    public function __construct(
        public array $laid,
        public array $notLaid,
        public bool $isWhole,
    ) {
    }
}
