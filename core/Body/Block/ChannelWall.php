<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Geometry\Vector;
use Bowline\Routing\LaidRun;

/** The least material between a channel and a face of its block, or another channel. */
final readonly class ChannelWall
{
    /**
     * @param  float  $thickness  mm; negative where they cut into each other
     * @param  Vector  $at  of the centreline of the channel
     * @param  Vector  $away  unit, from the other towards the channel
     * @param  string  $words  of the other: "the +x face", "Return"
     * @param  LaidRun|null  $channel  the other one; null for a face
     */
    public function __construct(
        public float $thickness,
        public Vector $at,
        public Vector $away,
        public string $words,
        public ?LaidRun $channel,
    ) {
    }
}
