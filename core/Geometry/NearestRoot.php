<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/**
 * The root nearest to 0 of a continuous function that need be neither monotone nor smooth. It is sampled on both sides
 * outwards; every change of sign is bisected, and every minimum of its size between samples is refined, as it may touch
 * zero there or pass it twice.
 */
final readonly class NearestRoot
{
    /**
     * @param  float|null  $at  the root; null where there is none as far as was looked
     * @param  float  $value  the value there, or the one nearest to 0 of all that were found
     */
    private function __construct(
        public ?float $at,
        public float $value,
    ) {
    }

    /**
     * @param  callable(float): float  $value
     * @param  iterable<float>  $distances  from 0 at which it is sampled on both sides, ascending
     * @param  float  $reached  a smaller value counts as 0
     */
    public static function of(callable $value, iterable $distances, float $reached): self
    {
        $rest = [0.0, $value(0.0)];
        if (abs($rest[1]) < $reached) {
            return new self(...$rest);
        }
        $nearest = $rest[1];
        $last = $beforeLast = [1 => $rest, -1 => $rest];
        $isFirst = true;
        foreach ($distances as $distance) {
            $next = [1 => [$distance, $value($distance)], -1 => [-$distance, $value(-$distance)]];
            $found = $isFirst ? self::dip($value, $next[-1], $rest, $next[1]) : [];
            foreach ([1, -1] as $side) {
                if ($last[$side][1] * $next[$side][1] <= 0.0) {
                    $found[] = [Bisection::root($value, $last[$side][0], $next[$side][0], $last[$side][1]), 0.0];
                } elseif (! $isFirst) {
                    array_push($found, ...self::dip($value, $beforeLast[$side], $last[$side], $next[$side]));
                }
            }
            $best = null;
            foreach ([...$found, $next[1], $next[-1]] as [$at, $missed]) {
                $nearest = abs($missed) < abs($nearest) ? $missed : $nearest;
                if (abs($missed) < $reached && ($best === null || abs($at) < abs($best[0]))) {
                    $best = [$at, $missed];
                }
            }
            if ($best !== null) {
                return new self(...$best);
            }
            [$beforeLast, $last, $isFirst] = [$last, $next, false];
        }

        return new self(null, $nearest);
    }

    /**
     * Searches between three samples of one sign of which the middle one is nearest to 0.
     *
     * @param  callable(float): float  $value
     * @param  array{float, float}  $left  place and value
     * @param  array{float, float}  $middle
     * @param  array{float, float}  $right
     * @return list<array{float, float}> places and the value at each
     */
    private static function dip(callable $value, array $left, array $middle, array $right): array
    {
        $sign = $middle[1] > 0.0 ? 1.0 : -1.0;
        if ($sign * $middle[1] > min($sign * $left[1], $sign * $right[1])) {
            return [];
        }
        [$low, $high] = [min($left[0], $right[0]), max($left[0], $right[0])];
        [$at, $size] = GoldenSection::least(
            static fn (float $place): float => $sign * $value($place),
            $low,
            $high,
            GoldenSection::steps($high - $low, Tolerance::NOTHING * max(1.0, abs($low), abs($high))),
        );

        return $size >= 0.0
            ? [[$at, $sign * $size]]
            : [
                [Bisection::root($value, $left[0], $at, $left[1]), 0.0],
                [Bisection::root($value, $right[0], $at, $right[1]), 0.0],
            ];
    }
}
