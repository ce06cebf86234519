<?php

declare(strict_types=1);

namespace Bowline\Shop;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Normally distributed errors, the same for the same seed. */
final class Noise
{
    /** Parts of one that random numbers are multiples of. */
    private const PARTS = 2 ** 52;

    private Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /** Returns an error of a standard deviation (Box and Muller, 1958). */
    public function of(float $deviation): float
    {
        return $deviation * sqrt(-2.0 * log($this->share())) * cos(2 * M_PI * $this->share());
    }

    /** Returns a number over 0, up to 1. */
    private function share(): float
    {
        return $this->random->getInt(1, self::PARTS) / self::PARTS;
    }
}
