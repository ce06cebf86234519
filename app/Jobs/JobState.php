<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Job;
use App\Models\Run as RunRow;
use App\Models\Step;
use App\Models\TypedEntry;
use Bowline\Exchange\PlaceWriter;
use Bowline\Exchange\SolutionWriter;
use Bowline\Job\Job as CoreJob;
use Bowline\Job\Run;
use Bowline\Solver;
use Illuminate\Support\Facades\Config;

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

        return sprintf(
            '{"id":%d,"revision":%d,"saved_at":%s,"step":%d,"steps":%s,"entries":%s,"job":%s,"values":%s,"places":%s,"solutions":[%s],"sets":%s,"remembered":%s}',
            $job->id,
            $job->revision,
            json_encode($job->updated_at->toIso8601String(), $flags),
            $job->step,
            json_encode(self::steps($job), $flags),
            json_encode((object) $job->entries()->get()->mapWithKeys(
                static fn (TypedEntry $entry): array => [$entry->field => ['typed' => $entry->typed, 'value' => $entry->value]],
            )->all(), $flags),
            json_encode($file, $flags),
            json_encode((object) $core->site->values->all(), $flags),
            json_encode(PlaceWriter::write($core->site), $flags),
            implode(',', $solutions),
            json_encode(SolutionWriter::sets($core, array_map(self::length(...), $solutions)), $flags),
            json_encode($job->remembered, $flags),
        );
    }

    /** Reads the length out of a kept solution, without reading all of it. */
    private static function length(string $solution): float
    {
        return preg_match('/"length":([\d.eE+-]+),"cut_length"/', $solution, $match) === 1 ? (float) $match[1] : 0.0;
    }

    /** @return list<array{number: int, name: string, made_at: string, token: string|null}> those undone too, the first one first */
    private static function steps(Job $job): array
    {
        return array_values($job->steps()->get(['number', 'name', 'made_at', 'token'])->sortBy('number')->map(static fn (Step $step): array => [
            'number' => $step->number, 'name' => $step->name, 'made_at' => $step->made_at->toIso8601String(), 'token' => $step->token,
        ])->all());
    }

    /**
     * Solves only the runs that something they follow from has changed of.
     *
     * @return array<string, string> JSON of each solved run, by id
     */
    private function solutions(Job $job, CoreJob $core): array
    {
        $solver = new Solver($core);
        $solutions = [];
        foreach ($job->runs()->get(['id', 'key', 'position', 'solved_from', 'solution'])->sortBy('position') as $row) {
            $run = $core->runs[$row->key];
            $from = self::hash($run);
            if ($row->solved_from !== $from || $row->solution === null) {
                $row->solution = json_encode(
                    SolutionWriter::run($solver->run($run)), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
                );
                RunRow::query()->whereKey($row->id)->update(['solved_from' => $from, 'solution' => $row->solution]);
            }
            $solutions[$row->key] = $row->solution;
        }

        return $solutions;
    }

    /** A run as read holds all that its solution follows from: stock, ports, clamps and values worked in. */
    private static function hash(Run $run): string
    {
        return md5(Config::string('bowline.core').serialize($run));
    }
}
