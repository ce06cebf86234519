<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/** How finely to divide what is round: no chord stands off its arc by more than this many millimetres. */
final readonly class Chord
{
    /** Fewer sides than this no longer look round, however coarse a tolerance is asked for. */
    private const FEWEST_SIDES = 8;

    public function __construct(private float $tolerance)
    {
    }

    /** Sides of a full circle, a multiple of four. */
    public function sides(float $radius): int
    {
        return max(self::FEWEST_SIDES, 4 * Tolerance::pieces(2 * M_PI / $this->step($radius) / 4));
    }

    /** Pieces of an arc of this angle (radians). */
    public function pieces(float $radius, float $angle): int
    {
        return Tolerance::pieces($angle / $this->step($radius));
    }

    /**
     * Pieces of an arc of this angle (radians), as a number that is not whole: pieces that follow one another at
     * different radii are added up.
     */
    public function share(float $radius, float $angle): float
    {
        return $angle / $this->step($radius);
    }

    private function step(float $radius): float
    {
        return 2 * acos(max(0.0, 1.0 - $this->tolerance / max($radius, $this->tolerance)));
    }
}
