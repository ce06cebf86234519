<?php

declare(strict_types=1);

namespace Bowline\Drawing\Plan;

/** A straight line. Millimetres. */
final readonly class PlanLine implements PlanShape
{
    /**
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     * @param  float  $width  of the pen
     * @param  string  $colour  "#rrggbb"
     */
    public function __construct(
        public string $layer,
        public array $from,
        public array $to,
        public float $width,
        public string $colour,
    ) {
    }

    public function accept(PlanVisitor $visitor): mixed
    {
        return $visitor->line($this);
    }
}
