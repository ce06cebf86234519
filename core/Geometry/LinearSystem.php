<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/** A small square system of linear equations. */
final readonly class LinearSystem
{
    /** A numerical safeguard: smaller pivots are replaced by this, so that a singular system has a large solution. */
    private const SMALLEST_PIVOT = 1e-14;

    /**
     * Solves by Gaussian elimination with row pivoting. A singular system has a large solution, which callers reject.
     *
     * @param  array<int, array<float>>  $m
     * @param  array<int, float>  $b
     * @return list<float>
     */
    public static function solved(array $m, array $b): array
    {
        $n = count($b);
        for ($i = 0; $i < $n; $i++) {
            $best = $i;
            for ($r = $i + 1; $r < $n; $r++) {
                $best = abs($m[$r][$i]) > abs($m[$best][$i]) ? $r : $best;
            }
            [$m[$i], $m[$best]] = [$m[$best], $m[$i]];
            [$b[$i], $b[$best]] = [$b[$best], $b[$i]];
            $pivot = abs($m[$i][$i]) > self::SMALLEST_PIVOT ? $m[$i][$i] : self::SMALLEST_PIVOT;
            for ($r = $i + 1; $r < $n; $r++) {
                $factor = $m[$r][$i] / $pivot;
                for ($c = $i; $c < $n; $c++) {
                    $m[$r][$c] -= $factor * $m[$i][$c];
                }
                $b[$r] -= $factor * $b[$i];
            }
        }
        $x = array_fill(0, $n, 0.0);
        for ($i = $n - 1; $i >= 0; $i--) {
            $sum = $b[$i];
            for ($c = $i + 1; $c < $n; $c++) {
                $sum -= $m[$i][$c] * $x[$c];
            }
            $x[$i] = $sum / (abs($m[$i][$i]) > self::SMALLEST_PIVOT ? $m[$i][$i] : self::SMALLEST_PIVOT);
        }

        return array_values($x);
    }
}
