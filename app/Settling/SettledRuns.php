<?php

declare(strict_types=1);

namespace App\Settling;

use App\Editing\KeptRuns;
use Bowline\Job as CoreJob;
use Bowline\Routing\Run;
use Bowline\Solving\SolvedRun;
use Bowline\Solving\Solver;

/** Runs of a job solved for drawings and comparisons: without remedies, long shapes as they were stored. */
final class SettledRuns
{
    /**
     * @param  list<Run>|null  $runs  null for all
     * @return list<SolvedRun>
     */
    public static function solved(KeptRuns $job, CoreJob $core, ?array $runs = null): array
    {
        $solver = new Solver($core);

        return array_map(
            static fn (Run $run): SolvedRun => $solver->preview(SettledShape::of($job, $run)),
            $runs ?? array_values($core->runs),
        );
    }
}
