<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Curve;
use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Job\Node;
use Bowline\Job\Run;
use Bowline\Job\Site;
use Bowline\Routing\Flexible\FlowPoint;
use Bowline\Routing\Flexible\Gate;
use Bowline\Routing\Flexible\Spline;

/**
 * `flow`: a smooth curve through points, leaving and entering along the port axes, after any lead. On the axis of a
 * clamp it is straight.
 */
final readonly class FlowRoute implements FlexibleRoute
{
    /**
     * @param  list<FlowPoint>  $points
     * @param  array{float, float}  $pulls  how strongly the axes at its two ends pull
     */
    private function __construct(
        public array $points,
        public array $pulls,
    ) {
    }

    public static function read(Node $node, Site $site): self
    {
        $pull = static fn (?Node $said): float => $said === null ? 1.0 : $site->values->positive($said, 'the pull');

        return new self(
            array_map(static fn (Node $point): FlowPoint => FlowPoint::read($point, $site), $node->get('points')->items()),
            [$pull($node->find('start_pull')), $pull($node->find('end_pull'))],
        );
    }

    public function stopCount(): int
    {
        return 0;
    }

    public function ownEnds(): ?array
    {
        return null;
    }

    public function shortage(LaidRun $laid): ?array
    {
        return null;
    }

    public function asCut(Run $run): self
    {
        return $this;
    }

    public function span(Run $run): ?array
    {
        return null;
    }

    public function lay(Run $run): LaidRun
    {
        $start = $run->from->leadPoint() ?? $run->from->at;
        $end = $run->to->leadPoint() ?? $run->to->at;
        $segments = $start->distanceTo($run->from->at) > 1e-9 ? [new Line($run->from->at, $start)] : [];
        $gates = [];
        $length = $segments === [] ? 0.0 : $segments[0]->length();
        [$points, $held, $loose, $along] = [[$start], [], [], $run->from->axis?->times($this->pulls[0])];
        foreach ([...$this->points, null] as $point) {
            $gate = $point?->gate;
            if ($point !== null && $gate?->travel === null) {
                if ($gate !== null) {
                    $loose[] = $gate;
                }
                if ($point->slope !== null) {
                    $held[count($points)] = $point->slope;
                }
                $points[] = $point->at;

                continue;
            }
            // Up to a clamp or to the end is one curve.
            $curve = Spline::through([...$points, $gate?->entry() ?? $end], $along, $gate->travel ?? $run->to->axis?->times(-$this->pulls[1]), $held);
            $segments[] = $curve;
            array_push($gates, ...array_map(static fn (Gate $one): array => [$one, $length + self::place($curve, $one), $length + self::place($curve, $one)], $loose));
            $length += $curve->length();
            if ($gate !== null) {
                $straight = new Line($gate->entry(), $gate->exit());
                $gates[] = [$gate, $length, $length + $straight->length()];
                $length += $straight->length();
                $segments = $straight->length() > 1e-9 ? [...$segments, $straight] : $segments;
                [$points, $held, $loose, $along] = [[$gate->exit()], [], [], $gate->travel];
            }
        }
        if ($end->distanceTo($run->to->at) > 1e-9) {
            $segments[] = new Line($end, $run->to->at);
        }

        return LaidRun::curve($run, new Path($segments), $gates);
    }

    /** Developed length at which a curve goes through a tie. */
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
