<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/** The least value of a function that falls and then rises between two places (Kiefer 1953). */
final readonly class GoldenSection
{
    private const RATIO = 0.6180339887498949;

    /**
     * @param  callable(float): float  $value
     * @param  int  $steps  each leaves 0.618 of what is left to look at
     * @return array{float, float} the place and its value
     */
    public static function least(callable $value, float $from, float $to, int $steps): array
    {
        [$low, $high] = [$from, $to];
        [$one, $two] = [$high - self::RATIO * ($high - $low), $low + self::RATIO * ($high - $low)];
        [$atOne, $atTwo] = [$value($one), $value($two)];
        for ($i = 0; $i < $steps; $i++) {
            if ($atOne < $atTwo) {
                [$high, $two, $atTwo] = [$two, $one, $atOne];
                $one = $high - self::RATIO * ($high - $low);
                $atOne = $value($one);
            } else {
                [$low, $one, $atOne] = [$one, $two, $atTwo];
                $two = $low + self::RATIO * ($high - $low);
                $atTwo = $value($two);
            }
        }
        $middle = ($low + $high) / 2;

        return [$middle, $value($middle)];
    }
}
