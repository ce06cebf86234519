<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Job;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;

/**
 * What every window asks each second or two, answered by nginx from files without PHP (deploy/nginx.conf.in): the
 * revision of a job, and what was new in it. The files of a job are in a folder of its own, and are read by whoever has
 * a link that holds for a short time, signed as nginx's secure_link module has it. A file that is missing, or could not
 * be written, leads to the whole question; each of these brings the files up to date.
 */
final class Live
{
    /** How long a link holds, s; also for how long somebody who is locked out can still read the files of a job. */
    public const SECONDS = 40;

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
            File::ensureDirectoryExists($folder);
            $lock = fopen($folder.'/lock', 'c');
            // One after another, so that a file never goes back to what somebody had read before.
            if ($lock !== false && flock($lock, LOCK_EX)) {
                self::write($folder, $job);
            }
        }, static fn (): bool => File::delete($folder.'/now.json'));
    }

    /**
     * Keeps what was new in a job between two revisions, as it was answered, for other windows that only look.
     *
     * @param  string  $answer  JSON
     */
    public static function keep(Job $job, int $since, string $answer): void
    {
        $folder = self::folder($job->id);
        if ($folder === null) {
            return;
        }
        $file = sprintf('%s/since-%d-%d.json', $folder, $since, $job->revision);
        rescue(static fn () => File::replace($file, $answer));
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
        $revision = (string) $now->revision;
        if (! is_file($file) || File::get($file) !== $said) {
            File::replace($file, $said);
            // What was new before is asked for no more.
            foreach (File::files($folder) as $one) {
                if (preg_match('/^since-\d+-(\d+)\.json$/D', $one->getFilename(), $at) === 1 && $at[1] !== $revision) {
                    File::delete($one->getPathname());
                }
            }
        }
    }

    /** Returns the folder of a job; null where no files are served. */
    private static function folder(int $job): ?string
    {
        $folder = config('people.live.folder');

        return is_string($folder) && $folder !== '' ? $folder.'/'.$job : null;
    }
}
