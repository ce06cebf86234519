<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Tolerance;
use Bowline\Job\Repeat;

/** Where the things stand that repeat along a run. */
final class RepeatPlaces
{
    /** @return list<float> developed lengths of their middles, mm, ascending; none where there is no room */
    public static function of(LaidRun $laid, Repeat $repeat): array
    {
        $start = $repeat->from;
        $room = $laid->length() - $repeat->to - $start;
        if ($room < -Tolerance::NOTHING) {
            return [];
        }
        [$count, $pitch] = self::spacing($repeat, max(0.0, $room));
        $places = $count === 1 && $repeat->pitch === null
            ? [$start + $room / 2]
            : array_map(static fn (int $i): float => $start + $i * $pitch, range(0, $count - 1));

        return $repeat->onStraights ? self::onStraights($laid, $repeat, $places) : $places;
    }

    /** @return array{int, float} how many there are, and how far apart, mm */
    private static function spacing(Repeat $repeat, float $room): array
    {
        if ($repeat->count !== null) {
            return [$repeat->count, $repeat->count === 1 ? 0.0 : $room / ($repeat->count - 1)];
        }
        $pitch = $repeat->pitch ?? 1.0;
        if ($repeat->isFitted) {
            $gaps = max(1, min(Repeat::MOST - 1, (int) round($room / $pitch)));

            return $room < Tolerance::NOTHING ? [1, 0.0] : [$gaps + 1, $room / $gaps];
        }

        return [min(Repeat::MOST, (int) floor($room / $pitch + Tolerance::NOTHING) + 1), $pitch];
    }

    /**
     * Returns each on the nearest straight that holds it; those that would come to lie on one before them are left out.
     *
     * @param  list<float>  $places
     * @return list<float>
     */
    private static function onStraights(LaidRun $laid, Repeat $repeat, array $places): array
    {
        $straights = $laid->path->straights();
        $moved = [];
        foreach ($places as $place) {
            $at = LaidJoint::places($straights, $place, $repeat->width)[0] ?? null;
            $last = $moved === [] ? -INF : $moved[count($moved) - 1];
            if ($at !== null && $at - $last >= $repeat->width) {
                $moved[] = $at;
            }
        }

        return $moved;
    }
}
