<?php

declare(strict_types=1);

namespace Bowline\Editing;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\FileValue;
use Bowline\Routing\Vertex;
use stdClass;

/** Tells joints on the legs on which they lie where an edit numbers the corners of a run anew. */
final class JointLegs
{
    /**
     * Keeps each joint that is told on a leg where it is in space, or as near to that as the run then goes. One that is
     * told by its length is left as it is.
     *
     * @param  list<Vector>  $corners  of the run after the edit, both ends among them
     */
    public static function renumber(RunDraft $draft, array $corners): void
    {
        $before = self::corners($draft);
        foreach ($draft->joints() as $index => $told) {
            $joint = $draft->laid->run->joints[$index] ?? null;
            [$start, $end] = [$before[($joint->leg ?? 0) - 1] ?? null, $before[$joint->leg ?? 0] ?? null];
            if ($joint === null || $start === null || $end === null || ! $told instanceof stdClass
                || ! $told->at instanceof stdClass || ! isset($told->at->leg)) {
                continue;
            }
            $place = $start->plus($end->minus($start)->unit()->times($joint->fromStart));
            [$leg, $ahead] = self::nearest($place, $corners) ?? [$joint->leg, $joint->fromStart];
            $told->at->leg = $leg;
            if (abs($ahead - $joint->fromStart) > Tolerance::COINCIDENT) {
                $told->at->from_start = FileValue::roundForFile($ahead);
            }
        }
    }

    /**
     * Counts the legs behind a corner anew, where others come before it.
     *
     * @param  int  $vertex  the corner
     * @param  int  $more  how many come before it
     */
    public static function shift(RunDraft $draft, int $vertex, int $more): void
    {
        foreach ($draft->joints() as $index => $told) {
            $joint = $draft->laid->run->joints[$index] ?? null;
            if ($joint !== null && $joint->leg > $vertex
                && $told instanceof stdClass && $told->at instanceof stdClass) {
                $told->at->leg = $joint->leg + $more;
            }
        }
    }

    /** Takes out the joints that are told on the leg to a corner, or behind it. */
    public static function takeOutFrom(RunDraft $draft, int $vertex): void
    {
        $told = $draft->joints();
        $kept = array_values(array_filter(
            $told, static fn (int $index): bool => ($draft->laid->run->joints[$index]->leg ?? 0) < $vertex,
            ARRAY_FILTER_USE_KEY,
        ));
        if ($kept !== []) {
            $draft->run->joints = $kept;
        } elseif ($told !== []) {
            unset($draft->run->joints);
        }
    }

    /** @return list<Vector> of the run before any change, both ends among them */
    public static function corners(RunDraft $draft): array
    {
        return array_map(static fn (Vertex $vertex): Vector => $vertex->at, $draft->laid->vertices);
    }

    /**
     * @param  list<Vector>  $corners
     * @return array{int, float}|null number of the corner at the far end of the nearest leg, and how far along it the
     *     place is, mm
     */
    private static function nearest(Vector $place, array $corners): ?array
    {
        $nearest = null;
        $least = INF;
        for ($corner = 1; $corner < count($corners); $corner++) {
            $leg = $corners[$corner]->minus($corners[$corner - 1]);
            if ($leg->length() < Tolerance::COINCIDENT) {
                continue;
            }
            $ahead = max(0.0, min($leg->length(), $place->minus($corners[$corner - 1])->dot($leg->unit())));
            $off = $corners[$corner - 1]->plus($leg->unit()->times($ahead))->distanceTo($place);
            if ($off < $least - Tolerance::COINCIDENT) {
                [$nearest, $least] = [[$corner, $ahead], $off];
            }
        }

        return $nearest;
    }
}
