<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Curves\LeadOff;
use Bowline\Curves\Winding;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\Segment;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\End\OpenEnd;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\RunEnd;
use Bowline\Job\Site;
use Bowline\Job\Values;

/** `wrap`: a helix wound round another run along its bends. */
final readonly class WrapRoute implements Route
{
    use RouteDefaults;

    /** Most runs wound on one another: each has all the turns of those below it besides its own. */
    private const MOST_DEEP = 4;

    /** @param  int  $depth  how many are wound on one another up to this one */
    private function __construct(private Curve $curve, private int $depth)
    {
    }

    public static function read(Node $node, Site $site): self
    {
        $values = $site->values;
        $hostNode = $node->get('host');
        $host = RouteBook::of($site)->laid($site, $hostNode->text(), $hostNode);
        $depth = 1 + $host->run->route->windingDepth();
        if ($depth > self::MOST_DEEP) {
            throw $hostNode->error(
                sprintf('%d runs are wound on one another there already, and no more may be', self::MOST_DEEP),
            );
        }
        $from = $values->notNegative($node->get('from_length'), 'where it begins');
        $to = $values->number($node->get('to_length'));
        if ($to <= $from) {
            throw $node->get('to_length')->error('it must end farther along the host than it begins');
        }
        if ($to > $host->length() + Tolerance::COINCIDENT) {
            throw $node->get('to_length')->error(sprintf('the host is only %.1f mm long', $host->length()));
        }
        $pitch = self::pitch($node, $to - $from, $values);
        $gap = $values->notNegative($node->find('gap'), 'the gap');
        $hand = $node->find('hand')->value ?? 'right';
        if ($hand !== 'right' && $hand !== 'left') {
            throw $node->get('hand')->error('a hand is “right” or “left”');
        }
        $angle = $node->find('start_angle');
        $od = RouteBook::of($site)->stock($site)->section->outsideDiameter;
        $radius = $host->run->stock->section->outsideDiameter / 2 + $gap + $od / 2;

        return new self(
            Winding::round(
                $host->path,
                $from,
                min($to, $host->length()),
                $radius,
                $hand === 'left' ? -$pitch : $pitch,
                ($angle === null ? 0.0 : deg2rad($values->number($angle))) +
                    self::beside($node, $radius, $pitch, $od, $values) * ($hand === 'left' ? -1.0 : 1.0),
                $site->up,
            ),
            $depth,
        );
    }

    /**
     * Returns the length along the host for one turn; INF without turns, beside the host.
     *
     * @throws JobError
     */
    private static function pitch(Node $node, float $along, Values $values): float
    {
        $turns = $node->find('turns');
        if ($turns === null) {
            return $values->positive($node->get('pitch'), 'the pitch');
        }
        $count = $values->notNegative($turns, 'the number of turns');

        return $count > 0.0 ? $along / $count : INF;
    }

    /**
     * Returns the start angle of one of several strands side by side, with `strand` strands before it and a gap of
     * `apart` between neighbours.
     *
     * @return float radians
     *
     * @throws JobError when there is no room round the host for so many
     */
    private static function beside(Node $node, float $radius, float $pitch, float $od, Values $values): float
    {
        $strand = $node->find('strand');
        if ($strand === null) {
            return 0.0;
        }
        $number = $values->count($strand, 'the number of a strand');
        $apart = $od + $values->notNegative($node->find('apart'), 'how far apart the strands are');
        $step = Winding::turnApart($radius, $pitch, $apart);
        $most = (int) floor(2 * M_PI / $step + Tolerance::PARALLEL);
        if ($number >= max(1, $most)) {
            throw $strand->error($most <= 1
                ? 'there is room for one strand and none beside it'
                : sprintf('there is room for %d strands side by side', $most));
        }

        return $step * $number;
    }

    public function saidPoints(Vector $from): array
    {
        return [];
    }

    public function ownEnds(): array
    {
        return [
            new RunEnd($this->curve->start(), null, null, null, 0.0, new OpenEnd, false),
            new RunEnd($this->curve->end(), null, null, null, 0.0, new OpenEnd, false),
        ];
    }

    public function goesThroughClamps(): bool
    {
        return false;
    }

    public function windingDepth(): int
    {
        return $this->depth;
    }

    public function lay(Run $run): LaidRun
    {
        return LaidRun::curve(
            $run,
            new Path([
                ...self::leadingOff($run->from, $this->curve, true),
                $this->curve,
                ...self::leadingOff($run->to, $this->curve, false),
            ]),
        );
    }

    /**
     * Returns the curve from the port of an end to the winding, or back; none where the winding ends openly.
     *
     * @return list<Segment>
     */
    private static function leadingOff(RunEnd $end, Curve $winding, bool $isStart): array
    {
        $there = $isStart ? $winding->start() : $winding->end();
        $socket = $end->leadPoint() ?? $end->at;
        if ($end->at->distanceTo($there) < Tolerance::COINCIDENT) {
            return [];
        }
        $curve = $isStart
            ? LeadOff::between($socket, $end->axis, $there, $winding->directions[0])
            : LeadOff::between(
                $there,
                $winding->directions[count($winding->directions) - 1],
                $socket,
                $end->axis?->times(-1.0),
            );
        $lead =
            $socket->distanceTo($end->at) > Tolerance::NOTHING
                ? [$isStart ? new Line($end->at, $socket) : new Line($socket, $end->at)]
                : [];

        return $isStart ? [...$lead, $curve] : [$curve, ...$lead];
    }
}
