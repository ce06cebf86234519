<?php

declare(strict_types=1);

namespace App\Revisions;

use App\Models\Job;
use App\Models\Revision;
use App\Models\RevisionFile;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/**
 * The hashes of the revisions of a job: each is over all that the revision says, its files, the job as it was frozen,
 * and the hash of the one before. Whoever changes one has to change all that follow. The job keeps the hash of the
 * newest, which tells when that is missing.
 */
final class HashChain
{
    /** Returns the hash of a revision, from what is stored of it. */
    public static function of(Revision $revision): string
    {
        $files = $revision->files()->orderBy('name')->get(['name', 'type', 'content'])->map(
            static fn (RevisionFile $file): array => [$file->name, $file->type, hash('sha256', $file->content)],
        );

        return hash('sha256', json_encode([
            $revision->hash_before, $revision->number, $revision->name, $revision->issued_by, $revision->note,
            $revision->issued_at?->toIso8601String(), $files->all(), self::rows($revision),
        ], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE));
    }

    /** Returns the hash of the job that was frozen, with its items and solutions: what is shown of the revision. */
    private static function rows(Revision $revision): string
    {
        $hash = hash_init('sha256');
        $job = $revision->loadMissing('frozen')->frozen;
        hash_update($hash, json_encode([
            $job->name, $job->show_units, $job->up, $job->named_values, $job->extras,
        ], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE));
        foreach (Job::TABLES as $list => $table) {
            $rows = DB::table($table)->where('job_id', $job->id)->orderBy('position')->orderBy('id')
                ->get(['key', 'definition', ...$list === 'runs' ? ['solution'] : []]);
            hash_update($hash, json_encode([$list, $rows], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE));
        }

        return hash_final($hash);
    }

    /** Returns the hash that the next revision of a job goes on from; empty for the first. */
    public static function last(Job $job): string
    {
        return self::issued($job)->last()->hash ?? '';
    }

    /**
     * @return list<int> numbers of the revisions of a job that are not as they were issued, do not follow on, or are
     *     missing behind the last
     */
    public static function broken(Job $job): array
    {
        $broken = [];
        $before = '';
        foreach (self::issued($job) as $revision) {
            if ($revision->hash_before !== $before || $revision->hash !== self::of($revision)) {
                $broken[] = $revision->number;
            }
            $before = (string) $revision->hash;
        }

        $isLast = $before === Job::query()->whereKey($job->id)->value('last_hash');
        $last = self::issued($job)->last()->number ?? 0;

        return $isLast || in_array($last, $broken, true) ? $broken : [...$broken, $last + 1];
    }

    /** @return Collection<int, Revision> in order */
    private static function issued(Job $job): Collection
    {
        return Revision::query()->with('frozen')->where('job_id', $job->id)->where('state', 'issued')
            ->orderBy('number')->get();
    }
}
