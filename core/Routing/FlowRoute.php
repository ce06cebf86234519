<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Run;
use Bowline\Job\Site;
use Bowline\Routing\Flexible\Spline;

/** `flow`: a smooth curve through points, leaving and entering along the port axes, after any lead. */
final readonly class FlowRoute implements FlexibleRoute
{
    /** @param  list<Vector>  $points */
    private function __construct(public array $points)
    {
    }

    public static function read(Node $node, Site $site): self
    {
        return new self(array_map(
            static fn (Node $point): Vector => $site->values->vector($point->find('at') ?? $point), $node->get('points')->items(),
        ));
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
        $curve = Spline::through([$start, ...$this->points, $end], $run->from->axis, $run->to->axis?->times(-1.0));

        return LaidRun::curve($run, new Path(array_values(array_filter([
            $start->distanceTo($run->from->at) > 1e-9 ? new Line($run->from->at, $start) : null,
            $curve,
            $end->distanceTo($run->to->at) > 1e-9 ? new Line($end, $run->to->at) : null,
        ]))));
    }
}
