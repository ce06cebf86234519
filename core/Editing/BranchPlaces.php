<?php

declare(strict_types=1);

namespace Bowline\Editing;

use Bowline\Geometry\Path;
use Bowline\Geometry\Tolerance;
use Bowline\Job\FileValue;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Routing\RouteBook;
use stdClass;

/**
 * The place of a branch is told by its length from the start of its host. When the host becomes longer or shorter
 * before that place, or is reversed, and still goes through it, the branch stays there and its length is told anew.
 */
final class BranchPlaces
{
    /**
     * @param  stdClass  $before  the job file as it was
     * @param  stdClass  $after  the job file as it shall be
     * @return stdClass the same with branches where they were, on hosts that still go there
     */
    public static function fit(stdClass $before, stdClass $after): stdClass
    {
        // A branch that is itself a host goes first, whichever order they are in.
        for ($depth = count((new Node($after))->list('runs')); $depth > 0; $depth--) {
            $fitted = self::once($before, $after);
            if ($fitted === $after) {
                break;
            }
            $after = $fitted;
        }

        return $after;
    }

    private static function once(stdClass $before, stdClass $after): stdClass
    {
        $kept = self::keptIn($before, $after);
        if ($kept === []) {
            return $after;
        }
        $lengths = [];
        try {
            [$was, $is] = [RouteBook::site(new Node($before)), RouteBook::site(new Node($after))];
            foreach ($kept as [$id, $end, $host, $length]) {
                $asking = new Node($host);
                $now = self::length(
                    RouteBook::of($was)->laid($was, $host, $asking)->path,
                    RouteBook::of($is)->laid($is, $host, $asking)->path, $length,
                );
                if ($now !== null) {
                    $lengths[$id][$end] = $now;
                }
            }
        } catch (JobError) {
            // The job is wrong and will be refused for that.
            return $after;
        }
        if ($lengths === []) {
            return $after;
        }
        $fitted = clone $after;
        $fitted->runs = array_map(static function (Node $node) use ($lengths): stdClass {
            $run = clone $node->object();
            foreach ($lengths[$node->get('id')->text()] ?? [] as $end => $length) {
                $told = $node->get($end);
                $run->{$end} = (object) [...get_object_vars($told->object()), 'on' => (object) [
                    ...get_object_vars($told->get('on')->object()), 'length' => FileValue::roundForFile($length),
                ]];
            }

            return $run;
        }, (new Node($after))->list('runs'));

        return $fitted;
    }

    /**
     * Returns the ends that stand on the same run as before, at the same length that is told as a number.
     *
     * @return list<array{string, 'from'|'to', string, float}> run, end, host, and the length
     */
    private static function keptIn(stdClass $before, stdClass $after): array
    {
        $places = static function (stdClass $file): array {
            $found = [];
            foreach ((new Node($file))->list('runs') as $run) {
                foreach (['from', 'to'] as $end) {
                    $on = $run->find($end)?->find('on');
                    [$host, $length] = [$on?->find('run')?->value, $on?->find('length')?->value];
                    if (is_string($host) && (is_int($length) || is_float($length))) {
                        $id = $run->find('id')?->text() ?? '';
                        $found[$id.' '.$end] = [$id, $end, $host, (float) $length];
                    }
                }
            }

            return $found;
        };
        $old = $places($before);

        return $old === [] ? [] : array_values(array_filter(
            $places($after), static fn (array $place, string $key): bool => ($old[$key] ?? null) === $place,
            ARRAY_FILTER_USE_BOTH,
        ));
    }

    /** Returns the length along a path as it is now to where a length led before, mm; null where it is kept as told. */
    private static function length(Path $was, Path $is, float $told): ?float
    {
        if ($was->segments === [] || $is->segments === []) {
            return null;
        }
        $place = $was->pointAt($told);
        [$moved, $endMoved] = array_map(
            static fn (float $part) => $is->pointAt($part * $is->length)->minus($was->pointAt($part * $was->length)),
            [0.0, 1.0],
        );
        // A host that is moved as a whole takes its branches along, also along itself.
        $isMoved = $moved->length() > Tolerance::COINCIDENT && $moved->distanceTo($endMoved) < Tolerance::COINCIDENT
            && abs($is->length - $was->length) < Tolerance::COINCIDENT;
        $now = $is->closestTo($place);

        return $isMoved || $told > $was->length || $is->pointAt($now)->distanceTo($place) > Tolerance::COINCIDENT
            || abs($now - $told) < Tolerance::COINCIDENT ? null : $now;
    }
}
