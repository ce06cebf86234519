<?php

declare(strict_types=1);

namespace App\Editing;

use App\Models\Job;
use App\Models\Run as RunRow;
use App\Models\Settling;
use App\Queue\Tasks;
use App\Settling\SettleRun;
use App\Support\WorkBrokenOff;
use App\Support\WorkTime;
use Bowline\Exchange\MovedShapesJson;
use Bowline\Exchange\SolutionWriter;
use Bowline\Job as CoreJob;
use Bowline\Routing\ProvisionalRoute;
use Bowline\Routing\Run;
use Bowline\Solving\Outline;
use Bowline\Solving\SolvedRun;
use Bowline\Solving\Solver;
use Illuminate\Support\Facades\Config;

/** The stored solutions of the runs of a job, valid while nothing they follow from has changed. */
final readonly class KeptSolutions
{
    /**
     * Returns all solutions; solves only runs whose hash has changed, within the time limit of a request.
     *
     * @param  float|null  $seconds  BOWLINE_SOLVING_SECONDS by default
     * @return array<string, KeptSolution> by id of the run
     */
    public function of(Job $job, CoreJob $core, ?float $seconds = null): array
    {
        return WorkTime::limit(
            $seconds ?? Config::float('bowline.solving_seconds'),
            fn (WorkTime $time): array => $this->within($time, $job, $core),
        );
    }

    /** @return array<string, KeptSolution> */
    private function within(WorkTime $time, Job $job, CoreJob $core): array
    {
        $solver = new Solver($core);
        $solutions = [];
        $wanted = $job->runs();
        $wanted->whereIn('key', array_map(strval(...), array_keys($core->runs)));
        $rows = $wanted->get(['id', 'key', 'position', 'solved_from', 'solution', 'length']);
        $waiting = Settling::query()
            ->where('job_id', $job->id)
            ->get(['key', 'from'])
            ->mapWithKeys(static fn (Settling $one): array => [$one->key => $one->from])
            ->all();
        foreach ($rows->sortBy('position') as $row) {
            $run = $core->runs[$row->key];
            $from = self::hash($run);
            $solutions[$row->key] = ($row->solved_from === $from || $job->is_frozen ? self::kept($row) : null)
                ?? $this->solution($job, $solver, $run, $from, $time, $waiting[$row->key] ?? null);
        }

        return $solutions;
    }

    /**
     * Solves a changed run and stores the result; a run that takes too long is left to the queue.
     *
     * @param  string|null  $waiting  hash that its queued solution will follow from; null when none is queued
     */
    private function solution(
        Job $job,
        Solver $solver,
        Run $run,
        string $from,
        WorkTime $time,
        ?string $waiting,
    ): KeptSolution {
        $hanging = ProvisionalRoute::of($run);
        if ($hanging !== $run) {
            return $this->queued($job, $run, $from) ?? self::meanwhile($solver->preview($hanging), 'settling');
        }
        try {
            $solved = $waiting === $from ? null : $time->run(
                static fn (): SolvedRun => $solver->run($run), $from,
            );
        } catch (WorkBrokenOff) {
            $solved = null;
        }

        return $solved !== null
            ? self::keep($job, $run->id, $from, $solved)
            : $this->queued($job, $run, $from) ?? self::meanwhile(Outline::of($run), 'unsolved');
    }

    /** Stores the solution of a run. */
    public static function keep(Job $job, string $key, string $from, SolvedRun $solved): KeptSolution
    {
        return self::put($job, $key, $from, self::columns($solved));
    }

    /**
     * Returns what a row of a run keeps of its solution, by its columns.
     *
     * @return array<string, float|string|null>
     */
    public static function columns(SolvedRun $solved): array
    {
        $shapes = $solved->laid->shapes();

        return [
            'solution' => json_encode(
                SolutionWriter::run($solved),
                JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
            ),
            'length' => $solved->laid->length(),
            'shapes' => $shapes === null ? null : MovedShapesJson::write($shapes),
            ...NearbyRuns::extent($solved->laid),
        ];
    }

    /** @param  array<string, mixed>  $columns  of which there are `solution` and `length` */
    public static function put(Job $job, string $key, string $from, array $columns): KeptSolution
    {
        RunRow::query()->where('job_id', $job->id)->where('key', $key)->toBase()->update([
            'solved_from' => $from, ...$columns,
        ]);

        [$solution, $length] = [$columns['solution'], $columns['length']];
        assert(is_string($solution) && is_float($length));

        return new KeptSolution($solution, $length);
    }

    /**
     * Queues a run to be solved, once.
     *
     * @return KeptSolution|null its solution where the queue has finished already
     */
    private function queued(Job $job, Run $run, string $from): ?KeptSolution
    {
        $new = ['from' => $from, 'state' => 'waiting', 'part' => 0, 'points' => []];
        // Several windows may ask at once: the one whose row is created dispatches the job.
        $settling = Settling::query()->createOrFirst(['job_id' => $job->id, 'key' => $run->id], $new);
        $isNew =
            $settling->wasRecentlyCreated ||
            Settling::query()
                ->whereKey($settling->id)
                ->where('from', '!=', $from)
                ->toBase()
                ->update([...$new, 'points' => '[]']) > 0;
        if ($isNew) {
            Tasks::put(new SettleRun($settling->id));
        }

        $row = RunRow::query()
            ->where('job_id', $job->id)
            ->where('key', $run->id)
            ->where('solved_from', $from)
            ->first(['solution', 'length']);

        return $row === null ? null : self::kept($row);
    }

    /**
     * @param  'settling'|'unsolved'  $why
     * @return KeptSolution how a run is shown that is not solved yet
     */
    private static function meanwhile(SolvedRun $shown, string $why): KeptSolution
    {
        $json = json_encode(
            [...SolutionWriter::run($shown), 'status' => 'warning', $why => true],
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
        );

        return new KeptSolution($json, $shown->laid->length(), false);
    }

    /**
     * Returns the hash of a run as read, which includes all that its solution follows from: stock, ports, clamps,
     * values.
     */
    public static function hash(Run $run): string
    {
        return md5(Config::string('bowline.core').serialize($run));
    }

    private static function kept(RunRow $row): ?KeptSolution
    {
        return $row->solution === null || $row->length === null ? null : new KeptSolution($row->solution, $row->length);
    }
}
