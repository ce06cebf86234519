<?php

declare(strict_types=1);

namespace Bowline\Body;

/**
 * Triangulates a flat outline by ear clipping. The outline runs counter-clockwise and may touch itself along a cut (the
 * same two points in both directions), which is how a ring is given as one outline.
 */
final class EarClipping
{
    private const FLAT = 1e-12;

    /**
     * @param  list<array{float, float}>  $outline
     * @return list<array{int, int, int}> counter-clockwise, numbers of the outline's points
     */
    public static function triangles(array $outline): array
    {
        $left = array_keys($outline);
        $triangles = [];
        $at = 0;
        $refused = 0;
        while (count($left) > 3) {
            $count = count($left);
            $ear = [$left[($at + $count - 1) % $count], $left[$at % $count], $left[($at + 1) % $count]];
            // A full round without an ear is caused by rounding only; then any corner will do.
            if ($refused > $count || self::isEar($outline, $left, $ear)) {
                $triangles[] = $ear;
                array_splice($left, $at % $count, 1);
                $refused = 0;
                $at %= count($left);
            } else {
                $at = ($at + 1) % $count;
                $refused++;
            }
        }
        $triangles[] = [$left[0], $left[1], $left[2]];

        return $triangles;
    }

    /**
     * @param  list<array{float, float}>  $outline
     * @param  list<int>  $left
     * @param  array{int, int, int}  $ear
     */
    private static function isEar(array $outline, array $left, array $ear): bool
    {
        [$a, $b, $c] = [$outline[$ear[0]], $outline[$ear[1]], $outline[$ear[2]]];
        if (self::area($a, $b, $c) <= self::FLAT) {
            return false;
        }
        foreach ($left as $other) {
            $point = $outline[$other];
            if (in_array($other, $ear, true) || $point === $a || $point === $b || $point === $c) {
                continue;
            }
            if (self::area($a, $b, $point) >= -self::FLAT
                && self::area($b, $c, $point) >= -self::FLAT
                && self::area($c, $a, $point) >= -self::FLAT) {
                return false;
            }
        }

        return true;
    }

    /**
     * Returns twice the signed area of a triangle.
     *
     * @param  array{float, float}  $a
     * @param  array{float, float}  $b
     * @param  array{float, float}  $c
     */
    private static function area(array $a, array $b, array $c): float
    {
        return ($b[0] - $a[0]) * ($c[1] - $a[1]) - ($b[1] - $a[1]) * ($c[0] - $a[0]);
    }
}
