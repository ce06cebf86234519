<?php

declare(strict_types=1);

namespace Bowline\Job\End\Standard;

/** A table of flanges of one standard, type and rating. */
interface FlangeTable
{
    /** Returns standard, type and rating, as a job file names it: "EN 1092-1 type 11 PN 16". */
    public function name(): string;

    /** @return non-empty-list<FlangeSize> ascending */
    public function sizes(): array;
}
