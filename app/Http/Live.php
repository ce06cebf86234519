<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Job;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;

/**
 * Files from which nginx answers what every window polls (deploy/nginx.conf.in), without PHP: the revision of a job
 * (now.json), and the change of each of its last revisions (since-OLD-NEW.json). A window reads the files of a job by a
 * query that expires, signed as nginx's secure_link module checks it. Where a file is missing, the window asks the API,
 * which writes it.
 */
final class Live
{
    /** Lifetime of a query, s. Somebody who is locked out can read the files of a job until it has passed. */
    public const SECONDS = 40;

    /** How many changes are stored before the last one. A window that is further behind reads the job. */
    private const EARLIER_CHANGES = 12;

    /** Largest of these, bytes. */
    private const LARGEST_EARLIER = 50_000;

    /** Returns the signed query by which a window reads the files of a job; null where none are served. */
    public static function query(Job $job): ?string
    {
        if (self::folder($job->id) === null) {
            return null;
        }
        $until = time() + self::SECONDS;
        $signature = md5(sprintf('%d %d %s', $job->id, $until, Config::string('people.live.key')), true);

        return sprintf('?until=%d&key=%s', $until, rtrim(strtr(base64_encode($signature), '+/', '-_'), '='));
    }

    /**
     * Writes now.json of a job, unless it is up to date: revision, step, and a hash that changes when somebody comes,
     * goes, or picks something else.
     */
    public static function refresh(int $job): void
    {
        $folder = self::folder($job);
        if ($folder === null) {
            return;
        }
        // An edit must not fail because a file could not be written.
        rescue(static function () use ($folder, $job): void {
            self::make($folder);
            $lock = fopen($folder.'/lock', 'c');
            // Processes that read and write by turns could replace a newer revision by an older one.
            if ($lock !== false && flock($lock, LOCK_EX)) {
                self::write($folder, $job);
            }
        }, static fn (): bool => File::delete($folder.'/now.json'));
    }

    /** Whether files are served, and that of the last change of a job is missing. */
    public static function lacksChange(Job $job): bool
    {
        $folder = self::folder($job->id);

        return $folder !== null && ! is_file(self::changeFile($folder, $job->revision));
    }

    /**
     * Stores the last change of a job.
     *
     * @param  string  $answer  JSON, as the API answers a window that has seen the revision before
     */
    public static function storeChange(Job $job, string $answer): void
    {
        $folder = self::folder($job->id);
        if ($folder !== null) {
            rescue(static function () use ($folder, $job, $answer): void {
                self::make($folder);
                File::replace(self::changeFile($folder, $job->revision), $answer);
            });
        }
    }

    /** Makes the folder of a job, readable by this user alone. */
    private static function make(string $folder): void
    {
        File::ensureDirectoryExists($folder, 0700);
    }

    private static function changeFile(string $folder, int $revision): string
    {
        return sprintf('%s/since-%d-%d.json', $folder, $revision - 1, $revision);
    }

    private static function write(string $folder, int $job): void
    {
        $now = Job::query()->find($job, ['revision', 'step']);
        if ($now === null) {
            File::deleteDirectory($folder, preserve: true);

            return;
        }
        $windows = DB::table('job_presences')->where('job_id', $job)
            ->where('seen_at', '>=', now()->subSeconds(Config::integer('people.present_seconds')))
            ->orderBy('window')->get(['window', 'picked']);
        $said = json_encode([
            'revision' => $now->revision, 'step' => $now->step, 'present' => md5($windows->toJson()),
        ], JSON_THROW_ON_ERROR);
        $file = $folder.'/now.json';
        if (! is_file($file) || File::get($file) !== $said) {
            File::replace($file, $said);
            self::deleteOldChanges($folder, $now->revision);
        }
    }

    /** Deletes changes that are too old, and large ones before the last. */
    private static function deleteOldChanges(string $folder, int $revision): void
    {
        foreach (File::files($folder) as $file) {
            if (preg_match('/^since-\d+-(\d+)\.json$/D', $file->getFilename(), $at) === 1) {
                $behind = $revision - (int) $at[1];
                if ($behind > self::EARLIER_CHANGES || ($behind > 0 && $file->getSize() > self::LARGEST_EARLIER)) {
                    File::delete($file->getPathname());
                }
            }
        }
    }

    /** Returns the folder of a job; null where no files are served, as behind an nginx.conf of an earlier version. */
    private static function folder(int $job): ?string
    {
        $folder = config('people.live.folder');

        return is_string($folder) && str_starts_with($folder, '/') ? $folder.'/'.$job : null;
    }
}
