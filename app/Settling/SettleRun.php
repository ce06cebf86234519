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

/**
 * Lets a draped run settle, or solves one for which no request had the time, on the queue, and keeps what it comes to
 * as its solution.
 */
final class SettleRun implements ShouldQueue
{
    use Queueable;

    /** A server that is ended while it settles takes it up again when it is started. */
    public int $tries = 5;

    /** What takes longer than a worker waits is not tried again: it would take as long, and all others wait. */
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
            // It has been changed meanwhile, and is on the queue again as it is now.
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

    /** What cannot be settled does not go on saying that it does. */
    public function failed(): void
    {
        Settling::query()->whereKey($this->settling)->update(['state' => 'failed']);
    }
}
