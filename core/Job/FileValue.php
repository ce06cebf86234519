<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Vector;

/** Numbers as they are written into a job file: as a designer would have typed them, without the dust of rounding. */
final class FileValue
{
    /** A millionth of a micron, and far more than a double has of a length in a job. */
    private const DECIMALS = 9;

    /** Whole numbers up to here are exact as doubles, and are written without a decimal point. */
    private const LARGEST_WHOLE = 1e15;

    public static function roundForFile(float $number): int|float
    {
        $rounded = round($number, self::DECIMALS);

        return floor($rounded) === $rounded && abs($rounded) < self::LARGEST_WHOLE ? (int) $rounded : $rounded;
    }

    /** @return list<int|float> */
    public static function vector(Vector $vector): array
    {
        return array_map(self::roundForFile(...), $vector->toArray());
    }
}
