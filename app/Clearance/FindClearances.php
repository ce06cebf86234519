<?php

declare(strict_types=1);

namespace App\Clearance;

use App\Editing\JobFiles;
use App\Machines\JobCopy;
use App\Machines\Machines;
use App\Machines\Report;
use App\Models\ClearanceWork;
use App\Models\Job;
use App\Queue\Failure;
use Bowline\Job\JobError;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;

/** Finds on the queue what in a job is too near to each other, and keeps it. */
final class FindClearances implements ShouldQueue
{
    use Queueable;

    /** Least time between two writes of how far it has come, s. */
    private const PAUSE = 0.15;

    /** A worker that was ended meanwhile takes it up again when it is restarted. */
    public int $tries = 5;

    /** What takes too long is not tried again: it would take as long while others wait. */
    public bool $failOnTimeout = true;

    public int $timeout = 300;

    private float $told = 0.0;

    public function __construct(private readonly int $work)
    {
    }

    public function handle(JobFiles $files, Machines $machines): void
    {
        $work = ClearanceWork::query()->find($this->work);
        $job = $work === null ? null : Job::query()->find($work->job_id);
        if ($work === null || $job === null || ! in_array($work->state, ClearanceWork::UNDER_WAY, true)
            || $work->key !== KeptClearances::key($job)) {
            // Stopped, or the job has changed meanwhile and is looked at anew once somebody asks.
            return;
        }
        try {
            $found = $machines->work(
                new ClearanceQuestion(JobCopy::of($job, $files)),
                new Report(fn (array $told) => $this->report($work, $told['part'] ?? 0.0)),
            );
        } catch (ClearancesStopped) {
            return;
        } catch (JobError $error) {
            $this->failed($error);

            return;
        }
        // Unless it was stopped at the last moment.
        ClearanceWork::query()->whereKey($work->id)->where('key', $work->key)
            ->whereIn('state', ClearanceWork::UNDER_WAY)->toBase()->update([
                'state' => 'done', 'part' => 1.0, 'found' => json_encode($found, JSON_THROW_ON_ERROR),
            ]);
    }

    /** @throws ClearancesStopped when it was stopped, or the job has changed */
    private function report(ClearanceWork $work, mixed $part): void
    {
        if (microtime(true) - $this->told < self::PAUSE) {
            return;
        }
        $this->told = microtime(true);
        $isWanted = ClearanceWork::query()->whereKey($work->id)->where('key', $work->key)
            ->whereIn('state', ClearanceWork::UNDER_WAY)
            ->update(['state' => 'working', 'part' => is_numeric($part) ? $part : 0.0]);
        if ($isWanted === 0) {
            throw new ClearancesStopped;
        }
    }

    /** Tells that it is not found, so that it does not appear to go on. */
    public function failed(?Throwable $error = null): void
    {
        ClearanceWork::query()->whereKey($this->work)->whereIn('state', ClearanceWork::UNDER_WAY)
            ->update(['state' => 'failed', 'problem' => Failure::words($error, $this->timeout)]);
    }
}
