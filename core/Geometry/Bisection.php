<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/** Search by halving: in a list of ascending numbers, and for a root of a function. */
final readonly class Bisection
{
    /**
     * Returns the number i of the piece from $ascending[i] to $ascending[i + 1] in which a value lies: at a bound, the
     * piece behind it; beyond both ends, the first or the last piece.
     *
     * @param  list<float>  $ascending  two at least
     */
    public static function piece(array $ascending, float $value): int
    {
        $low = 0;
        $high = count($ascending) - 1;
        while ($high - $low > 1) {
            $middle = intdiv($low + $high, 2);
            if ($ascending[$middle] <= $value) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return $low;
    }

    /**
     * Returns a root of a continuous function between two places at which its signs differ, or where it is 0.
     *
     * @param  callable(float): float  $value
     * @param  float  $from  may be the greater one
     * @param  float  $atFrom  the value there
     * @param  int  $steps  each halves what is left; it ends where no number lies between
     */
    public static function root(callable $value, float $from, float $to, float $atFrom, int $steps = 100): float
    {
        for ($step = 0; $step < $steps; $step++) {
            $middle = ($from + $to) / 2;
            if ($middle === $from || $middle === $to) {
                break;
            }
            [$from, $to] = $value($middle) * $atFrom > 0.0 ? [$middle, $to] : [$from, $middle];
        }

        return ($from + $to) / 2;
    }

    private function __construct()
    {
    }
}
