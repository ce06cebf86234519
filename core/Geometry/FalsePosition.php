<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/**
 * Finds where a function changes its sign, by false position: where the straight between two values of different signs
 * meets 0. The Illinois method halves the value at an end that stays, so that both ends come near the root (Dowell and
 * Jarratt, BIT 11, 1971). The function may jump there.
 */
final readonly class FalsePosition
{
    private const MOST_STEPS = 100;

    /**
     * @param  callable(float): float  $value
     * @param  float  $atFrom  the value at `$from`; it has another sign than that at `$to`, 0 counting as positive
     * @param  float  $width  it ends when both ends are no farther apart than this
     * @param  float  $reached  or at a value that is nearer to 0 than this, with which both ends are the same place
     * @return array{float, float} both ends, in the order and with the signs that they were given in
     */
    public static function narrowed(
        callable $value, float $from, float $atFrom, float $to, float $atTo, float $width, float $reached = 0.0,
    ): array {
        $isPositive = $atTo >= 0.0;
        $stayed = 0;
        for ($step = 0; $step < self::MOST_STEPS && abs($to - $from) > $width; $step++) {
            // Not nearer to an end than half of what is asked for: there the other end comes beside the root.
            $least = min(0.5, $width / 2 / abs($to - $from));
            $part = max($least, min(1.0 - $least, $atFrom / ($atFrom - $atTo)));
            $at = $from + $part * ($to - $from);
            $found = $value($at);
            if (abs($found) < $reached) {
                return [$at, $at];
            }
            if (($found >= 0.0) === $isPositive) {
                [$to, $atTo] = [$at, $found];
                $atFrom = $stayed === 1 ? $atFrom / 2 : $atFrom;
                $stayed = 1;
            } else {
                [$from, $atFrom] = [$at, $found];
                $atTo = $stayed === 2 ? $atTo / 2 : $atTo;
                $stayed = 2;
            }
        }

        return [$from, $to];
    }
}
