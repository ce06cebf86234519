<?php

declare(strict_types=1);

namespace Bowline\Editing;

use Bowline\Editing\Edit\StandOn;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use stdClass;

/** A branch that is told another length along its host, and nothing else, takes the far end of its first leg along. */
final class BranchLegs
{
    /**
     * @param  stdClass  $before  the job file as it was
     * @param  stdClass  $after  the job file as it shall be
     * @return stdClass the same with the legs of branches where they still leave on their way out
     */
    public static function fit(stdClass $before, stdClass $after): stdClass
    {
        $old = [];
        foreach ((new Node($before))->list('runs') as $run) {
            $old[$run->get('id')->text()] = $run->object();
        }
        $moved = [];
        foreach ((new Node($after))->list('runs') as $run) {
            $id = $run->get('id')->text();
            foreach (['from', 'to'] as $end) {
                if (isset($old[$id]) && self::isMoved($old[$id], $run->object(), $end)) {
                    $moved[$id] = $end;
                }
            }
        }
        if ($moved === []) {
            return $after;
        }
        try {
            $job = Job::readOnly($before, static fn (stdClass $run): bool => isset($moved[self::idOf($run)]));
        } catch (JobError) {
            // The job is wrong and will be refused for that.
            return $after;
        }
        $fitted = clone $after;
        $fitted->runs = array_map(static function (Node $node) use ($job, $moved): stdClass {
            $id = $node->get('id')->text();
            $run = $job->runs[$id] ?? null;
            $end = $moved[$id] ?? 'from';
            $on = $node->find($end)?->find('on');
            if ($run === null || $on === null || $run->route->corners() === null) {
                return $node->object();
            }
            $along = $on->get('length')->value;

            return is_int($along) || is_float($along)
                ? RunDraft::of($run->route->lay($run))->apply(
                    new StandOn($end, $on->get('run')->text(), (float) $along),
                )->run()
                : $node->object();
        }, (new Node($after))->list('runs'));

        return $fitted;
    }

    /** @param  'from'|'to'  $end */
    private static function isMoved(stdClass $old, stdClass $new, string $end): bool
    {
        $lengths = array_map(
            static fn (stdClass $run): mixed => (new Node($run))->find($end)?->find('on')?->find('length')?->value,
            [$old, $new],
        );
        if ($lengths[0] === null || $lengths[1] === null || $lengths[0] === $lengths[1]) {
            return false;
        }
        $alike = static function (stdClass $run) use ($end): string {
            $at = (new Node($run))->get($end);
            $on = [...get_object_vars($at->get('on')->object()), 'length' => 0];

            return json_encode(
                [...get_object_vars($run), $end => [...get_object_vars($at->object()), 'on' => $on]],
                JSON_THROW_ON_ERROR,
            );
        };

        return $alike($old) === $alike($new);
    }

    private static function idOf(stdClass $run): string
    {
        return is_string($run->id ?? null) ? $run->id : '';
    }
}
