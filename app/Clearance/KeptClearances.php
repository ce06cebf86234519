<?php

declare(strict_types=1);

namespace App\Clearance;

use App\Editing\JobFiles;
use App\Machines\JobCopy;
use App\Machines\Report;
use App\Models\ClearanceWork;
use App\Models\Job;
use App\Queue\Tasks;
use App\Support\WorkBrokenOff;
use App\Support\WorkTime;
use Illuminate\Support\Facades\Config;

/**
 * What in a job is too near to each other: found at once where that takes no longer than a second. What takes longer is
 * found on the queue, and kept while nothing that it follows from has changed.
 */
final readonly class KeptClearances
{
    private const AT_ONCE = 1.0;

    public function __construct(private JobFiles $files)
    {
    }

    /**
     * @return list<mixed>|ClearanceWork schema/solution.json, `solvedClearance`; or the work of finding that
     */
    public function of(Job $job): array|ClearanceWork
    {
        $key = self::key($job);
        $work = ClearanceWork::query()->where('job_id', $job->id)->first();
        if ($work === null) {
            try {
                return $this->atOnce($job, $key);
            } catch (WorkBrokenOff $brokenOff) {
                if ($brokenOff->isClientGone) {
                    throw $brokenOff;
                }
            }
        }
        $work = self::queued($job, $key);

        return $work->found ?? $work;
    }

    /** Returns a key that differs wherever the job, a solution of it, or the program does. */
    public static function key(Job $job): string
    {
        $solved = $job->runs()->orderBy('position')->pluck('solved_from', 'key')->all();

        return md5(serialize([Config::string('bowline.core'), $job->id, $job->revision, $solved]));
    }

    /** Queues it, once for a key; what was asked before is not wanted any more. */
    private static function queued(Job $job, string $key): ClearanceWork
    {
        $new = ['key' => $key, 'state' => 'waiting', 'part' => 0, 'found' => null];
        // Several windows may ask at once: the one that writes the row dispatches the work.
        $work = ClearanceWork::query()->createOrFirst(['job_id' => $job->id], $new);
        $isNew = $work->wasRecentlyCreated
            || ClearanceWork::query()->whereKey($work->id)->where('key', '!=', $key)->toBase()->update($new) > 0;
        if ($isNew) {
            Tasks::put(new FindClearances($work->id));
        }

        return $work->refresh();
    }

    /**
     * @return list<array<string, mixed>>
     *
     * @throws WorkBrokenOff where it takes too long, or whoever asked has gone
     */
    private function atOnce(Job $job, string $key): array
    {
        $question = new ClearanceQuestion(JobCopy::of($job, $this->files));

        return WorkTime::limit(self::AT_ONCE, static fn (WorkTime $time): array => $time->run(
            static fn (): array => $question->answer(Report::toNobody()), 'clearances '.$key,
        ));
    }
}
