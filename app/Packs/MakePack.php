<?php

declare(strict_types=1);

namespace App\Packs;

use App\Editing\JobFiles;
use App\Machines\JobCopy;
use App\Machines\Machines;
use App\Machines\Report;
use App\Models\Job;
use App\Models\Pack;
use App\Queue\Failure;
use Bowline\Job\JobError;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;

/** Draws the documents of a pack on the queue, and binds them; between two of them it looks whether it was stopped. */
final class MakePack implements ShouldQueue
{
    use Queueable;

    /** A worker that was ended meanwhile takes it up again when it is restarted. */
    public int $tries = 5;

    public bool $failOnTimeout = true;

    public int $timeout = 300;

    public function __construct(private readonly int $pack)
    {
    }

    public function handle(JobFiles $files, Machines $machines): void
    {
        $begun = Pack::query()->whereKey($this->pack)->whereIn('state', ['waiting', 'working'])
            ->update(['state' => 'working']);
        $pack = $begun === 0 ? null : Pack::query()->find($this->pack);
        $job = $pack === null ? null : Job::query()->find($pack->job_id);
        if ($pack === null || $job === null) {
            return;
        }
        try {
            $content = $machines->work(new PackQuestion(
                JobCopy::of($job, $files), $pack->kinds, $pack->runs, $pack->format,
                $job->updated_at->format('Y-m-d'),
            ), new Report($this->report(...)));
        } catch (PackStopped) {
            return;
        } catch (JobError $error) {
            $this->failed($error);

            return;
        }
        // Unless it was stopped at the last moment.
        Pack::query()->whereKey($this->pack)->where('state', 'working')
            ->update(['state' => 'done', 'part' => 1.0, 'content' => $content]);
    }

    /**
     * @param  array<string, mixed>  $told  empty where another machine has not told yet how far it is
     *
     * @throws PackStopped
     */
    private function report(array $told): void
    {
        $query = Pack::query()->whereKey($this->pack)->where('state', 'working');
        if (is_numeric($told['part'] ?? null) ? $query->update(['part' => $told['part']]) === 0 : ! $query->exists()) {
            throw new PackStopped;
        }
    }

    /** Tells that it is not made, so that it does not appear to go on. */
    public function failed(?Throwable $error = null): void
    {
        Pack::query()->whereKey($this->pack)->where('state', 'working')
            ->update(['state' => 'failed', 'problem' => Failure::words($error, $this->timeout)]);
    }
}
