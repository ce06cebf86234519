<?php

declare(strict_types=1);

namespace Bowline\Harness;

use Bowline\Geometry\Tolerance;

/** What lies on a part of the board, and where there is room beside it. Millimetres and radians. */
final class BoardSpace
{
    /** Between what lies side by side there has to be room for pegs and hands, mm. */
    public const APART = 18.0;

    /** Least angle between what meets, radians. */
    private const LEAST_ANGLE = 0.25;

    /** @var list<BoardSegment> */
    public array $segments = [];

    /**
     * Whether something goes on from a place in a direction.
     *
     * @param  array{float, float}  $place
     */
    public function goesOn(array $place, float $direction): bool
    {
        foreach ($this->segments as $segment) {
            $away = self::directionFrom($segment, $place);
            if ($away !== null && abs(self::turn($away - $direction)) < self::LEAST_ANGLE) {
                return true;
            }
        }

        return false;
    }

    /**
     * Returns what a straight from a place would cross, cover, or come too near.
     *
     * @param  array{float, float}  $place
     */
    public function inWay(array $place, float $angle, float $length, float $diameter): ?BoardSegment
    {
        $end = [$place[0] + $length * cos($angle), $place[1] + $length * sin($angle)];
        $wished = new BoardSegment(null, 0.0, $length, $place, $end, $diameter);
        foreach ($this->segments as $segment) {
            $away = self::directionFrom($segment, $place);
            if ($away !== null
                ? abs(self::turn($away - $angle)) < self::LEAST_ANGLE
                : $wished->distanceTo($segment) < self::APART + ($diameter + $segment->diameter) / 2) {
                return $segment;
            }
        }

        return null;
    }

    /**
     * @param  array{float, float}  $place
     * @return float|null the direction in which a segment goes away from a place that is an end of it; null where it is
     *     none
     */
    private static function directionFrom(BoardSegment $segment, array $place): ?float
    {
        [$x, $y] = [$segment->end[0] - $segment->start[0], $segment->end[1] - $segment->start[1]];
        $isAt = static fn (float $atX, float $atY): bool => hypot($atX - $place[0], $atY - $place[1])
            < Tolerance::COINCIDENT;

        return match (true) {
            $isAt(...$segment->start) => atan2($y, $x),
            $isAt(...$segment->end) => atan2(-$y, -$x),
            default => null,
        };
    }

    /** Returns an angle as between −π and π. */
    public static function turn(float $angle): float
    {
        return $angle - 2 * M_PI * round($angle / (2 * M_PI));
    }

    /** @return array{array{float, float}, array{float, float}} least and greatest coordinates, with the origin */
    public function extent(): array
    {
        $xs = $ys = [0.0];
        foreach ($this->segments as $segment) {
            array_push($xs, $segment->start[0], $segment->end[0]);
            array_push($ys, $segment->start[1], $segment->end[1]);
        }

        return [[min($xs), min($ys)], [max($xs), max($ys)]];
    }
}
