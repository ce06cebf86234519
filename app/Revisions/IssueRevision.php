<?php

declare(strict_types=1);

namespace App\Revisions;

use App\Editing\JobFiles;
use App\Machines\Machines;
use App\Machines\Report;
use App\Models\Job;
use App\Models\Revision;
use App\Models\RevisionFile;
use App\Queue\Failure;
use Bowline\Job\JobError;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;
use LogicException;
use Throwable;

/** Makes the files of a revision on the queue, and issues it once all are there. */
final class IssueRevision implements ShouldQueue
{
    use Queueable;

    /** A worker that was ended meanwhile takes it up again when it is restarted. */
    public int $tries = 5;

    public bool $failOnTimeout = true;

    public int $timeout = 300;

    public function __construct(private readonly int $revision)
    {
    }

    public function handle(JobFiles $files, Machines $machines): void
    {
        $revision = Revision::query()->where('state', 'issuing')->find($this->revision);
        if ($revision === null) {
            return;
        }
        $revision->files()->delete();
        try {
            $made = $machines->work(RevisionQuestion::of($revision, $files), new Report(
                static function (array $told) use ($revision): void {
                    if (is_numeric($told['part'] ?? null)) {
                        $revision->update(['part' => $told['part']]);
                    }
                },
            ));
        } catch (JobError $error) {
            $this->failed($error);

            return;
        }
        foreach (is_array($made) ? $made : [] as $file) {
            [$name, $type, $content] = is_array($file) ? $file : throw new LogicException('no file');
            RevisionFile::query()->create([
                'revision_id' => $revision->id, 'name' => $name, 'type' => $type,
                'hash' => hash('sha256', is_string($content) ? $content : ''), 'content' => $content,
            ]);
        }
        $revision->issued_at = now();
        $hash = HashChain::of($revision);
        DB::transaction(static function () use ($revision, $hash): void {
            $revision->fill(['part' => 1.0, 'state' => 'issued', 'hash' => $hash])->save();
            Job::query()->whereKey($revision->job_id)->toBase()->update(['last_hash' => $hash]);
        });
    }

    /** Tells that it was not issued, so that it does not appear to go on. */
    public function failed(?Throwable $error = null): void
    {
        $revision = Revision::query()->where('state', 'issuing')->find($this->revision);
        $revision?->files()->delete();
        $revision?->update(['state' => 'failed', 'problem' => Failure::words($error, $this->timeout)]);
    }
}
