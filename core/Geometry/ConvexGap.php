<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/**
 * The distance between two convex bodies that are told by their support functions: for a unit direction, how far the
 * body reaches along it. Along a direction the gap between both is what is left between where one ends and the other
 * begins; the distance is the greatest gap of all directions (separating axis theorem). Millimetres.
 */
final readonly class ConvexGap
{
    /** First step from a direction, radians, and the one at which it counts as found. */
    private const STEP = 0.3;

    private const LAST_STEP = 1e-8;

    /** By which a step gets shorter where it leads nowhere. */
    private const SHRINK = 0.8;

    /** Directions that are tried round one in each step. */
    private const ROUND = 8;

    /** By which the directions of each step are turned against those of the one before, radians. */
    private const GOLDEN_ANGLE = 2.399963229728653;

    /**
     * Returns the distance of two bodies; negative where they overlap: then by how much one has to be moved until they
     * do not, along the best direction that is found from the given ones.
     *
     * @param  callable(Vector): float  $one
     * @param  callable(Vector): float  $other
     * @param  non-empty-list<Vector>  $directions  unit, from the first body towards the second, to begin with
     * @param  float  $enough  where they are known to be at least so far apart, how far need not be found: the least
     *     that is known is returned
     */
    public static function between(callable $one, callable $other, array $directions, float $enough = INF): float
    {
        $gap = static fn (Vector $way): float => -$one($way) - $other($way->times(-1.0));
        $gaps = array_map($gap, $directions);
        $best = max($gaps);
        foreach ($directions as $number => $way) {
            if ($best >= $enough) {
                break;
            }
            $found = $gaps[$number];
            $turn = 0.0;
            for ($step = self::STEP; $step > self::LAST_STEP;) {
                $side = $way->anySquare();
                $across = $way->cross($side);
                $along = $way->times(cos($step));
                $aside = sin($step);
                $next = null;
                for ($i = 1; $i <= self::ROUND; $i++) {
                    $angle = $turn + $i * 2 * M_PI / self::ROUND;
                    $tried = $along->plus($side->times($aside * cos($angle)))
                        ->plus($across->times($aside * sin($angle)));
                    $there = $gap($tried);
                    if ($there > $found) {
                        [$found, $next] = [$there, $tried];
                    }
                }
                $turn += self::GOLDEN_ANGLE;
                $step = $next === null ? $step * self::SHRINK : $step;
                $way = $next ?? $way;
            }
            $best = max($best, $found);
        }

        return $best;
    }
}
