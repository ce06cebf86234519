<?php

declare(strict_types=1);

namespace Bowline\Curves;

use Bowline\Geometry\Curve;
use Bowline\Geometry\Vector;

/**
 * The curve from a port to the beginning of a winding or a bundle: of the cubics between two points and directions that
 * of the largest least radius.
 */
final class LeadOff
{
    /** Pulls of the directions that are tried. */
    private const PULLS = [0.6, 0.8, 1.0, 1.2, 1.5, 1.8, 2.2, 2.7];

    /**
     * @param  Vector|null  $along  unit, travel at the start; null where it may leave any way
     * @param  Vector|null  $into  unit, travel at the end
     */
    public static function between(Vector $from, ?Vector $along, Vector $to, ?Vector $into): Curve
    {
        $best = [1.0, 1.0];
        $widest = 0.0;
        foreach (self::PULLS as $one) {
            foreach (self::PULLS as $other) {
                $radius = Spline::roughRadius([$from, $to], $along?->times($one), $into?->times($other));
                if ($radius > $widest) {
                    [$widest, $best] = [$radius, [$one, $other]];
                }
            }
        }

        return Spline::through([$from, $to], $along?->times($best[0]), $into?->times($best[1]));
    }
}
