<?php

declare(strict_types=1);

namespace Bowline\Editing;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\FileValue;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Routing\LaidRun;
use Bowline\Routing\RouteBook;
use Bowline\Routing\Run;
use Bowline\Routing\VertexPlace;
use stdClass;

/**
 * The open end of a run that is being laid lies on its last corner, or at the end of its lead. When that corner moves,
 * the end moves with it instead of staying behind as a leg back.
 */
final class OpenEnds
{
    /**
     * @param  stdClass  $before  the job file as it was
     * @param  stdClass  $after  the job file as it shall be
     * @param  Job|null  $read  the job as it was, with those of its runs that have been read already
     * @return stdClass the same with its open ends where their last corners are
     */
    public static function fit(stdClass $before, stdClass $after, ?Job $read = null): stdClass
    {
        $open = array_filter(
            (new Node($before))->list('runs'),
            static fn (Node $run): bool => self::isOpen($run->object()),
        );
        if ($open === []) {
            return $after;
        }
        $ids = array_map(static fn (Node $run): string => $run->get('id')->text(), $open);
        try {
            $isRead = $read !== null && array_diff_key(array_flip($ids), $read->runs) === [];
            $was = $isRead ? $read : Job::readOnly(
                $before, static fn (stdClass $run): bool => in_array($run->id ?? null, $ids, true),
            );
            $site = RouteBook::site(new Node($after));
        } catch (JobError) {
            // The job is wrong and will be refused for that.
            return $after;
        }
        $fitted = clone $after;
        $fitted->runs = array_map(static function (Node $run) use ($was, $site): stdClass {
            $old = $was->runs[$run->find('id')?->text() ?? ''] ?? null;

            // A run without corners has no last one, and may take long to lay.
            return $old === null || ! self::isOpen($run->object()) || $old->route->corners() === null
                || ($old->route->stopCount() === 0 && $old->from->lead === null)
                ? $run->object()
                : self::followed($run->object(), $site, $old->route->lay($old));
        }, (new Node($after))->list('runs'));

        return $fitted;
    }

    /**
     * @param  stdClass  $run  as it shall stand in the file; never changed
     * @param  LaidRun  $before  as it was laid
     */
    public static function followed(stdClass $run, Site $site, LaidRun $before): stdClass
    {
        $corner = self::lastCorner($before);
        if (
            ! self::isOpen($run) ||
            $corner === null ||
            $corner->distanceTo($before->run->to->at) > Tolerance::COINCIDENT
        ) {
            return $run;
        }
        try {
            $read = Run::read(new Node($run), $site);
        } catch (JobError) {
            return $run;
        }
        $now = self::lastCorner($read->route->lay($read));
        // An end that was itself moved stays where it was put.
        $wasMoved = $read->to->at->distanceTo($before->run->to->at) > Tolerance::COINCIDENT;
        if ($now === null || $wasMoved || $now->distanceTo($read->to->at) < Tolerance::COINCIDENT) {
            return $run;
        }
        $copy = clone $run;
        $copy->to = (object) [
            ...get_object_vars((new Node($run))->get('to')->object()),
            'at' => FileValue::vector($now),
        ];

        return $copy;
    }

    private static function isOpen(stdClass $run): bool
    {
        $to = $run->to ?? null;

        return $to instanceof stdClass && ! isset($to->port) && ! isset($to->on) && ! isset($to->lead);
    }

    private static function lastCorner(LaidRun $laid): ?Vector
    {
        $corner = null;
        foreach ($laid->vertices as $vertex) {
            $isCorner = $vertex->stop !== null || $vertex->place === VertexPlace::FromLead;
            $corner = $isCorner ? $vertex->at : $corner;
        }

        return $corner;
    }
}
