<?php

declare(strict_types=1);

namespace Bowline\Job\End;

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

    private function __construct(
        public int $count,
        public int $thread,
        public int $length,
    ) {
    }

    /**
     * Returns the bolts of two flanges alike with a gasket between; null where they have no holes, or none for a bolt
     * of the table.
     */
    public static function of(Flange $flange, float $gasket): ?self
    {
        $holes = $flange->holes;
        $thread = null;
        foreach (self::METRIC as $size => [$least]) {
            $thread = $holes !== null && $holes->diameter >= $least ? $size : $thread;
        }
        if ($holes === null || $thread === null) {
            return null;
        }
        [, $pitch, $nut, $washer] = self::METRIC[$thread];
        $needed = 2 * $flange->thickness + $gasket + 2 * $washer + $nut + 2 * $pitch;
        foreach (self::LENGTHS as $length) {
            if ($length >= $needed) {
                return new self($holes->count, $thread, $length);
            }
        }

        return null;
    }

    /** Returns "M12 × 50". */
    public function words(): string
    {
        return sprintf('M%d × %d', $this->thread, $this->length);
    }
}
