<?php

declare(strict_types=1);

namespace Bowline\Job;

/** A bought tee that is welded into a run, by the sizes of the run and of the branch. Lengths in mm. */
final readonly class TeeSize
{
    /** Outside diameters by nominal diameter: of EN 10220, and of ASME B36.10 where that has another. */
    private const DIAMETERS = [
        15 => [21.3], 20 => [26.9, 26.7], 25 => [33.7, 33.4], 32 => [42.4, 42.2], 40 => [48.3], 50 => [60.3],
        65 => [76.1, 73.0], 80 => [88.9], 90 => [101.6], 100 => [114.3], 125 => [139.7, 141.3], 150 => [168.3],
        200 => [219.1], 250 => [273.0], 300 => [323.9, 323.8],
    ];

    /**
     * Centre to end of the run, and centre to end of the outlet by its nominal diameter: ASME B16.9, tables 7 and 8
     * (straight and reducing tees).
     */
    private const SIZES = [
        15 => [25.0, [15 => 25.0]],
        20 => [29.0, [20 => 29.0, 15 => 29.0]],
        25 => [38.0, [25 => 38.0, 20 => 38.0, 15 => 38.0]],
        32 => [48.0, [32 => 48.0, 25 => 48.0, 20 => 48.0, 15 => 48.0]],
        40 => [57.0, [40 => 57.0, 32 => 57.0, 25 => 57.0, 20 => 57.0, 15 => 57.0]],
        50 => [64.0, [50 => 64.0, 40 => 60.0, 32 => 57.0, 25 => 51.0, 20 => 44.0]],
        65 => [76.0, [65 => 76.0, 50 => 70.0, 40 => 67.0, 32 => 64.0, 25 => 57.0]],
        80 => [86.0, [80 => 86.0, 65 => 83.0, 50 => 76.0, 40 => 73.0, 32 => 70.0]],
        90 => [95.0, [90 => 95.0, 80 => 92.0, 65 => 89.0, 50 => 83.0, 40 => 79.0]],
        100 => [105.0, [100 => 105.0, 90 => 102.0, 80 => 98.0, 65 => 95.0, 50 => 89.0, 40 => 86.0]],
        125 => [124.0, [125 => 124.0, 100 => 117.0, 90 => 114.0, 80 => 111.0, 65 => 108.0, 50 => 105.0]],
        150 => [143.0, [150 => 143.0, 125 => 137.0, 100 => 130.0, 90 => 127.0, 80 => 124.0, 65 => 121.0]],
        200 => [178.0, [200 => 178.0, 150 => 168.0, 125 => 162.0, 100 => 156.0, 90 => 152.0]],
        250 => [216.0, [250 => 216.0, 200 => 203.0, 150 => 194.0, 125 => 191.0, 100 => 184.0]],
        300 => [254.0, [300 => 254.0, 250 => 241.0, 200 => 229.0, 150 => 219.0, 125 => 216.0]],
    ];

    /** A pipe this near to a size is of that size, mm. */
    private const NEAR = 0.5;

    /**
     * @param  float  $run  centre to end of the run
     * @param  float  $outlet  centre to end of the outlet
     */
    private function __construct(
        public string $name,
        public float $run,
        public float $outlet,
    ) {
    }

    /**
     * @param  Section  $run  of the run
     * @param  Section  $branch  of the branch
     * @return self|null null where none is made
     */
    public static function of(Section $run, Section $branch): ?self
    {
        [$size, $of] = [self::nominal($run), self::nominal($branch)];
        [$centreToEnd, $outlets] = self::SIZES[$size ?? 0] ?? [0.0, []];
        if ($size === null || $of === null || ! isset($outlets[$of])) {
            return null;
        }

        return new self(
            $of === $size ? sprintf('tee DN %d', $size) : sprintf('reducing tee DN %d × %d', $size, $of), $centreToEnd,
            $outlets[$of],
        );
    }

    private static function nominal(Section $section): ?int
    {
        foreach ($section->isRound ? self::DIAMETERS : [] as $nominal => $diameters) {
            foreach ($diameters as $diameter) {
                if (abs($section->outsideDiameter - $diameter) <= self::NEAR) {
                    return $nominal;
                }
            }
        }

        return null;
    }
}
