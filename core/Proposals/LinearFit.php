<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Geometry\Vector;

/** Writes a vector as a combination of up to three directions. */
final class LinearFit
{
    /** Determinant below which directions count as dependent. */
    private const DEPENDENT = 1e-6;

    /** Largest residual of the combination, mm. */
    private const MISS = 1e-6;

    /**
     * Solves by the normal equations and Cramer's rule.
     *
     * @param  list<Vector>  $directions  one to three unit vectors
     * @return list<float>|null coefficients; null when there is no solution or more than one
     */
    public static function solve(array $directions, Vector $sum): ?array
    {
        $count = count($directions);
        $matrix = $right = [];
        foreach ($directions as $i => $one) {
            foreach ($directions as $j => $other) {
                $matrix[$i][$j] = $one->dot($other);
            }
            $right[$i] = $one->dot($sum);
        }
        $whole = self::determinant($matrix, $count);
        if (abs($whole) < self::DEPENDENT) {
            return null;
        }
        $amounts = [];
        $made = Vector::zero();
        for ($k = 0; $k < $count; $k++) {
            $replaced = $matrix;
            for ($i = 0; $i < $count; $i++) {
                $replaced[$i][$k] = $right[$i];
            }
            $amounts[] = $amount = self::determinant($replaced, $count) / $whole;
            $made = $made->plus($directions[$k]->times($amount));
        }

        return $made->distanceTo($sum) < self::MISS ? $amounts : null;
    }

    /** @param  array<int, array<int, float>>  $m */
    private static function determinant(array $m, int $size): float
    {
        return match ($size) {
            1 => $m[0][0],
            2 => $m[0][0] * $m[1][1] - $m[0][1] * $m[1][0],
            default => $m[0][0] * ($m[1][1] * $m[2][2] - $m[1][2] * $m[2][1])
                - $m[0][1] * ($m[1][0] * $m[2][2] - $m[1][2] * $m[2][0])
                + $m[0][2] * ($m[1][0] * $m[2][1] - $m[1][1] * $m[2][0]),
        };
    }
}
