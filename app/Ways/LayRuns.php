<?php

declare(strict_types=1);

namespace App\Ways;

use App\Editing\JobFiles;
use App\Machines\JobCopy;
use App\Machines\Machines;
use App\Machines\Report;
use App\Models\Job;
use App\Models\LayWork;
use App\Queue\Failure;
use Bowline\Job\JobError;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;

/** Lays runs on the queue, and keeps what is found while it goes on. */
final class LayRuns implements ShouldQueue
{
    use Queueable;

    /** Least time between two looks at whether it was stopped, and two writes of what was found, s. */
    private const PAUSE = 0.2;

    /** After which the best so far is taken, s: before the limit of the worker. */
    private const SECONDS = 240.0;

    /** A worker that was ended meanwhile takes it up again when it is restarted. */
    public int $tries = 5;

    public bool $failOnTimeout = true;

    public int $timeout = 300;

    /** When it began, when it was last looked whether it was stopped, and when the answer was last written, s. */
    private float $begun = 0.0;

    private float $looked = 0.0;

    private float $written = 0.0;

    private bool $isStopped = false;

    public function __construct(private readonly int $work)
    {
    }

    public function handle(JobFiles $files, Machines $machines): void
    {
        $work = LayWork::query()->find($this->work);
        $job = $work === null ? null : Job::query()->find($work->job_id);
        // Unless it was stopped meanwhile.
        $begun = LayWork::query()
            ->whereKey($this->work)
            ->whereIn('state', ['waiting', 'working'])
            ->update(['state' => 'working']);
        if ($work === null || $job === null || $begun === 0) {
            return;
        }
        try {
            $question = WaysQuestion::of(JobCopy::of($job, $files), $work->body());
        } catch (JobError $error) {
            // The job has changed meanwhile: a port or a stock is gone.
            $this->failed($error);

            return;
        }
        $answer = $machines->work($question, new Report($this->report(...), $this->isOver(...)));
        LayWork::query()->whereKey($this->work)->update([
            'state' => 'done', 'answer' => json_encode($answer, JSON_THROW_ON_ERROR),
        ]);
    }

    /** Whether it was stopped, its job is gone, or its time is over. */
    private function isOver(): bool
    {
        $now = microtime(true);
        $this->begun = $this->begun === 0.0 ? $now : $this->begun;
        if (! $this->isStopped && $now - $this->looked > self::PAUSE) {
            $this->looked = $now;
            $this->isStopped = $now - $this->begun > self::SECONDS
                || LayWork::query()->whereKey($this->work)->where('state', 'working')->doesntExist();
        }

        return $this->isStopped;
    }

    /** @param  array<string, mixed>  $answer  empty where another machine has not told one yet */
    private function report(array $answer): void
    {
        if ($answer !== [] && microtime(true) - $this->written > self::PAUSE) {
            $this->written = microtime(true);
            LayWork::query()->whereKey($this->work)->update(['answer' => json_encode($answer, JSON_THROW_ON_ERROR)]);
        }
    }

    /** Marks the work as failed, so that it does not appear to go on. */
    public function failed(?Throwable $error = null): void
    {
        LayWork::query()->whereKey($this->work)
            ->update(['state' => 'failed', 'problem' => Failure::words($error, $this->timeout)]);
    }
}
