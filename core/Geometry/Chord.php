<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/** A chord tolerance: the largest distance in mm between an arc and a chord that stands for it. */
final readonly class Chord
{
    /** Fewest sides of a circle, however coarse the tolerance. */
    private const FEWEST_SIDES = 8;

    public function __construct(private float $tolerance)
    {
    }

    /** Returns the number of sides of a full circle, a multiple of four. */
    public function sides(float $radius): int
    {
        return max(self::FEWEST_SIDES, 4 * Tolerance::pieces(2 * M_PI / $this->step($radius) / 4));
    }

    /** Returns the number of pieces of an arc of this angle, radians. */
    public function pieces(float $radius, float $angle): int
    {
        return Tolerance::pieces($angle / $this->step($radius));
    }

    /**
     * Returns the number of pieces of an arc of this angle, radians, as a fraction, to be summed over arcs of different
     * radii.
     */
    public function share(float $radius, float $angle): float
    {
        return $angle / $this->step($radius);
    }

    /**
     * Returns the number of pieces of equal width of a curve given on [0, 1] whose second derivative by that parameter
     * is at most this long, mm.
     */
    public function piecesOfCurve(float $secondDerivative): int
    {
        return Tolerance::pieces(sqrt($secondDerivative / 8 / $this->tolerance));
    }

    private function step(float $radius): float
    {
        return 2 * acos(max(0.0, 1.0 - $this->tolerance / max($radius, $this->tolerance)));
    }
}
