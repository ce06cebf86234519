<?php

declare(strict_types=1);

namespace App\Packs;

use App\Editing\JobFiles;
use App\Harness\RememberedPackings;
use App\Harness\SolvedHarnesses;
use App\Http\TemporaryFile;
use App\Models\Job;
use App\Models\Pack;
use App\Settling\SettledRuns;
use Bowline\Exchange\Pack\JobDocuments;
use Bowline\Exchange\Pack\Pack as Documents;
use Bowline\Job as CoreJob;
use Bowline\Job\JobError;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

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

    public function handle(JobFiles $files, RememberedPackings $packings): void
    {
        $begun = Pack::query()->whereKey($this->pack)->whereIn('state', ['waiting', 'working'])
            ->update(['state' => 'working']);
        $pack = $begun === 0 ? null : Pack::query()->find($this->pack);
        $job = $pack === null ? null : Job::query()->find($pack->job_id);
        if ($pack === null || $job === null) {
            return;
        }
        try {
            $content = $this->bound($pack, $job, $files, $packings);
        } catch (PackStopped) {
            return;
        } catch (JobError $error) {
            $this->fails($error->getMessage());

            return;
        }
        // Unless it was stopped at the last moment.
        Pack::query()->whereKey($this->pack)->where('state', 'working')
            ->update(['state' => 'done', 'part' => 1.0, 'content' => $content]);
    }

    /**
     * @throws PackStopped
     * @throws JobError when there is nothing to bind, or something cannot be drawn
     */
    private function bound(Pack $pack, Job $job, JobFiles $files, RememberedPackings $packings): string
    {
        $core = CoreJob::read($files->file($job));
        $date = $job->updated_at->format('Y-m-d');
        $runs = $pack->runs === null
            ? array_values($core->runs)
            : array_values(array_intersect_key($core->runs, array_flip($pack->runs)));
        $documents = (new JobDocuments(
            $core, SettledRuns::solved($job, $core, $runs), SolvedHarnesses::of($job, $core, $packings), $date,
        ))->of($pack->kinds);
        if ($documents === []) {
            throw JobError::at('/kinds', 'there is nothing of that in the job yet');
        }
        $report = fn (int $done) => $this->report($done / (count($documents) + 1));

        return $pack->format === 'zip'
            ? TemporaryFile::of(
                static fn (string $path) => Documents::zip($core, $documents, $date, $path, $report),
            )
            : Documents::pdf($core, $documents, $date, $report);
    }

    /** @throws PackStopped */
    private function report(float $part): void
    {
        $isWanted = Pack::query()->whereKey($this->pack)->where('state', 'working')->update(['part' => $part]);
        if ($isWanted === 0) {
            throw new PackStopped;
        }
    }

    /** Tells that it is not made, so that it does not appear to go on. */
    public function failed(): void
    {
        $this->fails('it took too long, or could not be written');
    }

    private function fails(string $problem): void
    {
        Pack::query()->whereKey($this->pack)->where('state', 'working')
            ->update(['state' => 'failed', 'problem' => ucfirst($problem).'.']);
    }
}
