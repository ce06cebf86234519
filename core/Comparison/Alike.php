<?php

declare(strict_types=1);

namespace Bowline\Comparison;

/** When two figures count as the same: half of the last digit that a bend table shows. */
final readonly class Alike
{
    /** Millimetres. */
    public const LENGTH = 0.005;

    /** Radians: 0.005°. */
    public const ANGLE = 0.005 * M_PI / 180;

    public static function lengths(float $one, float $other): bool
    {
        return abs($one - $other) <= self::LENGTH;
    }

    /** Whether two angles, in radians, are the same; −180° and 180° are. */
    public static function angles(float $one, float $other): bool
    {
        $off = abs(fmod($one - $other, 2 * M_PI));

        return min($off, 2 * M_PI - $off) <= self::ANGLE;
    }

    /** Whether two values have the same class and the same in all of their properties. */
    public static function values(mixed $one, mixed $other): bool
    {
        return serialize($one) === serialize($other);
    }
}
