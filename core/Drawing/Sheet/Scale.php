<?php

declare(strict_types=1);

namespace Bowline\Drawing\Sheet;

use Bowline\Geometry\Tolerance;

/** A scale of a drawing: millimetres of paper for one of the thing. */
final readonly class Scale
{
    /** Steps within a power of ten: those of ISO 5455, and what draughtsmen put between them. */
    private const STEPS = [1.0, 1.5, 2.0, 2.5, 3.0, 4.0, 5.0, 6.0, 7.5, 10.0];

    private const LARGEST = 10.0;

    private function __construct(public float $factor)
    {
    }

    public static function full(): self
    {
        return new self(1.0);
    }

    /** Returns the largest scale of the steps that is not larger than a factor. */
    public static function within(float $factor): self
    {
        $factor = min($factor, self::LARGEST);
        $best = null;
        for ($power = -5; $power <= 1; $power++) {
            foreach (self::STEPS as $step) {
                // Below full size the steps are those of how much smaller it is.
                $is = $power < 0 ? 1.0 / ($step * 10 ** (-$power - 1)) : $step * 10 ** $power;
                $best = $is <= $factor * (1.0 + Tolerance::NOTHING) && $is > ($best ?? 0.0) ? $is : $best;
            }
        }

        return new self($best ?? $factor);
    }

    /** Returns "1 : 5" or "2 : 1". */
    public function words(): string
    {
        $number = static fn (float $one): string => rtrim(rtrim(number_format($one, 2, '.', ''), '0'), '.');

        return $this->factor >= 1.0 ? $number($this->factor).' : 1' : '1 : '.$number(1 / $this->factor);
    }
}
