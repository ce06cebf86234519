<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Vector;
use Bowline\Job\Adjustment;
use Bowline\Job\ElbowKind;

/** A point where straight legs of a rigid run meet, with the centre-line radius asked for there. */
final readonly class Vertex
{
    /**
     * @param  float  $radius  mm
     * @param  bool  $ownRadius  whether its stop asks for that radius itself
     * @param  int|null  $stop  the stop it comes from, null for the ends, their leads and what follows something else
     * @param  VertexPlace  $place  which part of the run it belongs to
     * @param  ElbowKind|null  $elbow  that is welded in there; null where it is bent
     */
    public function __construct(
        public Vector $at,
        public float $radius,
        public bool $ownRadius,
        public ?int $stop,
        public VertexPlace $place,
        public ?Mirrored $mirrored = null,
        public ?ElbowKind $elbow = null,
    ) {
    }

    /** Returns the direction in which it moves when its run is brought to a length; null when it stays. */
    public function adjustedAlong(Adjustment $adjustment): ?Vector
    {
        if ($this->stop !== null && in_array($this->stop, $adjustment->stops, true)) {
            return $adjustment->along;
        }

        return $this->mirrored !== null && in_array($this->mirrored->stop, $adjustment->stops, true)
            ? $this->mirrored->direction($adjustment->along)
            : null;
    }

    public function movedBy(Vector $move): self
    {
        return new self(
            $this->at->plus($move),
            $this->radius,
            $this->ownRadius,
            $this->stop,
            $this->place,
            $this->mirrored,
            $this->elbow,
        );
    }
}
