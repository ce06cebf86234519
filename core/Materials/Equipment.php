<?php

declare(strict_types=1);

namespace Bowline\Materials;

use Bowline\Job;
use Bowline\Job\Node;
use Bowline\Job\PortName;
use Bowline\Solving\SolvedRun;

/** What the equipment of a job is, and what is connected to it. */
final class Equipment
{
    /** Returns the kind of part that a fitting is said to be; null where none is said. */
    public static function kindOf(Job $job, string $fitting): ?string
    {
        foreach ((new Node($job->source))->list('fittings') as $one) {
            if ($one->get('id')->text() === $fitting) {
                return $one->find('part')?->find('kind')?->text();
            }
        }

        return null;
    }

    /**
     * @param  list<SolvedRun>  $runs
     * @return list<string> names of the runs that end at a fitting
     */
    public static function runsAt(array $runs, string $fitting): array
    {
        $names = [];
        foreach ($runs as $run) {
            foreach ([$run->laid->run->from->port, $run->laid->run->to->port] as $port) {
                if ($port !== null && PortName::of($port)->fitting === $fitting) {
                    $names[] = $run->laid->run->name;
                }
            }
        }

        return array_values(array_unique($names));
    }
}
