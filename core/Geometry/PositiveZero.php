<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/** Numbers without the sign that a zero may have: files and keys of places have one zero. */
final readonly class PositiveZero
{
    /** Returns the same number; 0.0 for −0.0. Not by adding 0.0, which OPcache leaves out where it knows the types. */
    public static function of(float $number): float
    {
        return $number === 0.0 ? 0.0 : $number;
    }
}
