<?php

declare(strict_types=1);

namespace App\Editing;

use App\Harness\KeptMovements;
use App\Harness\RememberedPackings;
use App\Http\Resources\JobChangeResource;
use App\Http\Resources\JobResource;
use App\Models\Job;
use Bowline\Exchange\PlaceWriter;
use Bowline\Job as CoreJob;
use Bowline\Job\ItemRef;
use Bowline\Solving\HarnessSolver;
use stdClass;

/** What is sent to a window: the whole state of a job, or what one edit has changed. */
final readonly class JobState
{
    public function __construct(
        private JobFiles $files,
        private KeptSolutions $solutions,
        private RememberedPackings $packings,
    ) {
    }

    public function whole(Job $job): JobResource
    {
        $file = $this->files->file($job);
        $core = CoreJob::read($file);

        // They are solved before the harnesses, which go by their movements.
        $solutions = $this->solutions->of($job, $core);
        $solver = new HarnessSolver($core, $this->packings, new KeptMovements($job));

        return new JobResource($job, $file, $core, $solutions, $solver->all());
    }

    /**
     * Returns only what has changed, for a window that has seen the previous revision; null when all of it may be
     * needed.
     */
    public function change(EditResult $kept, ?int $since): ?JobChangeResource
    {
        $job = $kept->job;
        $isKnown = $since !== null && $job->revision === $since + 1 && $kept->changes !== [];
        if (
            ! $isKnown || $kept->runs === null || ($job->extras->sets ?? []) !== []
            || array_intersect($kept->runs, array_merge(...$job->madeTogether())) !== []
        ) {
            return null;
        }

        return $this->only($job, $this->files->reader($job), $kept->changes, $kept->runs, $since);
    }

    /**
     * Returns only what has changed since a revision that a window has seen, by whomever; null when all of it may be
     * needed, or that is not known any more.
     */
    public function since(Job $job, int $seen): ?JobChangeResource
    {
        if (($job->extras->sets ?? []) !== []) {
            return null;
        }
        $changes = NewSteps::changes($job, $seen);
        if ($changes === null) {
            return null;
        }
        $reader = $this->files->reader($job);
        $runs = array_merge(...array_map(
            static fn (Change $one): array => $reader->hangingOn(ItemRef::of($one->list, $one->id)), $changes,
        ));
        if (array_intersect($runs, array_merge(...$job->madeTogether())) !== []) {
            return null;
        }

        return $this->only($job, $reader, $changes, array_values(array_unique($runs)), $seen);
    }

    /**
     * @param  list<Change>  $changes
     * @param  list<string>  $runs  ids of those that may follow from them
     */
    private function only(Job $job, JobReader $reader, array $changes, array $runs, int $seen): JobChangeResource
    {
        $items = [];
        foreach ($changes as $change) {
            $items[] = ItemRef::of($change->list, $change->id);
            if ($change->list === 'surroundings') {
                array_push($items, ...$reader->mountedOn($change->id));
            }
        }
        $core = CoreJob::readOnly(
            $reader->around($runs, [], $items),
            static fn (stdClass $run): bool => in_array($run->id ?? null, $runs, true),
        );

        return new JobChangeResource(
            $job, $changes, PlaceWriter::only($core->site, $items), $this->solutions->of($job, $core), $seen,
        );
    }

    /** Solves and stores what is not solved yet, so that the first window need not wait. */
    public function solve(Job $job, float $seconds): void
    {
        $this->solutions->of($job, CoreJob::read($this->files->file($job)), $seconds);
    }
}
