<?php

declare(strict_types=1);

namespace Bowline\Drawing;

use Bowline\Geometry\Tolerance;
use Bowline\Harness\Board;
use Bowline\Harness\BoardMark;
use Bowline\Harness\BoardSegment;

/** Finds places for the tables of connectors on a board, where they cover neither trunks nor each other. */
final class BoardTables
{
    /** From a connector to its table, mm: the first at which there is room. */
    private const DISTANCES = [9.0, 20.0, 35.0, 55.0, 80.0];

    /** Away from its trunk, as that goes on, degrees. */
    private const DIRECTIONS = [0, 45, -45, 90, -90, 135, -135, 180];

    /** Between a table and what lies beside it, mm. */
    private const GAP = 2.0;

    /** @var list<array{float, float, float, float}> what is taken: least x and y, greatest x and y */
    private array $taken = [];

    public function __construct(private readonly Board $board)
    {
    }

    /**
     * Returns the lower left corner of the table of a mark, which is then taken.
     *
     * @return array{float, float}
     */
    public function place(BoardMark $mark, float $width, float $height): array
    {
        $first = null;
        foreach (self::DISTANCES as $distance) {
            foreach (self::DIRECTIONS as $degrees) {
                $rectangle = self::rectangle($mark, $mark->angle + deg2rad($degrees), $distance, $width, $height);
                $first ??= $rectangle;
                if ($this->isFree($rectangle)) {
                    return $this->take($rectangle);
                }
            }
        }

        return $this->take($first);
    }

    /**
     * @param  array{float, float, float, float}  $rectangle
     * @return array{float, float}
     */
    private function take(array $rectangle): array
    {
        $this->taken[] = $rectangle;

        return [$rectangle[0], $rectangle[1]];
    }

    /** @return array{float, float, float, float} that begins at a distance from a mark, in a direction */
    private static function rectangle(
        BoardMark $mark,
        float $angle,
        float $distance,
        float $width,
        float $height,
    ): array {
        [$x, $y] = [cos($angle), sin($angle)];
        // Its middle is off by what it reaches towards the mark.
        $left = $mark->at[0] + $distance * $x + ($x - 1.0) * $width / 2;
        $low = $mark->at[1] + $distance * $y + ($y - 1.0) * $height / 2;

        return [$left, $low, $left + $width, $low + $height];
    }

    /** @param  array{float, float, float, float}  $rectangle */
    private function isFree(array $rectangle): bool
    {
        [$left, $low, $right, $top] = $rectangle;
        foreach ($this->taken as $other) {
            if ($left < $other[2] + self::GAP && $other[0] < $right + self::GAP
                && $low < $other[3] + self::GAP && $other[1] < $top + self::GAP) {
                return false;
            }
        }
        foreach ($this->board->segments as $segment) {
            if (self::meets($segment, $rectangle, self::GAP + $segment->diameter / 2)) {
                return false;
            }
        }

        return true;
    }

    /**
     * Whether a segment comes within a distance of a rectangle, that of its corners taken along x and y (the segment is
     * clipped by the four sides: Liang and Barsky).
     *
     * @param  array{float, float, float, float}  $rectangle
     */
    private static function meets(BoardSegment $segment, array $rectangle, float $off): bool
    {
        [$from, $to] = [0.0, 1.0];
        foreach ([0, 1] as $axis) {
            $way = $segment->end[$axis] - $segment->start[$axis];
            [$low, $high] = [
                $rectangle[$axis] - $off - $segment->start[$axis], $rectangle[$axis + 2] + $off
                    - $segment->start[$axis],
            ];
            if (abs($way) < Tolerance::NOTHING) {
                if ($low > 0.0 || $high < 0.0) {
                    return false;
                }

                continue;
            }
            $from = max($from, min($low / $way, $high / $way));
            $to = min($to, max($low / $way, $high / $way));
        }

        return $from <= $to;
    }
}
