<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/** The cubic between two points with a given derivative at each (Hermite interpolation). */
final readonly class CubicHermite
{
    /**
     * By components and not by vectors: it is asked for at every facet of a curve.
     *
     * @param  Vector  $out  derivative at the first point by the parameter
     * @param  Vector  $in  derivative at the second
     * @param  float  $span  of the parameter between both
     * @param  float  $s  share of the span, 0 to 1
     */
    public static function at(Vector $from, Vector $out, Vector $to, Vector $in, float $span, float $s): Vector
    {
        $ofFrom = (1 + 2 * $s) * (1 - $s) ** 2;
        $ofOut = $span * $s * (1 - $s) ** 2;
        $ofTo = $s * $s * (3 - 2 * $s);
        $ofIn = $span * $s * $s * ($s - 1);

        return new Vector(
            $from->x * $ofFrom + $out->x * $ofOut + $to->x * $ofTo + $in->x * $ofIn,
            $from->y * $ofFrom + $out->y * $ofOut + $to->y * $ofTo + $in->y * $ofIn,
            $from->z * $ofFrom + $out->z * $ofOut + $to->z * $ofTo + $in->z * $ofIn,
        );
    }
}
