<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\End\End;
use Bowline\Job\End\EndReader;

/** The start or end of a run: at a port or a bare point, with its lead, its trim and its finish. */
final readonly class RunEnd
{
    /**
     * @param  Vector|null  $axis  unit, the way the run leaves; null at a bare point without one
     * @param  string|null  $port  "fitting.port", null at a bare point
     * @param  float|null  $lead  straight length out along the axis, mm; null when there is none
     * @param  bool  $isOwn  false where its lead follows that of another end
     * @param  float  $trim  extra length left on for trimming, mm; negative when the end stands back from its port
     * @param  Movement|null  $movement  of the fitting it is joined to
     * @param  float|null  $size  diameter that its port is made for, mm, when that is said
     * @param  Branch|null  $branch  place on another run on which it stands
     */
    public function __construct(
        public Vector $at,
        public ?Vector $axis,
        public ?string $port,
        public ?float $lead,
        public float $trim,
        public End $end,
        public bool $isOwn = true,
        public ?Movement $movement = null,
        public ?float $size = null,
        public ?Branch $branch = null,
    ) {
    }

    /**
     * Reads an end of a run. The end of a channel at a port of its block leaves into that, against the port.
     *
     * @param  'from'|'to'  $which
     *
     * @throws JobError
     */
    public static function ofRun(Node $run, string $which, Site $site): self
    {
        $end = self::read($run->get($which), $site);

        return $end->port !== null && PortName::of($end->port)->fitting === Channel::blockOf($run)
            ? $end->inwards()
            : $end;
    }

    private function inwards(): self
    {
        return new self(
            $this->at, $this->axis?->times(-1.0), $this->port, $this->lead, $this->trim, $this->end, $this->isOwn,
            $this->movement, $this->size, $this->branch,
        );
    }

    /** @throws JobError */
    public static function read(Node $node, Site $site): self
    {
        $values = $site->values;
        $like = $node->find('like');
        if ($like !== null) {
            return self::like($like, $node, $site);
        }
        if ($node->find('on') !== null) {
            return self::onRun($site->routes->branch($site, $node->get('on')), $node, $site);
        }
        $portNode = $node->find('port');
        $port = $portNode === null ? null : $site->port($portNode);
        $axisNode = $node->find('axis');
        $axis = $port !== null ? $port->axis : ($axisNode === null ? null : $values->direction($axisNode));
        $leadNode = $node->find('lead');
        $trimNode = $node->find('trim');
        if ($leadNode !== null && $axis === null) {
            throw $leadNode->error('a lead needs the axis of a port, or an “axis” beside the point');
        }

        return new self(
            $port !== null ? $port->at : $values->vector($node->get('at')),
            $axis,
            $port?->name,
            $leadNode === null ? null : $values->notNegative($leadNode, 'the lead'),
            $trimNode === null ? 0.0 : $values->number($trimNode),
            EndReader::read($node->find('end'), $site),
            movement: $port?->movement,
            size: $port?->size,
        );
    }

    /**
     * Reads an end that stands on another run: out of its centreline along `axis`, upwards when that is left out.
     *
     * @throws JobError
     */
    private static function onRun(Branch $branch, Node $node, Site $site): self
    {
        [$axis, $lead, $trim] = [$node->find('axis'), $node->find('lead'), $node->find('trim')];

        return new self(
            $branch->at,
            $axis === null ? $site->up->uprightOf($branch->along) : $site->values->direction($axis),
            null,
            $lead === null ? null : $site->values->notNegative($lead, 'the lead'),
            $trim === null ? 0.0 : $site->values->number($trim),
            EndReader::read($node->find('end'), $site),
            branch: $branch,
        );
    }

    /** Returns the end of a branch without the tube that the host has in its place. */
    public function withoutHost(Section $section): self
    {
        return $this->branch === null || $this->axis === null ? $this : new self(
            $this->at, $this->axis, null, $this->lead, $this->trim - $this->branch->reach($this->axis, $section),
            $this->end, $this->isOwn, branch: $this->branch,
        );
    }

    /**
     * Reads an end that follows an end of another run, or the other end of its own: `run`, `end`, and `offset` or
     * `across`.
     *
     * @throws JobError
     */
    private static function like(Node $like, Node $node, Site $site): self
    {
        $likeness = Likeness::read($like, $site->values);
        $which = $like->get('end');
        $host = $site->routes->end($site, $like->get('run')->text(), match ($which->value) {
            'from' => 'from',
            'to' => 'to',
            default => throw $which->error('an end is “from” or “to”'),
        }, $like);
        $lead = $node->find('lead');
        $trim = $node->find('trim');

        return new self(
            $likeness->point($host->at),
            $host->axis === null ? null : $likeness->direction($host->axis),
            null,
            $lead === null ? $host->lead : $site->values->notNegative($lead, 'the lead'),
            $trim === null ? $host->trim : $site->values->number($trim),
            $node->find('end') === null ? $host->end : EndReader::read($node->find('end'), $site),
            $lead !== null,
        );
    }

    /**
     * Whether its port is made for a stock: for its outside, or for the bore of a hose, which goes over it. A port that
     * tells no size takes any, and so do cables and wires.
     */
    public function takes(Stock $stock): bool
    {
        $usual = $stock->portSize();
        if ($this->size === null || $usual === null) {
            return true;
        }
        $fits = fn (float $diameter): bool => abs($diameter - $this->size) <= Tolerance::CLAMP_BORE;

        return $fits($this->end->reducer()->od ?? $stock->section->outsideDiameter)
            || ($stock->kind === StockKind::Hose && $fits($usual));
    }

    /** Returns the end with the axis of its tube where an eccentric reducer has it, under that of its port. */
    public function underPort(Section $section, Vector $up): self
    {
        $shift = $this->end->reducer()?->shift($section) ?? 0.0;
        if ($shift === 0.0 || $this->axis === null) {
            return $this;
        }

        return new self(
            $this->at->minus($up->uprightOf($this->axis)->times($shift)), $this->axis, $this->port, $this->lead,
            $this->trim, $this->end, $this->isOwn, $this->movement, $this->size, $this->branch,
        );
    }

    /** Returns the end at a position of the movement of what it is joined to. */
    public function moved(float $part): self
    {
        return $this->movement === null
            ? $this
            : new self(
                $this->movement->point($this->at, $part),
                $this->axis === null ? null : $this->movement->direction($this->axis, $part),
                $this->port,
                $this->lead,
                $this->trim,
                $this->end,
                $this->isOwn,
                $this->movement,
                $this->size,
            );
    }

    /** Returns the end of the lead; null without one. */
    public function leadPoint(): ?Vector
    {
        return $this->lead === null || $this->axis === null ? null : $this->at->plus($this->axis->times($this->lead));
    }
}
