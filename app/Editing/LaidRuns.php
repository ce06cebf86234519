<?php

declare(strict_types=1);

namespace App\Editing;

use App\Models\Job;
use App\Models\Run as RunRow;
use App\Settling\SettledShape;
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
}
