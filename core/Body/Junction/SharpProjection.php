<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Geometry\Tolerance;
use Bowline\Space\RoundedUnion;

/** Puts places on the surface of tubes that meet without rounding: on one of them, or on the edge where two meet. */
final class SharpProjection
{
    /** An edge draws a vertex to itself where both distances differ by less than this share of a cube. */
    private const DRAWN = 1.0;

    private const HALF_DIAGONAL = 0.87;

    private const STEPS = 12;

    /** Square of the sine between two surfaces that meet at an edge, at least. */
    private const STEEP = 1e-3;

    /**
     * @param  list<float>  $cubes  sizes of cubes on each tube, mm
     * @return array{float, float, float}
     */
    public static function onSurface(RoundedUnion $union, float $x, float $y, float $z, array $cubes): array
    {
        $distances = array_map(static fn ($tube): float => $tube->at($x, $y, $z)[0], $union->tubes);
        asort($distances);
        $numbers = array_keys($distances);
        $cube = $cubes[$numbers[0]];
        if (count($numbers) > 1 && self::DRAWN * $cube > $distances[$numbers[1]] - $distances[$numbers[0]]) {
            $edge = self::onEdge($union, [$numbers[0], $numbers[1]], [$x, $y, $z], self::HALF_DIAGONAL * $cube);
            if ($edge !== null) {
                return $edge;
            }
        }
        for ($step = 0; $step < self::STEPS; $step++) {
            [$distance, $gx, $gy, $gz] = $union->tubes[$union->nearest($x, $y, $z)]->at($x, $y, $z);
            [$x, $y, $z] = [$x - $distance * $gx, $y - $distance * $gy, $z - $distance * $gz];
            if (abs($distance) < Tolerance::NOTHING) {
                break;
            }
        }

        return [$x, $y, $z];
    }

    /**
     * @param  array{int, int}  $numbers  of two tubes
     * @param  array{float, float, float}  $at
     * @return array{float, float, float}|null the nearest place on both; null where that is farther than a distance
     */
    private static function onEdge(RoundedUnion $union, array $numbers, array $at, float $within): ?array
    {
        [$x, $y, $z] = $at;
        for ($step = 0; $step < self::STEPS; $step++) {
            [$a, $ax, $ay, $az] = $union->tubes[$numbers[0]]->at($x, $y, $z);
            [$b, $bx, $by, $bz] = $union->tubes[$numbers[1]]->at($x, $y, $z);
            $cosine = $ax * $bx + $ay * $by + $az * $bz;
            $steep = 1.0 - $cosine * $cosine;
            if ($steep < self::STEEP) {
                return null;
            }
            [$one, $two] = [($a - $cosine * $b) / $steep, ($b - $cosine * $a) / $steep];
            [$x, $y, $z] = [$x - $one * $ax - $two * $bx, $y - $one * $ay - $two * $by, $z - $one * $az - $two * $bz];
            if (abs($a) + abs($b) < Tolerance::NOTHING) {
                break;
            }
        }

        return sqrt(($x - $at[0]) ** 2 + ($y - $at[1]) ** 2 + ($z - $at[2]) ** 2) < $within ? [$x, $y, $z] : null;
    }
}
