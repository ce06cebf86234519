<?php

declare(strict_types=1);

namespace Bowline\Harness;

/** A length of a trunk that a wire goes along; backwards where it ends before it begins. Developed lengths, mm. */
final readonly class Way
{
    public function __construct(
        public string $run,
        public float $from,
        public float $to,
    ) {
    }

    public function length(): float
    {
        return abs($this->to - $this->from);
    }
}
