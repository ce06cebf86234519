<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Curves\Spline;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Adjustment;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Routing\Flexible\FlowLength;
use Bowline\Routing\Flexible\FlowPoint;
use Bowline\Routing\Flexible\Gate;

/**
 * `flow`: a smooth curve through points that leaves and enters along the port axes behind any lead. It is straight on
 * the axis of a clamp.
 */
final readonly class FlowRoute implements Route
{
    use RouteDefaults;

    /** A place that is nearer to a point is at it, mm. */
    public const AT_POINT = 0.01;

    /**
     * @param  list<FlowPoint>  $points
     * @param  array{float, float}  $pulls  how strongly the axes at its two ends pull
     * @param  array{float, float}  $knots  what its first and last span count, as multiples of their chords
     */
    private function __construct(
        public array $points,
        public array $pulls,
        public array $knots,
    ) {
    }

    public static function read(Node $node, Site $site): self
    {
        $pull = static fn (?Node $said): float => $said === null ? 1.0 : $site->values->positive($said, 'the pull');
        $knot = static fn (?Node $said): float => $said === null ? 1.0 : $site->values->positive($said, 'the knot');

        return new self(
            array_map(
                static fn (Node $point): FlowPoint => FlowPoint::read($point, $site),
                $node->get('points')->items(),
            ),
            [$pull($node->find('start_pull')), $pull($node->find('end_pull'))],
            [$knot($node->find('start_knot')), $knot($node->find('end_knot'))],
        );
    }

    public function saidPoints(Vector $from): array
    {
        return array_map(static fn (FlowPoint $point): Vector => $point->at, $this->points);
    }

    public function stopCount(): int
    {
        return count($this->points);
    }

    public function smooth(): self
    {
        return $this;
    }

    public function lay(Run $run): LaidRun
    {
        $fixed = $run->fixedLength;
        if ($fixed?->adjustment === null) {
            return $this->laid($run, $this->points);
        }
        $adjustment = $fixed->adjustment;
        $found = FlowLength::find(
            fn (float $move): float => $this->measured($run, $this->moved($adjustment, $move)),
            $fixed->length,
        );
        $move = $found->move ?? 0.0;
        $laid = $this->laid($run, $this->moved($adjustment, $move));

        return LaidRun::curve(
            $run,
            $laid->path,
            $laid->gates,
            $move,
            $found->move === null ? $found->nearestLength : null,
        );
    }

    /**
     * Returns how the spline is divided at a place on one of its curves (Spline::divided), and how many points and
     * clamps lie before it; a point at the place does not.
     *
     * @param  float  $along  developed length of the run, mm
     * @return array{Vector, float, float, int}|null null where no curve is
     */
    public function divided(Run $run, float $along): ?array
    {
        $at = $run->from->lead ?? 0.0;
        $before = 0;
        foreach ($this->stretches($run, $this->points) as [$points, $out, $into, $held, , $gate, $knots]) {
            $curve = Spline::through($points, $out, $into, $held, $knots);
            if ($along > $at && $along < $at + $curve->length()) {
                $division = Spline::divided($points, $out, $into, $held, $knots, $along - $at);
                foreach (array_slice($points, 1, -1) as $point) {
                    $before += $at + $curve->closestTo($point) < $along - self::AT_POINT ? 1 : 0;
                }

                return $division === null ? null : [...$division, $before];
            }
            $before += count($points) - 1;
            $at += $curve->length() + ($gate === null ? 0.0 : $gate->entry()->distanceTo($gate->exit()));
        }

        return null;
    }

    /** @return list<FlowPoint> with those that give moved along; a clamp stays */
    private function moved(Adjustment $adjustment, float $move): array
    {
        return array_map(
            static fn (FlowPoint $point, int $index): FlowPoint => in_array($index, $adjustment->stops, true)
                ? $point->movedBy($adjustment->along->times($move))
                : $point,
            $this->points, array_keys($this->points),
        );
    }

    /** @param  list<FlowPoint>  $through */
    private function measured(Run $run, array $through): float
    {
        $length = ($run->from->lead ?? 0.0) + ($run->to->lead ?? 0.0);
        foreach ($this->stretches($run, $through) as [$points, $along, $into, $held, , $gate, $knots]) {
            $length +=
                Spline::measured($points, $along, $into, $held, $knots) +
                ($gate === null ? 0.0 : $gate->entry()->distanceTo($gate->exit()));
        }

        return $length;
    }

    /** @param  list<FlowPoint>  $through */
    private function laid(Run $run, array $through): LaidRun
    {
        $start = $run->from->leadPoint() ?? $run->from->at;
        $end = $run->to->leadPoint() ?? $run->to->at;
        $segments = $start->distanceTo($run->from->at) > Tolerance::NOTHING ? [new Line($run->from->at, $start)] : [];
        $gates = [];
        $length = $segments === [] ? 0.0 : $segments[0]->length();
        foreach ($this->stretches($run, $through) as [$points, $along, $into, $held, $loose, $gate, $knots]) {
            $curve = Spline::through($points, $along, $into, $held, $knots);
            $segments[] = $curve;
            array_push(
                $gates,
                ...array_map(
                    static fn (Gate $one): array => [
                        $one,
                        $length + self::place($curve, $one),
                        $length + self::place($curve, $one),
                    ],
                    $loose,
                ),
            );
            $length += $curve->length();
            if ($gate !== null) {
                $straight = new Line($gate->entry(), $gate->exit());
                $gates[] = [$gate, $length, $length + $straight->length()];
                $length += $straight->length();
                $segments = $straight->length() > Tolerance::NOTHING ? [...$segments, $straight] : $segments;
            }
        }
        if ($end->distanceTo($run->to->at) > Tolerance::NOTHING) {
            $segments[] = new Line($end, $run->to->at);
        }

        return LaidRun::curve($run, new Path($segments), $gates);
    }

    /**
     * Divides the run into its curves, each up to a clamp or to the end.
     *
     * @param  list<FlowPoint>  $through
     * @return list<array{non-empty-list<Vector>, Vector|null, Vector|null, array<int, Vector>, list<Gate>, Gate|null,
     *     array{float, float}}> points, directions at both ends and between, the loose clamps on the way, the clamp at
     *     its end, and what its first and last span count
     */
    private function stretches(Run $run, array $through): array
    {
        $stretches = [];
        $knot = $this->knots[0];
        [$points, $held, $loose, $along] = [
            [$run->from->leadPoint() ?? $run->from->at],
            [],
            [],
            $run->from->axis?->times($this->pulls[0]),
        ];
        foreach ($through as $point) {
            $gate = $point->gate;
            if ($gate?->travel === null) {
                $loose = $gate === null ? $loose : [...$loose, $gate];
                if ($point->slope !== null) {
                    $held[count($points)] = $point->slope;
                }
                $points[] = $point->at;

                continue;
            }
            $stretches[] = [[...$points, $gate->entry()], $along, $gate->travel, $held, $loose, $gate, [$knot, 1.0]];
            $knot = 1.0;
            [$points, $held, $loose, $along] = [[$gate->exit()], [], [], $gate->travel];
        }
        $stretches[] = [
            [...$points, $run->to->leadPoint() ?? $run->to->at],
            $along,
            $run->to->axis?->times(-$this->pulls[1]),
            $held,
            $loose,
            null,
            [$knot, $this->knots[1]],
        ];

        return $stretches;
    }

    /** Returns the developed length at which a curve passes a loose clamp. */
    private static function place(Curve $curve, Gate $gate): float
    {
        $nearest = 0;
        foreach ($curve->points as $index => $point) {
            if ($point->distanceTo($gate->clamp->at) < $curve->points[$nearest]->distanceTo($gate->clamp->at)) {
                $nearest = $index;
            }
        }

        return $curve->along[$nearest];
    }
}
