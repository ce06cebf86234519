<?php

declare(strict_types=1);

namespace Bowline\Harness;

use Bowline\Geometry\Vector;

/** The way from a pin to the place of a trunk at which its wire leaves that. */
final readonly class LeadOff
{
    /**
     * @param  int  $node  of the backbone
     * @param  float  $length  mm
     * @param  float  $along  developed length of the trunk, mm
     * @param  Vector  $at  on the trunk
     * @param  bool  $isSquare  whether it leaves square; not from an end of a trunk that ends before it
     */
    public function __construct(
        public int $node,
        public float $length,
        public string $run,
        public float $along,
        public Vector $at,
        public bool $isSquare,
    ) {
    }
}
