<?php

declare(strict_types=1);

namespace Bowline\Body\Cut;

use Bowline\Geometry\Vector;

/** A wall of a cut: from a place on one of its outlines to the nearest on another. Millimetres. */
final readonly class CutWall
{
    /** Parts into which a straight piece is divided to look for the thickest wall. */
    private const PARTS = 16;

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
            foreach (self::places($loop) as $place) {
                $wall = self::from($place, $number, $loops);
                $least = $wall !== null && ($least === null || $wall->thickness() < $least->thickness()) ? $wall : $least;
                $most = $wall !== null && ($most === null || $wall->thickness() > $most->thickness()) ? $wall : $most;
            }
        }

        return $least === null || $most === null ? null : [$least, $most];
    }

    /**
     * Returns the wall at the place on an outline that is nearest to a point of the plane.
     *
     * @param  list<CutLoop>  $loops  of one body
     * @return self|null null where there is one outline at most
     */
    public static function nearest(Vector $point, array $loops): ?self
    {
        $best = null;
        $on = 0;
        foreach ($loops as $number => $loop) {
            $place = $loop->closestTo($point);
            if ($best === null || $place->distanceTo($point) < $best->distanceTo($point)) {
                [$best, $on] = [$place, $number];
            }
        }

        return $best === null ? null : self::from($best, $on, $loops);
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

    /** @return iterable<Vector> places along an outline */
    private static function places(CutLoop $loop): iterable
    {
        foreach ($loop->pieces as $piece) {
            if ($piece->kind !== 'line') {
                yield from $piece->points;

                continue;
            }
            for ($i = 0; $i < self::PARTS; $i++) {
                yield $piece->from()->plus($piece->to()->minus($piece->from())->times($i / self::PARTS));
            }
        }
    }
}
