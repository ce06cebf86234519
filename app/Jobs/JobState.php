<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Job;
use App\Models\Run as RunRow;
use App\Models\Settling;
use App\Models\Step;
use App\Models\TypedEntry;
use App\Settling\SettleRun;
use App\Support\WorkBrokenOff;
use App\Support\WorkTime;
use Bowline\Exchange\PlaceWriter;
use Bowline\Exchange\SolutionWriter;
use Bowline\Geometry\Tolerance;
use Bowline\Job as CoreJob;
use Bowline\Routing\Run;
use Bowline\Routing\SettlingRoute;
use Bowline\Solving\Outline;
use Bowline\Solving\SolvedRun;
use Bowline\Solving\Solver;
use Illuminate\Support\Facades\Config;
use LogicException;
use stdClass;

/** A job as the browser gets it: what was said, and what follows (schema/api.json, `jobState`). */
final readonly class JobState
{
    public function __construct(private JobFiles $files)
    {
    }

    /** The state as JSON: solutions that still hold are passed on as they were kept. */
    public function json(Job $job): string
    {
        $file = $this->files->file($job);
        $core = CoreJob::read($file);
        $solutions = $this->solutions($job, $core);
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
            implode(',', $solutions),
            json_encode(SolutionWriter::sets($core, array_map(self::length(...), $solutions)), $flags),
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
            implode(',', $this->solutions($job, $core)),
            json_encode($job->remembered, $flags),
        );
    }

    /** Solves what is not solved yet and keeps it, so that whoever opens the job first need not wait. */
    public function solve(Job $job, float $seconds): void
    {
        $this->solutions($job, CoreJob::read($this->files->file($job)), $seconds);
    }

    /** What was typed, by field. */
    private static function entries(Job $job): stdClass
    {
        return (object) $job->entries()->get()->mapWithKeys(
            static fn (TypedEntry $entry): array => [$entry->field => ['typed' => $entry->typed, 'value' => $entry->value]],
        )->all();
    }

    /** Reads the length out of a kept solution, without reading all of it. */
    private static function length(string $solution): float
    {
        if (preg_match('/"length":([\d.eE+-]+),"cut_length"/', $solution, $match) !== 1) {
            throw new LogicException('SolutionWriter writes the length of a run just before its cut length');
        }

        return (float) $match[1];
    }

    /** @return list<array{number: int, name: string, made_at: string, token: string|null}> those undone too, the first one first */
    private static function steps(Job $job, ?int $only = null): array
    {
        return array_values($job->steps()->when($only !== null, static fn ($steps) => $steps->where('number', $only))->get(['number', 'name', 'made_at', 'token'])->sortBy('number')->map(static fn (Step $step): array => [
            'number' => $step->number, 'name' => $step->name, 'made_at' => $step->made_at->toIso8601String(), 'token' => $step->token,
        ])->all());
    }

    /**
     * Solves only the runs that something they follow from has changed of, as long as a request may take.
     *
     * @return array<string, string> JSON of each solved run, by id
     */
    private function solutions(Job $job, CoreJob $core, ?float $seconds = null): array
    {
        return WorkTime::limit($seconds ?? Config::float('bowline.solving_seconds'), fn (WorkTime $time): array => $this->solutionsWithin($time, $job, $core));
    }

    /** @return array<string, string> */
    private function solutionsWithin(WorkTime $time, Job $job, CoreJob $core): array
    {
        $solver = new Solver($core);
        $solutions = [];
        $wanted = $job->runs();
        $wanted->whereIn('key', array_map(strval(...), array_keys($core->runs)));
        $rows = $wanted->get(['id', 'key', 'position', 'solved_from', 'solution']);
        $waiting = Settling::query()->where('job_id', $job->id)->get(['key', 'from'])->mapWithKeys(static fn (Settling $one): array => [$one->key => $one->from])->all();
        foreach ($rows->sortBy('position') as $row) {
            $run = $core->runs[$row->key];
            $from = self::hash($run);
            $solutions[$row->key] = $row->solved_from === $from && $row->solution !== null
                ? $row->solution
                : $this->solution($job, $solver, $run, $from, $time, $waiting[$row->key] ?? null);
        }

        return $solutions;
    }

    /**
     * What a run that has changed comes to, kept where it took no longer than may be waited for; what takes longer is
     * left to the queue.
     *
     * @param  string|null  $waiting  what its solution on the queue will follow from, null when none is waited for
     */
    private function solution(Job $job, Solver $solver, Run $run, string $from, WorkTime $time, ?string $waiting): string
    {
        if ($run->route instanceof SettlingRoute && $run->route->takesLong($run)) {
            $route = $run->route;

            return $this->queued($job, $run, $from)
                ?? self::meanwhile($solver->preview($run->withRoute($route->unsettled())), 'settling');
        }
        try {
            $solved = $waiting === $from ? null : $time->run(static fn (): SolvedRun => $solver->run($run));
        } catch (WorkBrokenOff) {
            $solved = null;
        }

        return $solved !== null
            ? self::keep($job, $run->id, $from, $solved)
            : $this->queued($job, $run, $from) ?? self::meanwhile(Outline::of($run), 'unsolved');
    }

    /** @return string JSON of the solution, as it is kept from now on */
    public static function keep(Job $job, string $key, string $from, SolvedRun $solved): string
    {
        $solution = json_encode(SolutionWriter::run($solved), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
        RunRow::query()->where('job_id', $job->id)->where('key', $key)->toBase()->update(['solved_from' => $from, 'solution' => $solution]);

        return $solution;
    }

    /**
     * Puts a run on the queue to be solved there, once.
     *
     * @return string|null JSON of its solution where the queue has been quick
     */
    private function queued(Job $job, Run $run, string $from): ?string
    {
        $new = ['from' => $from, 'state' => 'waiting', 'part' => 0, 'points' => []];
        // Several windows ask at once: the one that writes it puts it on the queue.
        $settling = Settling::query()->createOrFirst(['job_id' => $job->id, 'key' => $run->id], $new);
        $isNew = $settling->wasRecentlyCreated || Settling::query()->whereKey($settling->id)->where('from', '!=', $from)->toBase()->update([...$new, 'points' => '[]']) > 0;
        if ($isNew) {
            SettleRun::dispatch($settling->id);
        }

        return RunRow::query()->where('job_id', $job->id)->where('key', $run->id)->where('solved_from', $from)->first(['solution'])?->solution;
    }

    /**
     * @param  'settling'|'unsolved'  $why
     * @return string JSON of how a run is shown that is not solved yet
     */
    private static function meanwhile(SolvedRun $shown, string $why): string
    {
        return json_encode([...SolutionWriter::run($shown), 'status' => 'warning', $why => true], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    /** A run as read holds all that its solution follows from: stock, ports, clamps and values worked in. */
    public static function hash(Run $run): string
    {
        return md5(Config::string('bowline.core').serialize($run));
    }
}
