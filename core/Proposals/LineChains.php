<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Editing\EditError;
use Bowline\Geometry\Arc;
use Bowline\Geometry\Segment;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\FileValue;
use Bowline\Job\Units;
use stdClass;

/**
 * Makes runs of loose lines and arcs: segments whose ends meet are chained, and arcs tangent to their neighbours become
 * bends with their radius. Ends that nearly meet, and points where more than two meet, are reported.
 */
final class LineChains
{
    /** Ends nearer than this meet, mm. */
    private const MEET = 1e-3;

    /** Ends farther apart than this are not reported as a gap, mm. */
    private const GAP = 10.0;

    /** Largest angle between an arc and its neighbour for the arc to be a bend, radians. */
    private const TANGENT = 1e-4;

    /** @var list<string> */
    private array $remarks = [];

    /** @var list<stdClass> */
    private array $routes = [];

    /** Start and end of every segment, in this order. */
    private readonly PointGrid $ends;

    /** @var array<int, Segment> those not chained yet */
    private array $loose;

    /** @param  list<Segment>  $segments */
    private function __construct(
        array $segments,
        private readonly Units $units,
        private readonly bool $areTrunks,
    ) {
        $this->loose = $segments;
        $this->ends = new PointGrid(self::MEET);
        foreach ($segments as $segment) {
            $this->ends->add($segment->start());
            $this->ends->add($segment->end());
        }
    }

    /**
     * @param  list<Segment>  $segments
     * @param  Units|null  $units  units of the remarks
     * @param  bool  $areTrunks  whether they are trunks of a harness, which meet where more than two lines do
     * @return array{list<stdClass>, list<string>} `from`, `to` and `route` of each run in the shape of the file;
     *     remarks
     */
    public static function of(array $segments, ?Units $units = null, bool $areTrunks = false): array
    {
        $chains = new self($segments, $units ?? Units::millimetres(), $areTrunks);
        if (! $areTrunks) {
            $chains->branches($segments);
        }
        $ends = [];
        while ($chains->loose !== []) {
            $chain = $chains->chain();
            $chains->addRun($chain);
            array_push($ends, $chain[0]->start(), $chain[count($chain) - 1]->end());
        }
        $chains->gaps($ends);

        return [$chains->routes, $chains->remarks];
    }

    /** @param  list<Segment>  $segments */
    private function branches(array $segments): void
    {
        $told = [];
        foreach ($segments as $segment) {
            foreach ([$segment->start(), $segment->end()] as $end) {
                $here = count($this->ends->near($end));
                $place = $this->place($end);
                if ($here > 2 && ! isset($told[$place])) {
                    $told[$place] = true;
                    $this->remarks[] = sprintf('%d lines meet at %s; a run goes on along one of them.', $here, $place);
                }
            }
        }
    }

    /** @param  list<Vector>  $ends  of the chains */
    private function gaps(array $ends): void
    {
        $grid = new PointGrid(self::GAP);
        array_walk($ends, $grid->add(...));
        foreach ($ends as $i => $one) {
            foreach ($grid->near($one) as $k) {
                if ($k <= $i) {
                    continue;
                }
                $gap = $one->distanceTo($ends[$k]);
                // The two ends of one chain have consecutive numbers; a ring that does not close is not a gap between
                // runs.
                $isOwn = $i % 2 === 0 && $k === $i + 1;
                if (! $isOwn && $gap >= self::MEET) {
                    $this->remarks[] = sprintf('A gap of %s at %s.', $this->units->say($gap), $this->place($one));
                }
            }
        }
    }

    /** @return non-empty-list<Segment> from one loose end, or round a ring, to the other */
    private function chain(): array
    {
        $first = array_key_first($this->loose) ?? throw new EditError('There is no line left.');
        $chain = [$this->loose[$first]];
        unset($this->loose[$first]);
        while (($next = $this->takeAt($chain[count($chain) - 1]->end())) !== null) {
            $chain[] = $next;
        }
        $ahead = [];
        while (($before = $this->takeAt(($ahead[count($ahead) - 1] ?? $chain[0])->start())) !== null) {
            $ahead[] = $before->reversed();
        }

        return [...array_reverse($ahead), ...$chain];
    }

    /**
     * Removes a loose segment that begins or ends at the point and returns it so that it begins there; null when there
     * is none.
     */
    private function takeAt(Vector $end): ?Segment
    {
        if ($this->areTrunks && count($this->ends->near($end)) > 2) {
            return null;
        }
        foreach ($this->ends->near($end) as $number) {
            // Each segment has two numbers, for its start and its end.
            $key = intdiv($number, 2);
            $segment = $this->loose[$key] ?? null;
            if ($segment !== null) {
                unset($this->loose[$key]);

                return $number % 2 === 0 ? $segment : $segment->reversed();
            }
        }

        return null;
    }

    /** @param  non-empty-list<Segment>  $chain */
    private function addRun(array $chain): void
    {
        $stops = [];
        $last = count($chain) - 1;
        foreach ($chain as $i => $segment) {
            $before = $chain[$i - 1] ?? null;
            if (is_finite($segment->leastRadius())) {
                if (! $this->isBend($segment, $before, $chain[$i + 1] ?? null)) {
                    return;
                }
                $reach = $segment->leastRadius() * tan($segment->turning() / 2);
                $stops[] = (object) [
                    'at' => self::numbers($segment->start()->plus($segment->directionAt(0.0)->times($reach))),
                    'corner' => (object) ['radius' => FileValue::roundForFile($segment->leastRadius())],
                ];
            } elseif (
                $before !== null &&
                is_infinite($before->leastRadius()) &&
                $segment->directionAt(0.0)->angleTo($before->directionAt(0.0)) >= Tolerance::NO_TURN
            ) {
                $stops[] = (object) ['at' => self::numbers($segment->start())];
            }
        }
        $this->routes[] = (object) [
            'from' => (object) ['at' => self::numbers($chain[0]->start())],
            'to' => (object) ['at' => self::numbers($chain[$last]->end())],
            'route' => (object) ['kind' => 'corners', 'stops' => $stops],
        ];
    }

    private function isBend(Segment $arc, ?Segment $before, ?Segment $after): bool
    {
        $turnsBefore = $before?->directionAt($before->length())->angleTo($arc->directionAt(0.0)) ?? 0.0;
        $turnsAfter = $after?->directionAt(0.0)->angleTo($arc->directionAt($arc->length())) ?? 0.0;
        $why = match (true) {
            $arc->turning() >= Tolerance::REVERSAL => 'turns by half a circle or more',
            max($turnsBefore, $turnsAfter) > self::TANGENT => 'is not tangent to what it joins',
            default => null,
        };
        if ($why !== null) {
            $this->remarks[] = sprintf(
                'The line with the arc of R %s at %s was left out: the arc %s.',
                $this->units->number($arc->leastRadius()),
                $this->place($arc->start()),
                $why,
            );
        }

        return $why === null;
    }

    private function place(Vector $at): string
    {
        return sprintf(
            '(%s, %s, %s)',
            $this->units->number($at->x),
            $this->units->number($at->y),
            $this->units->number($at->z),
        );
    }

    /** @return list<int|float> */
    private static function numbers(Vector $vector): array
    {
        return FileValue::vector($vector);
    }
}
