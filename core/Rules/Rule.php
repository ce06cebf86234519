<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Routing\LaidRun;

/** One rule of the trade: a laid run in, findings out. */
interface Rule
{
    /** @return list<Finding> */
    public function check(LaidRun $laid): array;

    /**
     * What might cure a finding of this rule, the likeliest first. Suggestions need not work: each is
     * tried before it is offered.
     *
     * @return iterable<Remedy>
     */
    public function remedies(Finding $finding, LaidRun $laid): iterable;
}
