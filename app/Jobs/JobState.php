<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Job;
use App\Models\Step;
use App\Models\TypedEntry;
use Bowline\Exchange\PlaceWriter;
use Bowline\Exchange\SolutionWriter;
use Bowline\Geometry\Tolerance;
use Bowline\Job as CoreJob;
use stdClass;

/** A job as the browser gets it: what was said, and what follows (schema/api.json, `jobState`). */
final readonly class JobState
{
    public function __construct(
        private JobFiles $files,
        private KeptSolutions $solutions,
    ) {
    }

    /** The state as JSON: solutions that still hold are passed on as they were kept. */
    public function json(Job $job): string
    {
        $file = $this->files->file($job);
        $core = CoreJob::read($file);
        $solutions = $this->solutions->of($job, $core);
        $flags = JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES;
        // A window asks for triangles by themselves.
        unset($file->meshes);

        return sprintf(
            '{"id":%d,"revision":%d,"saved_at":%s,"step":%d,"steps":%s,"entries":%s,"job":%s,"values":%s,"places":%s,"solutions":[%s],"sets":%s,"remembered":%s,"limits":%s}',
            $job->id,
            $job->revision,
            json_encode($job->updated_at->toIso8601String(), $flags),
            $job->step,
            json_encode(self::steps($job), $flags),
            json_encode(self::entries($job), $flags),
            json_encode($file, $flags),
            json_encode((object) $core->site->values->all(), $flags),
            json_encode(PlaceWriter::write($core->site), $flags),
            self::joined($solutions),
            json_encode(self::sets($core, $solutions), $flags),
            json_encode($job->remembered, $flags),
            json_encode(['reversal' => round(rad2deg(Tolerance::REVERSAL), 6)], $flags),
        );
    }

    /**
     * Only what is not as it was, for a window that has seen the job as it was just before (schema/api.json,
     * `jobChange`); null when all of it may be needed.
     */
    public function change(Kept $kept, ?int $since): ?string
    {
        $job = $kept->job;
        $isKnown = $since !== null && $job->revision === $since + 1 && $kept->changes !== [];
        if (! $isKnown || $kept->runs === null || ($job->extras->sets ?? []) !== []) {
            return null;
        }
        $items = $things = [];
        foreach ($kept->changes as $change) {
            $items[] = ['list' => $change->list, 'item' => $change->after];
            $things[] = $change->list.' '.$change->id;
            if ($change->list === 'surroundings') {
                array_push($things, ...$this->files->mountedOn($job, $change->id));
            }
        }
        $core = CoreJob::readOnly(
            $this->files->around($job, $kept->runs, [], $things), static fn (stdClass $run): bool => in_array($run->id ?? null, $kept->runs, true),
        );
        $flags = JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES;

        return sprintf(
            '{"change":true,"revision":%d,"saved_at":%s,"step":%d,"new_step":%s,"entries":%s,"items":%s,"places":%s,"solutions":[%s],"remembered":%s}',
            $job->revision,
            json_encode($job->updated_at->toIso8601String(), $flags),
            $job->step,
            json_encode(self::steps($job, $job->step)[0], $flags),
            json_encode(self::entries($job), $flags),
            json_encode($items, $flags),
            json_encode(PlaceWriter::only($core->site, $things), $flags),
            self::joined($this->solutions->of($job, $core)),
            json_encode($job->remembered, $flags),
        );
    }

    /** Solves what is not solved yet and keeps it, so that whoever opens the job first need not wait. */
    public function solve(Job $job, float $seconds): void
    {
        $this->solutions->of($job, CoreJob::read($this->files->file($job)), $seconds);
    }

    /**
     * @param  array<string, KeptSolution>  $solutions
     * @return list<array<string, mixed>>
     */
    private static function sets(CoreJob $core, array $solutions): array
    {
        $waiting = array_keys(array_filter($solutions, static fn (KeptSolution $one): bool => ! $one->isWorkedOut));

        return SolutionWriter::sets($core, array_map(static fn (KeptSolution $one): float => $one->length, $solutions), array_map(strval(...), $waiting));
    }

    /** @param  array<string, KeptSolution>  $solutions */
    private static function joined(array $solutions): string
    {
        return implode(',', array_map(static fn (KeptSolution $one): string => $one->json, $solutions));
    }

    /** What was typed, by field. */
    private static function entries(Job $job): stdClass
    {
        return (object) $job->entries()->get()->mapWithKeys(
            static fn (TypedEntry $entry): array => [$entry->field => ['typed' => $entry->typed, 'value' => $entry->value]],
        )->all();
    }

    /** @return list<array{number: int, name: string, made_at: string, token: string|null}> those undone too, the first one first */
    private static function steps(Job $job, ?int $only = null): array
    {
        return array_values($job->steps()->when($only !== null, static fn ($steps) => $steps->where('number', $only))->get(['number', 'name', 'made_at', 'token'])->sortBy('number')->map(static fn (Step $step): array => [
            'number' => $step->number, 'name' => $step->name, 'made_at' => $step->made_at->toIso8601String(), 'token' => $step->token,
        ])->all());
    }
}
