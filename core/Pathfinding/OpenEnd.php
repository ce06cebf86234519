<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

use Bowline\Job;
use Bowline\Job\Port;
use Bowline\Routing\Run;

/** An end of a run in the open, from which another goes on: told by the run and the end, as `feed.to`. */
final class OpenEnd
{
    /** Returns it as a port that looks the way in which the run would go on; null where there is no such end. */
    public static function find(string $name, Job $job): ?Port
    {
        $run = self::run($name, $job);
        if ($run === null) {
            return null;
        }
        $isStart = str_ends_with($name, '.from');
        $end = $isStart ? $run->from : $run->to;
        if ($end->port !== null || $end->branch !== null) {
            return null;
        }
        $laid = $run->route->lay($run);
        $along = $laid->path->directionAt($isStart ? 0.0 : $laid->length());

        return new Port(
            $name, $end->at, $along->times($isStart ? -1.0 : 1.0),
            $laid->stockAtEnd($isStart ? 'from' : 'to')->portSize(), null, $run->name,
        );
    }

    /** Returns the run whose end a name is of, by its form. */
    public static function run(string $name, Job $job): ?Run
    {
        return preg_match('/^(.+)\.(?:from|to)$/', $name, $match) === 1 && ! isset($job->site->ports[$name])
            ? $job->runs[$match[1]] ?? null
            : null;
    }
}
