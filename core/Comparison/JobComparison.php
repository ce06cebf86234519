<?php

declare(strict_types=1);

namespace Bowline\Comparison;

use Bowline\Job;
use Bowline\Solving\SolvedRun;

/** What has become of each run from one state of a job to another. Runs are known by their ids. */
final readonly class JobComparison
{
    /** @param  list<RunComparison>  $runs  in the order of the job as it is now, those that are gone last */
    private function __construct(public array $runs)
    {
    }

    /**
     * @param  list<SolvedRun>  $before  all runs of the job as it was
     * @param  list<SolvedRun>  $after  all runs of the job as it is now
     */
    public static function of(Job $jobBefore, array $before, Job $jobAfter, array $after): self
    {
        $old = self::byId($before);
        $new = self::byId($after);
        [$openingsBefore, $openingsAfter] = [Opening::all($jobBefore), Opening::all($jobAfter)];
        $runs = [];
        foreach ($after as $run) {
            $id = $run->laid->run->id;
            $runs[] = isset($old[$id])
                ? RunComparison::of($old[$id], $run, $openingsBefore[$id] ?? [], $openingsAfter[$id] ?? [])
                : RunComparison::added($run);
        }
        foreach ($before as $run) {
            if (! isset($new[$run->laid->run->id])) {
                $runs[] = RunComparison::gone($run);
            }
        }

        return new self($runs);
    }

    /** Whether anything differs. */
    public function differs(): bool
    {
        $isSame = static fn (RunComparison $run): bool => $run->change === Change::Same;

        return array_filter($this->runs, $isSame) !== $this->runs;
    }

    /**
     * @param  list<SolvedRun>  $runs
     * @return array<string, SolvedRun>
     */
    private static function byId(array $runs): array
    {
        $byId = [];
        foreach ($runs as $run) {
            $byId[$run->laid->run->id] = $run;
        }

        return $byId;
    }
}
