<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/** Search by halving in a list of ascending numbers. */
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

    private function __construct()
    {
    }
}
