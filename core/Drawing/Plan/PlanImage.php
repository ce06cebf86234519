<?php

declare(strict_types=1);

namespace Bowline\Drawing\Plan;

/** A picture. Millimetres. */
final readonly class PlanImage implements PlanShape
{
    /**
     * @param  array{float, float}  $at  its corner at the lower left
     * @param  string  $jpeg  its bytes
     */
    public function __construct(
        public string $layer,
        public array $at,
        public float $width,
        public float $height,
        public string $jpeg,
    ) {
    }

    public function accept(PlanVisitor $visitor): mixed
    {
        return $visitor->image($this);
    }
}
