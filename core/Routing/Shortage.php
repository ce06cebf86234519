<?php

declare(strict_types=1);

namespace Bowline\Routing;

/** What a run, or one span of it between clamps, has to reach with and has to reach. */
final readonly class Shortage
{
    /**
     * @param  float  $length  there is, without leads, mm
     * @param  float  $distance  that it must exceed, without leads, mm
     * @param  int|null  $span  number of the span that is too short by the length it is told, from 0; null where it is
     *     the length of the run that is missing
     */
    public function __construct(
        public float $length,
        public float $distance,
        public ?int $span = null,
    ) {
    }
}
