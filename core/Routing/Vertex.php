<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Vector;

/** A point where straight legs of a rigid run meet, with the centre-line radius asked for there. */
final readonly class Vertex
{
    /**
     * @param  float  $radius  mm
     * @param  bool  $ownRadius  whether its stop asks for that radius itself
     * @param  int|null  $stop  the stop it comes from, null for the ends and their leads
     * @param  VertexPlace  $place  which part of the run it belongs to
     */
    public function __construct(
        public Vector $at,
        public float $radius,
        public bool $ownRadius,
        public ?int $stop,
        public VertexPlace $place,
    ) {
    }

    public function movedBy(Vector $move): self
    {
        return new self($this->at->plus($move), $this->radius, $this->ownRadius, $this->stop, $this->place);
    }
}
