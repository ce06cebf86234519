<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Geometry\Vector;

/** How much of up to three directions makes up a vector, exactly. */
final class LinearFit
{
    /** Directions nearer to dependent than this have no clear answer. */
    private const DEPENDENT = 1e-6;

    /** How far the sum may miss, mm. */
    private const MISS = 1e-6;

    /**
     * By the normal equations and Cramer's rule.
     *
     * @param  list<Vector>  $directions  one to three unit vectors
     * @return list<float>|null null when they do not make it up, or in more than one way
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
