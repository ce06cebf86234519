<?php

declare(strict_types=1);

namespace App\Editing;

use App\Models\Job;
use App\Models\Run as RunRow;
use App\Settling\SettledShape;
use Bowline\Exchange\MovedShapesJson;
use Bowline\Exchange\SegmentReader;
use Bowline\Job\Node;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;

/** Runs of a stored job as they are laid: one that bends is as it was solved, where nothing has changed since. */
final class LaidRuns
{
    /**
     * @param  array<string, Run>  $runs
     * @return list<LaidRun>
     */
    public static function of(Job $job, array $runs): array
    {
        $bent = array_filter($runs, static fn (Run $run): bool => $run->route->corners() === null);
        $kept = $bent === [] ? [] : RunRow::query()
            ->where('job_id', $job->id)
            ->whereIn('key', array_map(strval(...), array_keys($bent)))
            ->get(['key', 'solved_from', 'solution'])
            ->keyBy('key')
            ->all();
        $laid = [];
        foreach ($runs as $run) {
            $row = $kept[$run->id] ?? null;
            $path = $row?->solution !== null && $row->solved_from === KeptSolutions::hash($run)
                ? SegmentReader::path(new Node(json_decode($row->solution, false, 64, JSON_THROW_ON_ERROR)))
                : null;
            $shown = $path === null ? SettledShape::shown($job, $run) : $run;
            $laid[] = $path === null ? $shown->route->lay($shown) : LaidRun::curve($run, $path);
        }

        return $laid;
    }

    /**
     * Returns runs with their shapes over the movement, those that move as they were solved; of what is not solved yet
     * these are not known.
     *
     * @param  array<string, Run>  $runs
     * @return list<LaidRun>
     */
    public static function overMovement(Job $job, array $runs): array
    {
        $moving = array_filter($runs, static fn (Run $run): bool => $run->isMoving());
        $kept = $moving === [] ? [] : RunRow::query()
            ->where('job_id', $job->id)
            ->whereIn('key', array_map(strval(...), array_keys($moving)))
            ->whereNotNull('shapes')
            ->get(['key', 'solved_from', 'shapes'])
            ->keyBy('key')
            ->all();

        return array_map(static function (LaidRun $laid) use ($kept, $runs): LaidRun {
            $row = $kept[$laid->run->id] ?? null;
            $isKnown = $row !== null && $row->solved_from === KeptSolutions::hash($runs[$laid->run->id]);

            return $laid->withShapes($isKnown ? MovedShapesJson::read((string) $row->shapes) : null);
        }, self::of($job, $runs));
    }
}
