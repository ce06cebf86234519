<?php

declare(strict_types=1);

namespace Bowline\Job\Harness;

/** Wires that are twisted with each other. */
final readonly class TwistedPair
{
    /** @param  float  $lay  length of a turn, mm */
    public function __construct(
        public string $id,
        public float $lay,
    ) {
    }

    /**
     * Returns how much longer a wire is than the pair: a helix whose centreline stands off the middle by half of what
     * the wires are apart, so that a turn of it is √(lay² + (πd)²) long.
     *
     * @param  float  $apart  of the centrelines of both wires, mm
     */
    public function factor(float $apart): float
    {
        return hypot($this->lay, M_PI * $apart) / $this->lay;
    }
}
