<?php

declare(strict_types=1);

namespace Bowline\Drawing\Plan;

/** A circle, filled or drawn round. Millimetres. */
final readonly class PlanCircle implements PlanShape
{
    /**
     * @param  array{float, float}  $at
     * @param  string  $colour  "#rrggbb"
     */
    public function __construct(
        public string $layer,
        public array $at,
        public float $radius,
        public bool $isFilled,
        public string $colour,
    ) {
    }

    public function accept(PlanVisitor $visitor): mixed
    {
        return $visitor->circle($this);
    }
}
