<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Routing\LengthFound;

/**
 * Finds the smallest move of some points of a smooth run that brings it to a length. The length is a smooth function of
 * the move, so few evaluations are needed.
 */
final class FlowLength
{
    /** Accuracy of the move that comes nearest to a length out of reach, mm. */
    private const NEAREST_ACCURACY = 1e-4;

    private const FIRST = 1.0;

    private const GROWTH = 1.35;

    private const FARTHEST = 2e4;

    private const LENGTH_ACCURACY = 1e-7;

    private const GOLDEN = 0.6180339887498949;

    /** @param  callable(float): float  $length  of the run, by how far the points have moved */
    public static function find(callable $length, float $target): LengthFound
    {
        $excess = static fn (float $move): float => $length($move) - $target;
        $rest = $excess(0.0);
        $nearest = [0.0, $rest];
        $last = [1 => [0.0, $rest], -1 => [0.0, $rest]];
        for ($step = self::FIRST; $step < self::FARTHEST && abs($rest) > self::LENGTH_ACCURACY; $step *= self::GROWTH) {
            foreach ([1, -1] as $side) {
                $next = [$side * $step, $excess($side * $step)];
                $nearest = abs($next[1]) < abs($nearest[1]) ? $next : $nearest;
                if ($next[1] * $last[$side][1] <= 0.0) {
                    return new LengthFound(self::root($excess, $last[$side], $next), $target);
                }
                $last[$side] = $next;
            }
        }

        if (abs($rest) <= self::LENGTH_ACCURACY) {
            return new LengthFound(0.0, $target);
        }
        $nearest = self::nearest($excess, $nearest);

        // A minimum between two samples may still pass through the length.
        return $nearest[1] * $rest <= 0.0
            ? new LengthFound(self::root($excess, [0.0, $rest], $nearest), $target)
            : new LengthFound(null, $target + $nearest[1]);
    }

    /**
     * Returns the smallest excess or shortfall near a sampled minimum, by golden section.
     *
     * @param  callable(float): float  $excess
     * @param  array{float, float}  $about
     * @return array{float, float}
     */
    private static function nearest(callable $excess, array $about): array
    {
        $wide = max(self::FIRST, abs($about[0]) * self::GROWTH);
        [$low, $high] = [$about[0] - $wide, $about[0] + $wide];
        while ($high - $low > self::NEAREST_ACCURACY) {
            [$one, $other] = [$high - self::GOLDEN * ($high - $low), $low + self::GOLDEN * ($high - $low)];
            [$low, $high] = abs($excess($one)) < abs($excess($other)) ? [$low, $other] : [$one, $high];
        }

        return [($low + $high) / 2, $excess(($low + $high) / 2)];
    }

    /**
     * @param  callable(float): float  $excess
     * @param  array{float, float}  $one  a move and how much too long it is then
     * @param  array{float, float}  $other  on the other side of the length
     */
    private static function root(callable $excess, array $one, array $other): float
    {
        while (abs($other[0] - $one[0]) > self::LENGTH_ACCURACY) {
            // Zero of the chord, kept away from the ends of the bracket.
            $part = max(0.05, min(0.95, $one[1] / ($one[1] - $other[1])));
            $at = $one[0] + ($other[0] - $one[0]) * $part;
            $middle = [$at, $excess($at)];
            if ($middle[1] === 0.0) {
                return $at;
            }
            [$one, $other] = $middle[1] * $one[1] > 0.0 ? [$middle, $other] : [$one, $middle];
        }

        return ($one[0] + $other[0]) / 2;
    }
}
