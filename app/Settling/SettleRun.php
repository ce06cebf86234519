<?php

declare(strict_types=1);

namespace App\Settling;

use App\Editing\JobFiles;
use App\Editing\KeptSolutions;
use App\Models\Job;
use App\Models\Settling;
use Bowline\Job as CoreJob;
use Bowline\Routing\Flexible\SettlingStopped;
use Bowline\Solving\Solver;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use stdClass;

/** Settles a draped run, or solves a run for which no request had the time, on the queue, and stores the solution. */
final class SettleRun implements ShouldQueue
{
    use Queueable;

    /** A worker that was ended while settling takes the job up again when it is restarted. */
    public int $tries = 5;

    /** A job that exceeds the time limit is not retried: it would take as long again while others wait. */
    public bool $failOnTimeout = true;

    public int $timeout = 300;

    public function __construct(private readonly int $settling)
    {
    }

    public function handle(JobFiles $files): void
    {
        $settling = Settling::query()->find($this->settling);
        $job = $settling === null ? null : Job::query()->find($settling->job_id);
        if (
            $settling === null ||
            $job === null ||
            in_array($settling->state, ['stopped', 'failed'], true) ||
            ! $files->has($job, 'runs', $settling->key)
        ) {
            return;
        }
        $core = CoreJob::readOnly(
            $files->around($job, [$settling->key]),
            static fn (stdClass $run): bool => ($run->id ?? null) === $settling->key,
        );
        $run = $core->runs[$settling->key];
        if (KeptSolutions::hash($run) !== $settling->from) {
            // The run has changed meanwhile and is queued again in its new state.
            return;
        }
        $route = $run->route->settling();
        $watched = $route === null ? $run : $run->withRoute($route->watchedBy(new SettlingWatch($settling)));
        try {
            $solved = (new Solver($core))->run($watched);
        } catch (SettlingStopped) {
            return;
        }
        KeptSolutions::keep($job, $settling->key, $settling->from, $solved);
        $settling->delete();
    }

    /** Marks the run as failed, so that it does not appear to be settling. */
    public function failed(): void
    {
        Settling::query()->whereKey($this->settling)->update(['state' => 'failed']);
    }
}
