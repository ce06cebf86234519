<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Vector;
use Bowline\Job\End\End;
use Bowline\Job\End\EndReader;

/** Where a run starts or ends: at a port or a bare point, with its lead, its trim and how it is finished. */
final readonly class RunEnd
{
    /**
     * @param  Vector|null  $axis  unit, the way the run leaves; null at a bare point without one
     * @param  string|null  $port  "fitting.port", null at a bare point
     * @param  float|null  $lead  straight length out along the axis, mm; null when there is none
     * @param  float  $trim  extra length left on for trimming, mm; negative when the end stands back from its port
     */
    public function __construct(
        public Vector $at,
        public ?Vector $axis,
        public ?string $port,
        public ?float $lead,
        public float $trim,
        public End $end,
    ) {
    }

    /** @throws JobError */
    public static function read(Node $node, Site $site): self
    {
        $values = $site->values;
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
            EndReader::read($node->find('end'), $values),
        );
    }

    /** Where the lead ends, null without one. */
    public function leadPoint(): ?Vector
    {
        return $this->lead === null || $this->axis === null ? null : $this->at->plus($this->axis->times($this->lead));
    }
}
