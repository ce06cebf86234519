<?php

declare(strict_types=1);

namespace Bowline\Solving;

use Bowline\Routing\LaidRun;

/**
 * How much may be laid to answer one question: counted in points of runs, so that the same question ends in the same
 * answer on every machine. A point takes about 0.08 ms to lay and to judge.
 */
final class WorkBudget
{
    /** Points for the question of a hand that drags: about five seconds of work at most. */
    private const OF_A_QUESTION = 60_000;

    /** What laying and judging a run takes besides, in points. */
    private const EACH_RUN = 20;

    public function __construct(private int $left = self::OF_A_QUESTION)
    {
    }

    /**
     * Counts a run that has been laid.
     *
     * @throws WorkBudgetSpent when this was more than is left
     */
    public function spendOn(LaidRun $laid): void
    {
        $this->left -= self::EACH_RUN + count($laid->vertices);
        foreach ($laid->path->segments as $segment) {
            $this->left -= count($segment->knots()) - 2;
        }
        if ($this->left < 0) {
            throw new WorkBudgetSpent;
        }
    }
}
