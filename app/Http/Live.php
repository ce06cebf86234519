<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Job;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;

/**
 * What every window asks each second or two, answered by nginx from files without PHP (deploy/nginx.conf.in): the
 * revision of a job, and what each of its last changes has made new. The files of a job are in a folder of its own, and
 * are read by whoever has a link that holds for a short time, signed as nginx's secure_link module has it. A file that
 * is missing, or could not be written, leads to the whole question; each of these brings the files up to date.
 */
final class Live
{
    /** How long a link holds, s; also for how long somebody who is locked out can still read the files of a job. */
    public const SECONDS = 40;

    /** How many changes are kept before the last one, for windows that come to it one after another. */
    private const KEPT = 12;

    /** Largest file of one of these, bytes. */
    private const SMALL = 50_000;

    /** Returns the query by which a window may ask for the files of a job; null where they are not served. */
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
     * Brings the file with the revision of a job, and with a word that differs when others have come, gone or picked
     * something else, up to date. Nothing is done where it says that already.
     */
    public static function note(int $job): void
    {
        $folder = self::folder($job);
        if ($folder === null) {
            return;
        }
        // An edit is kept whether or not others are told of it by a file.
        rescue(static function () use ($folder, $job): void {
            self::make($folder);
            $lock = fopen($folder.'/lock', 'c');
            // One after another, so that a file never goes back to what somebody had read before.
            if ($lock !== false && flock($lock, LOCK_EX)) {
                self::write($folder, $job);
            }
        }, static fn (): bool => File::delete($folder.'/now.json'));
    }

    /** Whether files are served, and there is none of what the last change of a job has made new. */
    public static function wants(Job $job): bool
    {
        $folder = self::folder($job->id);

        return $folder !== null && ! is_file(self::news($folder, $job->revision));
    }

    /**
     * Keeps what the last change of a job has made new, for windows that only look.
     *
     * @param  string  $answer  JSON, as a window that had seen all before is answered
     */
    public static function keep(Job $job, string $answer): void
    {
        $folder = self::folder($job->id);
        if ($folder !== null) {
            rescue(static function () use ($folder, $job, $answer): void {
                self::make($folder);
                File::replace(self::news($folder, $job->revision), $answer);
            });
        }
    }

    /** Makes the folder of a job, which nobody else on the machine can read. */
    private static function make(string $folder): void
    {
        File::ensureDirectoryExists($folder, 0700);
    }

    private static function news(string $folder, int $revision): string
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
            self::forgetOld($folder, $now->revision);
        }
    }

    /** Deletes what was new so long ago that nobody goes on from there, and what is large unless it is the last. */
    private static function forgetOld(string $folder, int $revision): void
    {
        foreach (File::files($folder) as $file) {
            if (preg_match('/^since-\d+-(\d+)\.json$/D', $file->getFilename(), $at) === 1) {
                $behind = $revision - (int) $at[1];
                if ($behind > self::KEPT || ($behind > 0 && $file->getSize() > self::SMALL)) {
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
