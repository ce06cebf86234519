<?php

declare(strict_types=1);

namespace App\Settling;

use App\Editing\JobFiles;
use App\Editing\KeptSolutions;
use App\Machines\Machines;
use App\Machines\MachinesAway;
use App\Machines\Report;
use App\Machines\RunCalculation;
use App\Machines\Task;
use App\Models\Job;
use App\Models\Settling;
use App\Queue\Failure;
use Bowline\Routing\Flexible\SettlingStopped;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use stdClass;
use Throwable;

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

    public function handle(JobFiles $files, Machines $machines): void
    {
        $settling = Settling::query()->find($this->settling);
        $job = $settling === null ? null : Job::query()->find($settling->job_id);
        if (
            $settling === null ||
            $job === null ||
            in_array($settling->state, ['stopped', 'failed'], true) ||
            ! $files->reader($job)->has('runs', $settling->key)
        ) {
            return;
        }
        $file = $files->around($job, [$settling->key]);
        $core = RunCalculation::read($file, $settling->key);
        $run = $core->runs[$settling->key];
        if (KeptSolutions::hash($run) !== $settling->from) {
            // The run has changed meanwhile and is queued again in its new state.
            return;
        }
        $watch = new SettlingWatch($settling);
        try {
            $columns = self::elsewhere($machines, $file, $settling->key, $watch)
                ?? RunCalculation::columns($core, $run, $watch);
        } catch (SettlingStopped) {
            return;
        }
        KeptSolutions::put($job, $settling->key, $settling->from, $columns);
        $settling->delete();
    }

    /** @return array<string, mixed>|null what another machine has worked out; null where none is there */
    private static function elsewhere(Machines $machines, stdClass $file, string $run, SettlingWatch $watch): ?array
    {
        try {
            return RunCalculation::kept($machines->answer(
                static fn (): Task => RunCalculation::task($file, $run), new Report($watch->told(...)),
            ));
        } catch (MachinesAway) {
            return null;
        }
    }

    /** Marks the run as failed, so that it does not appear to be settling. */
    public function failed(?Throwable $error = null): void
    {
        Settling::query()->whereKey($this->settling)
            ->update(['state' => 'failed', 'problem' => Failure::words($error, $this->timeout)]);
    }
}
