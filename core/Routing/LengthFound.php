<?php

declare(strict_types=1);

namespace Bowline\Routing;

/** The result of a search for a fixed length. */
final readonly class LengthFound
{
    /**
     * @param  float|null  $move  the smallest move that gives the length, mm; null when none does
     * @param  float  $nearestLength  the nearest length that a move can give, mm
     */
    public function __construct(
        public ?float $move,
        public float $nearestLength,
    ) {
    }
}
