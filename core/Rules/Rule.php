<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Routing\LaidRun;

/** One rule of the trade: takes a laid run and returns findings. */
interface Rule
{
    /** @return list<Finding> */
    public function check(LaidRun $laid): array;

    /**
     * Yields possible remedies, the likeliest first. They need not work: each is tried before it is offered.
     *
     * @return iterable<Remedy>
     */
    public function remedies(Finding $finding, LaidRun $laid): iterable;
}
