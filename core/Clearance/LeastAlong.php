<?php

declare(strict_types=1);

namespace Bowline\Clearance;

use Bowline\Geometry\GoldenSection;
use Bowline\Geometry\Segment;

/**
 * The least distance of something from a segment. A distance changes by no more than one moves: between two places of a
 * segment that are w apart it is no less than half of both distances and −w together. What cannot be less than the
 * least that was found is not looked at any closer (branch and bound); the rest by golden section.
 */
final class LeastAlong
{
    /** How close the least is known before it is refined, mm. */
    private const CLOSE = 0.05;

    /** Longest piece that is looked at first, mm. */
    private const LONGEST = 50.0;

    private const STEPS = 32;

    /**
     * @param  callable(float): float  $distance  at a length along it, mm
     * @param  float  $below  what is no less need not be found, mm
     * @return array{float, float}|null the least distance and its length along; null where it is not below that
     */
    public static function of(Segment $segment, float $from, float $to, callable $distance, float $below): ?array
    {
        if ($to < $from) {
            return null;
        }
        $count = max(1, (int) ceil(($to - $from) / self::LONGEST));
        $open = [];
        $before = [$from, $distance($from)];
        $best = [$before[1], $from];
        for ($i = 1; $i <= $count; $i++) {
            $at = $from + ($to - $from) * $i / $count;
            $now = [$at, $distance($at)];
            $best = $now[1] < $best[0] ? [$now[1], $at] : $best;
            $open[] = [$before, $now];
            $before = $now;
        }
        while ($open !== []) {
            [[$start, $atStart], [$end, $atEnd]] = array_pop($open);
            $least = ($atStart + $atEnd - ($end - $start)) / 2;
            if ($least >= min($below, $best[0] - self::CLOSE)) {
                continue;
            }
            $middle = ($start + $end) / 2;
            $found = $distance($middle);
            $best = $found < $best[0] ? [$found, $middle] : $best;
            array_push($open, [[$start, $atStart], [$middle, $found]], [[$middle, $found], [$end, $atEnd]]);
        }
        if ($best[0] >= $below + self::CLOSE) {
            return null;
        }
        $best = self::refined($distance, $best, $from, $to);

        return $best[0] < $below ? $best : null;
    }

    /**
     * @param  callable(float): float  $distance
     * @param  array{float, float}  $best
     * @return array{float, float}
     */
    private static function refined(callable $distance, array $best, float $from, float $to): array
    {
        // A least distance of a flat minimum is found within this of where it is nearly as small.
        [$middle, $found] = GoldenSection::least(
            $distance, max($from, $best[1] - self::LONGEST / 4), min($to, $best[1] + self::LONGEST / 4), self::STEPS,
        );

        return $found < $best[0] ? [$found, $middle] : $best;
    }
}
