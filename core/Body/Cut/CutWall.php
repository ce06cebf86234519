<?php

declare(strict_types=1);

namespace Bowline\Body\Cut;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/** A wall of a cut: from a place on one of its outlines to the nearest on another. Millimetres. */
final readonly class CutWall
{
    /** Parts into which a straight piece is divided to look for the thickest wall. */
    private const PARTS = 16;

    /** A chord that is met this near, beside its sagitta, is that of the place itself, mm. */
    private const APART = 0.05;

    /** Steps from a chord to its ellipse, and the sine of the least angle at which a line meets it. */
    private const STEPS = 4;

    private const STEEP = 0.1;

    /** Most places on an outline from which walls are looked for. */
    private const MOST_PLACES = 240;

    private function __construct(
        public Vector $from,
        public Vector $to,
    ) {
    }

    public function thickness(): float
    {
        return $this->from->distanceTo($this->to);
    }

    /**
     * Returns the thinnest and the thickest wall round what is hollow.
     *
     * @param  list<CutLoop>  $loops  of one body
     * @return array{self, self}|null null where nothing is hollow
     */
    public static function extremes(array $loops): ?array
    {
        $least = $most = null;
        foreach ($loops as $number => $loop) {
            if ($loop->area >= 0.0) {
                continue;
            }
            $places = self::places($loop);
            $stride = (int) ceil(count($places) / self::MOST_PLACES);
            for ($i = 0; $i < count($places); $i += $stride) {
                $place = $places[$i];
                $wall = self::from($place, $number, $loops);
                if ($wall === null) {
                    continue;
                }
                $least = $least === null || $wall->thickness() < $least->thickness() ? $wall : $least;
                $most = $most === null || $wall->thickness() > $most->thickness() ? $wall : $most;
            }
        }

        return $least === null || $most === null ? null : [$least, $most];
    }

    /**
     * Returns the wall at the place on an outline that is nearest to a point of the plane: straight through the
     * material to where it comes out of it. It is found by the chords of the outlines, and put on the circles and
     * ellipses that these are chords of.
     *
     * @param  non-empty-list<CutLoop>  $loops  of one body
     * @param  Vector  $normal  of the plane, about which outlines go round their material, unit
     */
    public static function at(Vector $point, array $loops, Vector $normal): ?self
    {
        $chords = self::chords($loops);
        $nearest = self::nearestChord($point, $chords, $normal);
        if ($nearest === null) {
            return null;
        }
        [$onChord, $inward] = $nearest;
        $place = self::closest($point, $loops);
        $way = $point->minus($place);
        if ($way->length() > Tolerance::COINCIDENT) {
            // Square to the outline itself, on the side of the material.
            $inward = $way->unit()->times($way->dot($inward) < 0.0 ? -1.0 : 1.0);
        }
        $sagitta = self::closest($onChord, $loops)->distanceTo($onChord);
        $through = self::firstCrossing($place, $inward, $chords, $normal, self::APART + 2 * $sagitta);

        return $through === null
            ? null
            : new self($place, self::onOutline($place->plus($inward->times($through)), $inward, $loops));
    }

    /**
     * @param  list<CutLoop>  $loops
     * @return list<array{Vector, Vector}> ends of the chords of their outlines
     */
    private static function chords(array $loops): array
    {
        $chords = [];
        foreach ($loops as $loop) {
            $points = self::outline($loop);
            foreach ($points as $i => $from) {
                $to = $points[($i + 1) % count($points)];
                if ($from->distanceTo($to) > Tolerance::COINCIDENT) {
                    $chords[] = [$from, $to];
                }
            }
        }

        return $chords;
    }

    /**
     * @param  list<array{Vector, Vector}>  $chords
     * @return array{Vector, Vector}|null the nearest point of the chords, and the unit direction into the material
     */
    private static function nearestChord(Vector $point, array $chords, Vector $normal): ?array
    {
        $nearest = null;
        $least = INF;
        foreach ($chords as [$from, $to]) {
            $along = $to->minus($from)->unit();
            $ahead = max(0.0, min($from->distanceTo($to), $point->minus($from)->dot($along)));
            $there = $from->plus($along->times($ahead));
            if ($there->distanceTo($point) < $least) {
                $least = $there->distanceTo($point);
                $nearest = [$there, $normal->cross($along)];
            }
        }

        return $nearest;
    }

    /**
     * Returns how far from a place a line first meets a chord, mm; null where it meets none.
     *
     * @param  Vector  $way  of the line, unit
     * @param  list<array{Vector, Vector}>  $chords
     * @param  float  $behind  chords that are met nearer than this are those of the place itself, mm
     */
    private static function firstCrossing(
        Vector $place,
        Vector $way,
        array $chords,
        Vector $normal,
        float $behind,
    ): ?float {
        $first = null;
        foreach ($chords as [$from, $to]) {
            // Where place + t·way and from + s·chord meet.
            $chord = $to->minus($from);
            $size = $way->cross($chord)->dot($normal);
            if (abs($size) < Tolerance::SAFEGUARD) {
                continue;
            }
            $t = $from->minus($place)->cross($chord)->dot($normal) / $size;
            $s = $from->minus($place)->cross($way)->dot($normal) / $size;
            $isOnChord = $s >= -Tolerance::PARALLEL && $s <= 1.0 + Tolerance::PARALLEL;
            if ($isOnChord && $t > $behind && ($first === null || $t < $first)) {
                $first = $t;
            }
        }

        return $first;
    }

    /**
     * Moves a point of a chord along a line to the outline that it is a chord of.
     *
     * @param  Vector  $way  of the line, unit
     * @param  non-empty-list<CutLoop>  $loops
     */
    private static function onOutline(Vector $point, Vector $way, array $loops): Vector
    {
        for ($i = 0; $i < self::STEPS; $i++) {
            $aside = self::closest($point, $loops)->minus($point);
            $slope = $aside->length() > Tolerance::NOTHING ? $aside->unit()->dot($way) : 0.0;
            if (abs($slope) < self::STEEP) {
                break;
            }
            $point = $point->plus($way->times($aside->length() / $slope));
        }

        return $point;
    }

    /** @param  non-empty-list<CutLoop>  $loops */
    private static function closest(Vector $point, array $loops): Vector
    {
        $closest = $loops[0]->closestTo($point);
        foreach ($loops as $loop) {
            $found = $loop->closestTo($point);
            $closest = $found->distanceTo($point) < $closest->distanceTo($point) ? $found : $closest;
        }

        return $closest;
    }

    /** @return non-empty-list<Vector> corners of the chords of an outline, each once */
    private static function outline(CutLoop $loop): array
    {
        $points = [];
        foreach ($loop->pieces as $piece) {
            array_push($points, ...array_slice($piece->points, 0, max(1, count($piece->points) - 1)));
        }

        return $points;
    }

    /** @param  list<CutLoop>  $loops */
    private static function from(Vector $place, int $on, array $loops): ?self
    {
        $nearest = null;
        foreach ($loops as $number => $loop) {
            $there = $number === $on ? null : $loop->closestTo($place);
            if ($there !== null && ($nearest === null || $there->distanceTo($place) < $nearest->distanceTo($place))) {
                $nearest = $there;
            }
        }

        return $nearest === null ? null : new self($place, $nearest);
    }

    /** @return list<Vector> places along an outline */
    private static function places(CutLoop $loop): array
    {
        $places = [];
        foreach ($loop->pieces as $piece) {
            if ($piece->kind !== 'line') {
                array_push($places, ...$piece->points);

                continue;
            }
            for ($i = 0; $i < self::PARTS; $i++) {
                $places[] = $piece->from()->plus($piece->to()->minus($piece->from())->times($i / self::PARTS));
            }
        }

        return $places;
    }
}
