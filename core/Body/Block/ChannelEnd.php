<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Geometry\Vector;

/** How an end of a channel comes out of its block. */
final readonly class ChannelEnd
{
    /**
     * @param  ChannelEndKind  $kind  whether it does, or why not
     * @param  Vector  $from  of the centreline, where its last straight begins
     * @param  Vector  $direction  unit, out of the channel
     * @param  float  $length  from there to where the cut ends, mm: to the face where it comes out
     * @param  float  $beyond  how far it is cut beyond the end of its run, mm; negative where that is outside
     * @param  int|null  $face  number of the flat face by which it comes out
     * @param  float  $short  by how much it fails, mm: from the end to the face, over the edge, of straight; 0 where it
     *     comes out
     */
    public function __construct(
        public ChannelEndKind $kind,
        public Vector $from,
        public Vector $direction,
        public float $length,
        public float $beyond,
        public ?int $face,
        public float $short,
    ) {
    }

    /** Returns the end of its run. */
    public function told(): Vector
    {
        return $this->at()->minus($this->direction->times($this->beyond));
    }

    /** Returns the point of the centreline at which the cut ends. */
    public function at(): Vector
    {
        return $this->from->plus($this->direction->times($this->length));
    }
}
