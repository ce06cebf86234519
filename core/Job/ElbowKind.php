<?php

declare(strict_types=1);

namespace Bowline\Job;

/** The radius of a bought elbow that is welded in at a corner. */
enum ElbowKind: string
{
    case Long = 'long';
    case Short = 'short';

    /**
     * Centre-line radius of long and short elbows by the outside diameter of their pipe, mm: ASME B16.9, tables 1 and 4
     * (centre to end of a 90° elbow), and EN 10253-2, models 3D and 2D, for the sizes that only EN 10220 has. No short
     * ones are made under NPS 1.
     */
    private const SIZES = [
        [21.3, 38.0, null], [26.7, 38.0, null], [26.9, 38.0, null], [33.4, 38.0, 25.0], [33.7, 38.0, 25.0],
        [42.2, 48.0, 32.0], [42.4, 48.0, 32.0], [48.3, 57.0, 38.0], [60.3, 76.0, 51.0], [73.0, 95.0, 64.0],
        [76.1, 95.0, 64.0], [88.9, 114.0, 76.0], [101.6, 133.0, 89.0], [114.3, 152.0, 102.0],
        [139.7, 190.0, 127.0], [141.3, 190.0, 127.0], [168.3, 229.0, 152.0], [219.1, 305.0, 203.0],
        [273.0, 381.0, 254.0], [323.8, 457.0, 305.0], [323.9, 457.0, 305.0],
    ];

    /** A pipe this near to a size is of that size, mm. */
    private const NEAR = 0.5;

    /** Largest turn of an elbow, radians. */
    public const MOST = M_PI / 2;

    /** Whether it is made for a pipe of this outside diameter, mm. */
    public function isMadeFor(float $od): bool
    {
        return $this->tabled($od) !== null;
    }

    /** Returns the centre-line radius for a pipe, mm; of 1.5 or 1 times its diameter where none is made. */
    public function radius(float $od): float
    {
        return $this->tabled($od) ?? ($this === self::Long ? 1.5 : 1.0) * $od;
    }

    /** Returns the elbow in words: "elbow 90°, long radius", or "elbow 60°, long radius, cut from 90°". */
    public function words(float $angle): string
    {
        $degrees = rad2deg($angle);
        foreach ([45.0, 90.0] as $made) {
            if (abs($degrees - $made) < 0.05) {
                return sprintf('elbow %d°, %s radius', $made, $this->value);
            }
            if ($degrees < $made) {
                return sprintf('elbow %s°, %s radius, cut from %d°', Words::number($degrees, 1), $this->value, $made);
            }
        }

        return sprintf('elbow %s°, %s radius', Words::number($degrees, 1), $this->value);
    }

    private function tabled(float $od): ?float
    {
        foreach (self::SIZES as [$size, $long, $short]) {
            if (abs($size - $od) <= self::NEAR) {
                return $this === self::Long ? $long : $short;
            }
        }

        return null;
    }
}
