<?php

declare(strict_types=1);

namespace App\Editing;

use App\Models\Job;
use Bowline\Clearance\RunThing;
use Bowline\Geometry\Bounds;
use Bowline\Job as CoreJob;
use Bowline\Job\ClearanceTable;
use Bowline\Job\ItemRef;
use Bowline\Job\Node;
use Bowline\Job\StockKind;
use Bowline\Job\Values;
use Bowline\Proposals\NearLimit;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use stdClass;

/**
 * Reads of a job what is within reach of a box, so that a drag in a job of hundreds of runs asks about few: boxes that
 * hold the solved runs are kept beside their solutions.
 */
final class NearbyRuns
{
    /** A bundle counts as so much thicker than its path: what is in it is not known of the run, mm. */
    private const BUNDLE = 60.0;

    /** @return array<string, float|null> columns of a run for the box that holds it, null where it has no length */
    public static function extent(LaidRun $laid): array
    {
        $box = RunThing::of($laid)?->bounds();
        if ($laid->run->stock->kind === StockKind::Bundle) {
            $box = $box?->grown(self::BUNDLE);
        }

        return [
            'low_x' => $box?->low->x, 'low_y' => $box?->low->y, 'low_z' => $box?->low->z,
            'high_x' => $box?->high->x, 'high_y' => $box?->high->y, 'high_z' => $box?->high->z,
        ];
    }

    /**
     * Returns the job with the runs within reach of a box, and all that is no run.
     *
     * @param  float  $reach  mm
     * @param  list<string>  $runs  ids of others that are wanted
     * @param  list<stdClass>  $drafts  runs in their present state, whatever is stored of them
     */
    private static function job(JobReader $reader, Bounds $box, float $reach, array $runs, array $drafts): CoreJob
    {
        $ids = $reader->runsWithin($box->grown($reach));
        $file = $reader->near(array_values(array_unique([...$ids, ...$runs])), $drafts);
        // In the order of the job, what is not stored yet last.
        $place = array_flip($ids);
        $file->runs = array_map(static fn (Node $run): stdClass => $run->object(), (new Node($file))->list('runs'));
        usort($file->runs, static fn (stdClass $one, stdClass $other): int => self::place($place, $one)
            <=> self::place($place, $other));

        return CoreJob::read($file);
    }

    /** @param  array<int>  $places  by id */
    private static function place(array $places, stdClass $run): int
    {
        return $places[(new Node($run))->get('id')->text()] ?? PHP_INT_MAX;
    }

    /**
     * Returns what holds a drag at clearance, and knows what is nearest.
     *
     * @param  list<ItemRef>  $moved  what is dragged, and all that hangs on it
     * @param  list<stdClass>  $drafts  runs that are dragged and not stored
     * @param  float  $beyond  how much farther off than what has to be kept something may be, mm
     * @return callable(Bounds, list<LaidRun>): NearLimit
     */
    public static function limit(JobReader $reader, array $moved, array $drafts = [], float $beyond = 0.0): callable
    {
        return static function (Bounds $box, array $rest) use ($reader, $moved, $drafts, $beyond): NearLimit {
            $job = $reader->job;
            $header = new Node((object) ['values' => $job->named_values, ...get_object_vars($job->extras)]);
            $reach = ClearanceTable::read($header, Values::read($header->find('values')))->most();
            $core = self::job(
                $reader, $box, $reach + $beyond, $drafts === [] ? ItemRef::idsIn('runs', $moved) : [], $drafts,
            );

            return new NearLimit($core, self::laid($job, $core, $rest), $moved);
        };
    }

    /**
     * @param  array<mixed>  $rest  runs that are laid already
     * @return list<LaidRun> all runs, in the order of the job
     */
    private static function laid(Job $job, CoreJob $core, array $rest): array
    {
        $ready = [];
        foreach ($rest as $one) {
            if ($one instanceof LaidRun) {
                $ready[$one->run->id] = $one;
            }
        }
        foreach (LaidRuns::of($job, array_diff_key($core->runs, $ready)) as $one) {
            $ready[$one->run->id] = $one;
        }

        return array_values(array_filter(array_map(
            static fn (Run $run): ?LaidRun => $ready[$run->id] ?? null, $core->runs,
        )));
    }
}
