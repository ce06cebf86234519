<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/** The least value of a function that falls and then rises between two places (Kiefer 1953). */
final readonly class GoldenSection
{
    private const RATIO = 0.6180339887498949;

    /** Steps in which a local extreme is refined, which leave 4·10⁻⁹ of an interval. */
    private const REFINEMENTS = 40;

    /**
     * Returns the places of the local minima and maxima of a function between 0 and 1: of a plateau one, within an
     * interval of where it begins.
     *
     * @param  callable(float): float  $value
     * @param  int  $intervals  in which it is sampled first; two minima should not be nearer than two of them
     * @return list<float> ascending, the ends not among them
     */
    public static function extremes(callable $value, int $intervals): array
    {
        $values = array_map(static fn (int $i): float => $value($i / $intervals), range(0, $intervals));
        $extremes = [];
        for ($i = 1; $i < $intervals; $i++) {
            foreach ([1.0, -1.0] as $sign) {
                if ($sign * $values[$i] < $sign * $values[$i - 1] && $sign * $values[$i] <= $sign * $values[$i + 1]) {
                    [$extremes[]] = self::least(
                        static fn (float $at): float => $sign * $value($at),
                        ($i - 1) / $intervals,
                        ($i + 1) / $intervals,
                        self::REFINEMENTS,
                    );
                }
            }
        }

        return $extremes;
    }

    /** Returns the number of steps after which no more than so much of an interval is left to look at. */
    public static function steps(float $interval, float $left): int
    {
        return max(0, (int) ceil(log($left / $interval) / log(self::RATIO)));
    }

    /**
     * Returns the middle of what is left to look at, or a place that was looked at before and has a lower value: where
     * the function jumps, the middle may lie on the wrong side.
     *
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
        $least = [$middle, $value($middle)];
        $least = $atOne < $least[1] ? [$one, $atOne] : $least;

        return $atTwo < $least[1] ? [$two, $atTwo] : $least;
    }
}
