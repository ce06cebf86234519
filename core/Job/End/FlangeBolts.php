<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Job\Units;
use Bowline\Job\Words;

/**
 * The bolts that hold two flanges together: as thick as their holes let through, and so long that two threads stand out
 * of the nut. Millimetres.
 */
final readonly class FlangeBolts
{
    /**
     * Metric threads: least clearance hole (ISO 273, fine), pitch (ISO 261), height of a nut (ISO 4032), thickness of a
     * washer (ISO 7089).
     */
    private const METRIC = [
        6 => [6.4, 1.0, 5.2, 1.6], 8 => [8.4, 1.25, 6.8, 1.6], 10 => [10.5, 1.5, 8.4, 2.0],
        12 => [13.0, 1.75, 10.8, 2.5], 16 => [17.0, 2.0, 14.8, 3.0], 20 => [21.0, 2.5, 18.0, 3.0],
        24 => [25.0, 3.0, 21.5, 4.0], 27 => [28.0, 3.0, 23.8, 4.0], 30 => [31.0, 3.5, 25.6, 4.0],
        33 => [34.0, 3.5, 28.7, 5.0], 36 => [37.0, 4.0, 31.0, 5.0],
    ];

    /** Lengths of ISO 4014 and ISO 4017. */
    private const LENGTHS = [
        20, 25, 30, 35, 40, 45, 50, 55, 60, 65, 70, 80, 90, 100, 110, 120, 130, 140, 150, 160, 180, 200,
    ];

    /**
     * Threads of stud bolts by their size in inches: threads to the inch (ASME B1.1: coarse, above 1 in 8 to the inch).
     * A hole is an eighth of an inch wider (ASME B16.5), a heavy nut as high as the bolt is thick (ASME B18.2.2).
     */
    private const INCH = [
        '1/2' => [0.5, 13], '5/8' => [0.625, 11], '3/4' => [0.75, 10], '7/8' => [0.875, 9], '1' => [1.0, 8],
        '1 1/8' => [1.125, 8], '1 1/4' => [1.25, 8],
    ];

    /** Between the lengths of stud bolts, in. */
    private const INCH_STEP = 0.25;

    /** By which sizes of inches in the tables may be rounded, mm. */
    private const ROUNDED = 0.06;

    /** @param  string  $what  "Bolt M12 × 50, ISO 4014, with nut and 2 washers" */
    private function __construct(
        public int $count,
        public string $what,
    ) {
    }

    /**
     * Returns the bolts of two flanges alike with a gasket between; null where they have no holes, or none for a bolt
     * of the table. Flanges of ASME have stud bolts of inch sizes.
     */
    public static function of(Flange $flange, float $gasket): ?self
    {
        return $flange->holes === null ? null : (str_starts_with($flange->name ?? '', 'ASME')
            ? self::studs($flange->holes, $flange->thickness, $gasket)
            : self::metric($flange->holes, $flange->thickness, $gasket));
    }

    private static function metric(BoltHoles $holes, float $thickness, float $gasket): ?self
    {
        $thread = null;
        foreach (self::METRIC as $size => [$least]) {
            $thread = $holes->diameter >= $least ? $size : $thread;
        }
        if ($thread === null) {
            return null;
        }
        [, $pitch, $nut, $washer] = self::METRIC[$thread];
        $needed = 2 * $thickness + $gasket + 2 * $washer + $nut + 2 * $pitch;
        foreach (self::LENGTHS as $length) {
            if ($length >= $needed) {
                return new self($holes->count, sprintf(
                    'Bolt M%d × %d, ISO 4014, with nut and 2 washers', $thread, $length,
                ));
            }
        }

        return null;
    }

    /** Returns stud bolts of which two threads stand out of either nut. */
    private static function studs(BoltHoles $holes, float $thickness, float $gasket): ?self
    {
        $size = null;
        foreach (self::INCH as $word => [$inches]) {
            $size = $holes->diameter + self::ROUNDED >= ($inches + 0.125) * Units::INCH ? $word : $size;
        }
        if ($size === null) {
            return null;
        }
        [$inches, $threads] = self::INCH[$size];
        $needed = (2 * $thickness + $gasket) / Units::INCH + 2 * $inches + 4 / $threads;

        return new self($holes->count, sprintf(
            'Stud bolt %s in × %s in, ASME B16.5, with 2 heavy nuts', $size,
            Words::number(ceil($needed / self::INCH_STEP) * self::INCH_STEP, 2),
        ));
    }
}
