<?php

declare(strict_types=1);

namespace Bowline\Solving;

use Bowline\Routing\LaidRun;

/**
 * Limits the work of one answer, counted in points of runs, so that the same question has the same answer on every
 * machine. A point takes about 0.08 ms to lay and judge.
 */
final class WorkBudget
{
    /** Points for one question during a drag: at most about five seconds of work. */
    private const OF_A_QUESTION = 60_000;

    /** Fixed work of laying and judging a run, in points. */
    private const EACH_RUN = 20;

    public function __construct(private int $left = self::OF_A_QUESTION)
    {
    }

    /**
     * Subtracts the work for a run that has been laid.
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
