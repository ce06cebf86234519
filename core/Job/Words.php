<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/** Numbers and directions in the words of the trade, for messages. */
final class Words
{
    private function __construct()
    {
    }

    /** At most two decimals, without trailing zeros: 18, 12.4, 0.05. */
    public static function number(float $number, int $decimals = 2): string
    {
        $text = number_format($number, $decimals, '.', '');
        $text = str_contains($text, '.') ? rtrim(rtrim($text, '0'), '.') : $text;

        return $text === '-0' ? '0' : str_replace('-', '−', $text);
    }

    public static function mm(float $length): string
    {
        return self::number($length).' mm';
    }

    /** Returns the number rounded up, for needed amounts, which must suffice. */
    public static function roundedUp(float $number, int $decimals = 1): float
    {
        $step = 10 ** $decimals;

        return ceil($number * $step - Tolerance::COINCIDENT) / $step;
    }

    public static function roundedDown(float $number, int $decimals = 1): float
    {
        return -self::roundedUp(-$number, $decimals);
    }

    /** Returns "+x" for an axis, "(0.6, 0, 0.8)" for any other direction. */
    public static function direction(Vector $direction): string
    {
        $unit = $direction->unit();

        return str_replace('-', '−', $unit->axisName() ?? sprintf(
            '(%s, %s, %s)', self::number($unit->x), self::number($unit->y), self::number($unit->z),
        ));
    }
}
