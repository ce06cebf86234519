<?php

declare(strict_types=1);

namespace Bowline\Shop;

/** How far a bent part may be off: corners and ends, and straights, in mm, bends in radians. */
final readonly class PartLimits
{
    public function __construct(
        public float $place = 1.0,
        public float $straight = 1.0,
        public float $angle = 0.5 * M_PI / 180,
    ) {
    }
}
