<?php

declare(strict_types=1);

namespace Bowline\Materials\Nesting;

/**
 * The bounded knapsack by dynamic programming over a grid of lengths (Martello and Toth, Knapsack Problems, 1990,
 * section 3.3), in time that is known: what branch and bound cannot settle. Widths are rounded down to the grid and the
 * room up, so that what is found is worth no less than what truly fits.
 */
final class GridKnapsack
{
    /** Of the grid, mm. */
    private const STEP = 0.1;

    /** Lengths that miss the grid by no more than this share of its step are on it. */
    private const ON_GRID = 1e-6;

    /**
     * Returns the pieces that are worth the most together in a room, by width, and what they are worth.
     *
     * @param  list<float>  $widths
     * @param  list<float>  $worths  of a piece of each width
     * @param  array<int, int>  $most  of each width
     * @return array{float, array<int, int>}
     */
    public static function best(float $room, array $widths, array $worths, array $most): array
    {
        $cells = (int) ceil($room / self::STEP - self::ON_GRID);
        $worth = array_fill(0, $cells + 1, 0.0);
        $items = $taken = [];
        foreach ($widths as $i => $width) {
            $cut = (int) floor($width / self::STEP + self::ON_GRID);
            // As many as fit, in packs of 1, 2, 4 and so on: they add up to every number up to that.
            $left = min($most[$i], intdiv($cells, max(1, $cut)));
            for ($pack = 1; $left > 0 && $worths[$i] > 0.0; $pack *= 2) {
                $count = min($pack, $left);
                $left -= $count;
                $items[] = [$i, $count, $cut * $count];
                $is = str_repeat('0', $cells + 1);
                $gain = $worths[$i] * $count;
                for ($at = $cells, $long = $cut * $count; $at >= $long; $at--) {
                    $with = $worth[$at - $long] + $gain;
                    if ($with > $worth[$at]) {
                        $worth[$at] = $with;
                        $is[$at] = '1';
                    }
                }
                $taken[] = $is;
            }
        }
        $counts = array_fill(0, count($widths), 0);
        $at = $cells;
        for ($item = count($items) - 1; $item >= 0; $item--) {
            if ($taken[$item][$at] === '1') {
                [$i, $count, $long] = $items[$item];
                $counts[$i] += $count;
                $at -= $long;
            }
        }

        return [$worth[$cells], $counts];
    }
}
