<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Vector;

/** Numbers as they are written to a job file: as a designer would type them, without rounding errors. */
final class FileValue
{
    /** Decimals: 1e-9 mm, more than the accuracy of a length in a job. */
    private const DECIMALS = 9;

    /** Largest whole number that a double holds exactly and that is written without a decimal point. */
    private const LARGEST_WHOLE = 1e15;

    public static function roundForFile(float $number): int|float
    {
        $rounded = round($number, self::DECIMALS);

        return floor($rounded) === $rounded && abs($rounded) < self::LARGEST_WHOLE ? (int) $rounded : $rounded;
    }

    /** Returns a number or an expression of the file increased by an amount; null where it is neither. */
    public static function increased(mixed $said, float $by): int|float|string|null
    {
        return match (true) {
            is_int($said), is_float($said) => self::roundForFile($said + $by),
            is_string($said) => sprintf('%s + %s', $said, (string) json_encode(self::roundForFile($by))),
            default => null,
        };
    }

    /** @return list<int|float> */
    public static function vector(Vector $vector): array
    {
        return array_map(self::roundForFile(...), $vector->toArray());
    }
}
