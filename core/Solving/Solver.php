<?php

declare(strict_types=1);

namespace Bowline\Solving;

use Bowline\Bending\BendTable;
use Bowline\Job;
use Bowline\Routing\Run;
use Bowline\Rules\Judge;

/** Solves a job run by run, without side effects. */
final readonly class Solver
{
    private Judge $judge;

    private Judge $quickJudge;

    /** @param  WorkBudget|null  $budget  of all previews together; null where they are few */
    public function __construct(
        private Job $job,
        private ?WorkBudget $budget = null,
    ) {
        $this->judge = Judge::of($job);
        $this->quickJudge = Judge::whileDragging($job);
    }

    /** @return list<SolvedRun> */
    public function all(): array
    {
        return array_map($this->run(...), array_values($this->job->runs));
    }

    public function run(Run $run): SolvedRun
    {
        $laid = $run->route->lay($run);

        return new SolvedRun(
            $laid, BendTable::of($laid), $this->judge->findingsWithRemedies($laid),
            $run->route->facts($run, true),
            true,
        );
    }

    /**
     * Solves a run without remedies, for use during a drag.
     *
     * @throws WorkBudgetSpent
     */
    public function preview(Run $run): SolvedRun
    {
        $laid = $run->route->lay($run);
        $this->budget?->spendOn($laid);

        return new SolvedRun(
            $laid,
            BendTable::of($laid),
            $this->quickJudge->findings($laid),
            $run->route->facts($run, false),
        );
    }
}
