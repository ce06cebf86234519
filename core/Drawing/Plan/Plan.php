<?php

declare(strict_types=1);

namespace Bowline\Drawing\Plan;

/** A flat drawing at full size, y upwards. Millimetres. */
final readonly class Plan
{
    /**
     * @param  list<PlanShape>  $shapes  what lies below first
     * @param  float  $width  from 0; $height likewise
     * @param  array{float, float}  $origin  where the origin of what is drawn lies
     */
    public function __construct(
        public string $title,
        public float $width,
        public float $height,
        public array $shapes,
        public array $origin = [0.0, 0.0],
    ) {
    }
}
