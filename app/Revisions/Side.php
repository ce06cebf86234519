<?php

declare(strict_types=1);

namespace App\Revisions;

use App\Editing\JobFiles;
use App\Models\Job;
use App\Models\Revision;
use App\People\People;
use App\Settling\SettledRuns;
use Bowline\Job as CoreJob;
use Bowline\Job\JobError;
use Bowline\Solving\SolvedRun;
use Bowline\Solving\Solver;
use Illuminate\Support\Facades\Gate;
use stdClass;

/** One of two states of a job that are compared: as it is now, one of its revisions, another job, or a file. */
final readonly class Side
{
    /**
     * @param  Job|null  $job  null of a file
     * @param  string  $name  "revision A"
     * @param  list<SolvedRun>  $runs
     */
    private function __construct(
        public ?Job $job,
        public string $name,
        public CoreJob $core,
        public array $runs,
    ) {
    }

    /**
     * Reads "working", "revision:3" (by its number) or "job:12".
     *
     * @throws JobError when there is none of that name
     */
    public static function read(Job $job, string $word, JobFiles $files): self
    {
        [$kind, $number] = [...explode(':', $word, 2), ''];
        if ($kind === 'revision') {
            $revision = Revision::query()->where('job_id', $job->id)->where('number', (int) $number)->first();
            if ($revision !== null) {
                return self::of($revision->frozen, 'revision '.$revision->name, $files);
            }
        }
        $other = $kind === 'job' ? Job::query()->where('is_frozen', false)->find((int) $number) : null;
        $user = People::user();
        if ($other !== null && People::areOn() && ($user === null || ! Gate::forUser($user)->allows('see', $other))) {
            $other = null;
        }

        return match (true) {
            $word === 'working' => self::of($job, 'the job as it is', $files),
            $other !== null => self::of($other, $other->name, $files),
            default => throw JobError::at('', sprintf('there is no “%s” to compare with', $word)),
        };
    }

    /**
     * @param  stdClass  $file  a job file
     *
     * @throws JobError when it is none
     */
    public static function ofFile(stdClass $file, string $name): self
    {
        $core = CoreJob::read($file);
        $solver = new Solver($core);

        return new self(null, $name, $core, array_map($solver->preview(...), array_values($core->runs)));
    }

    private static function of(Job $job, string $name, JobFiles $files): self
    {
        $core = CoreJob::read($files->file($job));

        return new self($job, $name, $core, SettledRuns::solved($job, $core));
    }
}
