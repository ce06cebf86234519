<?php

declare(strict_types=1);

namespace Bowline\Routing;

/** The length of a run, or of a span of it between clamps, and the longer distance that it has to reach over. */
final readonly class Shortage
{
    /**
     * @param  float  $length  without leads, mm
     * @param  float  $distance  that the length must exceed, without leads, mm
     * @param  int|null  $span  index of the span whose own length is too short, from 0; null where the length of the
     *     whole run is
     */
    public function __construct(
        public float $length,
        public float $distance,
        public ?int $span = null,
    ) {
    }
}
