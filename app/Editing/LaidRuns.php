<?php

declare(strict_types=1);

namespace App\Editing;

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
    public static function of(KeptRuns $job, array $runs): array
    {
        $kept = self::kept($job, array_filter($runs, static fn (Run $run): bool => $run->route->corners() === null));
        $laid = [];
        foreach ($runs as $run) {
            $solution = self::ofNow($kept, $run)?->solution;
            $path = $solution === null
                ? null
                : SegmentReader::path(new Node(json_decode($solution, false, 64, JSON_THROW_ON_ERROR)));
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
    public static function overMovement(KeptRuns $job, array $runs): array
    {
        $kept = self::kept($job, array_filter($runs, static fn (Run $run): bool => $run->isMoving()));

        return array_map(static function (LaidRun $laid) use ($kept, $runs): LaidRun {
            $shapes = self::ofNow($kept, $runs[$laid->run->id])?->shapes;

            return $laid->withShapes($shapes === null ? null : MovedShapesJson::read($shapes));
        }, self::of($job, $runs));
    }

    /**
     * @param  array<string, Run>  $runs
     * @return array<string, KeptRun>
     */
    private static function kept(KeptRuns $job, array $runs): array
    {
        return $runs === [] ? [] : $job->keptRuns(array_map(strval(...), array_keys($runs)));
    }

    /**
     * Returns what is kept of a run, where nothing has changed since it was solved.
     *
     * @param  array<string, KeptRun>  $kept
     */
    private static function ofNow(array $kept, Run $run): ?KeptRun
    {
        $row = $kept[$run->id] ?? null;

        return $row !== null && $row->solvedFrom === KeptSolutions::hash($run) ? $row : null;
    }
}
