<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Geometry\FalsePosition;
use Bowline\Geometry\GoldenSection;
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
        [$at] = GoldenSection::least(
            static fn (float $move): float => abs($excess($move)),
            $about[0] - $wide,
            $about[0] + $wide,
            GoldenSection::steps(2 * $wide, self::NEAREST_ACCURACY),
        );

        return [$at, $excess($at)];
    }

    /**
     * @param  callable(float): float  $excess
     * @param  array{float, float}  $one  a move and how much too long it is then
     * @param  array{float, float}  $other  on the other side of the length
     */
    private static function root(callable $excess, array $one, array $other): float
    {
        return array_sum(FalsePosition::narrowed($excess, ...$one, ...$other, width: self::LENGTH_ACCURACY)) / 2;
    }
}
