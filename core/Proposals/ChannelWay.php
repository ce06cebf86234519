<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\FileValue;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Port;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use Bowline\Rules\Finding;
use Bowline\Rules\Judge;
use Bowline\Rules\Severity;
use Generator;
use stdClass;

/**
 * The smoothest channel between two openings of a block: straight where that goes; else the curve of the largest least
 * radius among those that break no rule, with leads and pulls of several strengths, then with a point aside.
 */
final readonly class ChannelWay
{
    /** How strongly the axes of the openings pull. */
    private const PULLS = [0.5, 0.8, 1.2, 1.8];

    /** Leads behind the openings, as parts of their distance. */
    private const LEADS = [0.0, 0.1];

    /** How far a point in the middle is put aside, as parts of the distance of the openings; in so many directions. */
    private const ASIDE = [0.1, 0.2, 0.35];

    private const DIRECTIONS = 8;

    /** Radii that differ by less than this are as good, and the shorter curve is taken, mm. */
    private const AS_GOOD = 0.5;

    /** From this radius on a curve is as good as straight, mm. */
    private const STRAIGHT = 1e5;

    /** @param  Job  $job  with all channels that are there */
    public function __construct(private Job $job)
    {
    }

    /**
     * @param  stdClass  $run  a new run between both openings, with its `body`; its route does not matter
     * @return stdClass the same with the route that is best
     *
     * @throws JobError when it cannot be read
     */
    public function find(stdClass $run, Port $from, Port $to): stdClass
    {
        $best = null;
        foreach ([self::plain($from, $to), self::aside($from, $to)] as $routes) {
            $laid = [];
            foreach ($routes as [$route, $lead]) {
                $laid[] = $this->laid($run, $route, $lead);
            }
            usort($laid, self::byWorth(...));
            foreach ($laid as [$made, $one]) {
                $broken = $this->broken($one);
                if ($broken === 0) {
                    return $made;
                }
                $best = $best === null || $broken < $best[1] ? [$made, $broken] : $best;
            }
        }

        return $best[0] ?? $run;
    }

    /** @return Generator<array{stdClass, float}> routes with the lead at both ends, mm */
    private static function plain(Port $from, Port $to): Generator
    {
        $way = $to->at->minus($from->at);
        if ($way->length() > Tolerance::COINCIDENT && $way->unit()->plus($from->axis)->length() < Tolerance::NO_TURN
            && $way->unit()->minus($to->axis)->length() < Tolerance::NO_TURN) {
            yield [(object) ['kind' => 'corners', 'stops' => []], 0.0];
        }
        foreach (self::LEADS as $lead) {
            foreach (self::PULLS as $start) {
                foreach (self::PULLS as $end) {
                    yield [
                        (object) ['kind' => 'flow', 'points' => [], 'start_pull' => $start, 'end_pull' => $end],
                        round($lead * $way->length(), 1),
                    ];
                }
            }
        }
    }

    /** @return Generator<array{stdClass, float}> */
    private static function aside(Port $from, Port $to): Generator
    {
        $way = $to->at->minus($from->at);
        if ($way->length() < Tolerance::COINCIDENT) {
            return;
        }
        $middle = $from->at->plus($way->times(0.5));
        $first = $way->unit()->anySquare();
        $second = $way->unit()->cross($first);
        foreach (self::ASIDE as $part) {
            for ($i = 0; $i < self::DIRECTIONS; $i++) {
                $turn = 2 * M_PI * $i / self::DIRECTIONS;
                $point = $middle->plus($first->times($part * $way->length() * cos($turn)))
                    ->plus($second->times($part * $way->length() * sin($turn)));
                yield [
                    (object) ['kind' => 'flow', 'points' => [FileValue::vector(self::rounded($point))]],
                    round(self::LEADS[1] * $way->length(), 1),
                ];
            }
        }
    }

    private static function rounded(Vector $point): Vector
    {
        return new Vector(round($point->x, 1), round($point->y, 1), round($point->z, 1));
    }

    /**
     * @return array{stdClass, LaidRun} the run as told, and laid
     *
     * @throws JobError
     */
    private function laid(stdClass $run, stdClass $route, float $lead): array
    {
        $made = clone $run;
        $made->route = $route;
        foreach (['from', 'to'] as $end) {
            $made->{$end} = (object) [
                ...get_object_vars((new Node($run))->get($end)->object()),
                ...$lead > 0.0 ? ['lead' => FileValue::roundForFile($lead)] : [],
            ];
        }
        $read = Run::read(new Node($made), $this->job->site);

        return [$made, $read->route->lay($read)];
    }

    private function broken(LaidRun $laid): int
    {
        return count(array_filter(
            Judge::whileDragging($this->job)->findings($laid),
            static fn (Finding $one): bool => $one->severity === Severity::Violation,
        ));
    }

    /**
     * The largest least radius first, and of those that are as good the shortest.
     *
     * @param  array{stdClass, LaidRun}  $one
     * @param  array{stdClass, LaidRun}  $other
     */
    private static function byWorth(array $one, array $other): int
    {
        $steps = static fn (LaidRun $laid): float => round(
            min(self::STRAIGHT, $laid->path->leastRadius() ?? INF) / self::AS_GOOD,
        );

        return [-$steps($one[1]), $one[1]->length()] <=> [-$steps($other[1]), $other[1]->length()];
    }
}
