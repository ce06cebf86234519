<?php

declare(strict_types=1);

namespace Bowline\Clearance;

use Bowline\Geometry\Vector;

/** Finds where a run is nearest to another thing. */
final class GapFinder
{
    /** Least step by which it is looked where a run that begins at a thing comes clear of it, mm. */
    private const STEP = 0.5;

    /** By how much more than needed it is clear of a thing that it begins at, mm: it may lean over it a little. */
    private const CLEAR = 2.0;

    /**
     * Distances are found up to this much beyond the limit that is asked about, mm, and clipped there: a clipped
     * distance still changes by no more than one moves, which LeastAlong needs.
     */
    private const BEYOND = 25.0;

    /**
     * Returns where a run is nearest to another thing, if that is nearer than is needed. Near an end at which it
     * touches the thing it counts from where it has come clear of it.
     *
     * @param  float  $needed  mm
     * @param  list<string>  $touching  ends of the run at which it touches the thing: `from`, `to`
     * @param  list<string>  $touched  ends of the other, where that is a run, at which it touches this
     */
    public static function between(
        RunThing $run,
        Thing $other,
        float $needed,
        array $touching,
        array $touched,
    ): ?Gap {
        if ($run->bounds()->distanceToBox($other->bounds()) > $needed) {
            return null;
        }
        $length = $run->laid->length();
        $from = in_array('from', $touching, true) ? self::clearFrom($run, $other, $needed, $touched, false) : 0.0;
        $to = in_array('to', $touching, true)
            ? $length - self::clearFrom($run, $other, $needed, $touched, true)
            : $length;
        $best = null;
        foreach ($run->surfaces($other->bounds(), $needed, $touching) as $piece) {
            $surfaces = $other->surfaces($piece->bounds, $needed + $piece->radius, $touched);
            if ($surfaces === []) {
                continue;
            }
            $found = self::least(
                $piece,
                $piece->isAlong ? max(0.0, $from - $piece->along) : 0.0,
                $piece->isAlong ? min($piece->segment->length(), $to - $piece->along) : $piece->segment->length(),
                $surfaces,
                min($needed, $best->distance ?? INF),
            );
            if ($found !== null) {
                $at = $piece->segment->pointAt($found[1]);
                [$distance, $away, $along] = self::nearest($surfaces, $at, INF);
                $best = new Gap($run, $other, $found[0], [
                    $at->minus($away->times($piece->radius)), $at->minus($away->times($distance)),
                ], [$piece->lengthAt($found[1]), $along]);
            }
        }

        return $best;
    }

    /**
     * Returns the least distance of a piece of a run from surfaces, if it is less than told, and the length along it.
     *
     * @param  non-empty-list<Surface>  $surfaces
     * @return array{float, float}|null
     */
    private static function least(RoundPiece $piece, float $from, float $to, array $surfaces, float $below): ?array
    {
        $best = null;
        $others = [];
        foreach ($surfaces as $surface) {
            // Branch and bound along a curve is slow where two curves are nearly parallel; their chains are not.
            if ($surface instanceof RoundPiece && $surface->isChain() && $piece->isChain()) {
                $reach = $piece->radius + $surface->radius;
                $found = $from < $to ? $piece->chain($from, $to)->nearest(
                    $surface->chain(0.0, INF), ($best[0] ?? $below) + $reach,
                ) : null;
                $best = $found === null ? $best : [$found[0] - $reach, $found[1]];
            } else {
                $others[] = $surface;
            }
        }
        $found = $others === [] ? null : LeastAlong::of(
            $piece->segment, $from, $to,
            static fn (float $along): float => self::nearest(
                $others, $piece->segment->pointAt($along), ($best[0] ?? $below) + $piece->radius + self::BEYOND,
            )[0] - $piece->radius,
            $best[0] ?? $below,
        );

        return $found ?? $best;
    }

    /**
     * @param  non-empty-list<Surface>  $surfaces
     * @param  float  $within  what is farther off is told to be so far, mm
     * @return array{float, Vector, float|null}
     */
    private static function nearest(array $surfaces, Vector $point, float $within): array
    {
        $best = $surfaces[0]->at($point, $within);
        foreach (array_slice($surfaces, 1) as $surface) {
            $found = $surface->at($point, $within);
            $best = $found[0] < $best[0] ? $found : $best;
        }

        return $best;
    }

    /**
     * Returns how far from one of its ends a run is first as far off a thing as is needed, mm; more than its length
     * where it never is.
     *
     * @param  list<string>  $touched
     */
    private static function clearFrom(
        RunThing $run,
        Thing $other,
        float $needed,
        array $touched,
        bool $isFromEnd,
    ): float {
        $path = $isFromEnd ? $run->path()->reversed() : $run->path();
        $surfaces = $other->surfaces($run->bounds(), INF, $touched);
        if ($surfaces === []) {
            return 0.0;
        }
        $radius = $run->radius();
        for ($along = 0.0; $along <= $path->length;) {
            $off = self::nearest($surfaces, $path->pointAt($along), $needed + self::CLEAR + $radius + self::BEYOND)[0];
            $short = $needed + self::CLEAR - ($off - $radius);
            if ($short <= 0.0) {
                return $along;
            }
            // A distance grows by no more than one goes along.
            $along += max(self::STEP, $short);
        }

        return INF;
    }
}
