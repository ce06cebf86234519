<?php

declare(strict_types=1);

namespace Bowline\Comparison;

use Bowline\Geometry\Vector;
use Bowline\Routing\LaidRun;

/** Directions that go with a part wherever it lies: the plane of the nearest bend, or the upright at its start. */
final readonly class PartFrame
{
    /**
     * Returns how far a direction square to a run is turned about it from the part's own direction there, radians,
     * right-handed.
     *
     * @param  float  $along  developed length, mm
     * @param  Vector  $side  unit
     */
    public static function turnOf(LaidRun $laid, float $along, Vector $side): float
    {
        $travel = $laid->path->directionAt($along);
        $own = self::own($laid, $along);
        $own = $own->minus($travel->times($own->dot($travel)));
        // A direction along the run is square to nothing there: any answer will do, as long as it is always the same.
        if ($own->length() < Alike::ANGLE) {
            return 0.0;
        }

        return atan2($own->cross($side)->dot($travel), $own->dot($side));
    }

    /** Returns the normal of the nearest bend; where none bends, the upright of the section at the start. */
    private static function own(LaidRun $laid, float $along): Vector
    {
        $nearest = null;
        foreach ($laid->bends as $bend) {
            $off = abs(($bend->start + $bend->end()) / 2 - $along);
            if ($nearest === null || $off < $nearest[0]) {
                $nearest = [$off, $bend->normal];
            }
        }

        return $nearest[1] ?? $laid->run->section->up->uprightOf($laid->path->directionAt(0.0));
    }
}
