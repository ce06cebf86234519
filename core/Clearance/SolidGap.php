<?php

declare(strict_types=1);

namespace Bowline\Clearance;

use Bowline\Geometry\Bounds;
use Bowline\Geometry\Vector;

/**
 * How far two solid things are from each other. The nearest places of two convex bodies are found by projecting onto
 * one and the other in turn (Cheney and Goldstein 1959), which comes to them from anywhere; with a mesh, or a body with
 * holes, it is begun from several places between both, and the least is taken.
 */
final class SolidGap
{
    private const MOST_STEPS = 400;

    /** Two projections in turn that come no nearer than this have come to the end, mm. */
    private const CLOSE = 1e-6;

    /** The same where one of both is not convex, and is gone to from several places. */
    private const CLOSE_ENOUGH = 1e-4;

    /** Starting points whose first projections are closer to each other than this lead to the same minimum, mm. */
    private const ALIKE = 1.0;

    /** Bodies that share no ball of more than this radius stand on each other, mm. */
    public const STANDS = 0.25;

    /** Finest step in which the middle of what they share is looked for, mm. */
    private const FINEST = 0.02;

    /** @return Gap|null null where they are farther apart than asked about; below 0 the ball that both hold, mm */
    public static function between(SolidThing $one, SolidThing $other, float $within): ?Gap
    {
        $best = null;
        foreach ($one->surfaces($other->bounds(), $within) as $first) {
            foreach ($other->surfaces($first->bounds(), $within) as $second) {
                if (self::areApart($first, $second, $within) || self::areApart($second, $first, $within)) {
                    continue;
                }
                foreach (self::starts($first, $second, $within) as $start) {
                    $found = self::from($first, $second, $start);
                    if ($found[0] <= $within && ($best === null || $found[0] < $best->distance)) {
                        $best = new Gap($one, $other, $found[0], [$found[1], $found[2]], [null, null]);
                    }
                }
            }
        }

        return $best;
    }

    /** Whether the ball round the box of one is farther off the other, where that is not convex, than asked about. */
    private static function areApart(SolidPiece $one, SolidPiece $other, float $within): bool
    {
        if ($other->isConvex()) {
            return false;
        }
        $box = $one->bounds();
        $reach = $within + $box->high->minus($box->low)->length() / 2;

        return $other->at($box->low->plus($box->high)->times(0.5), $reach)[0] >= $reach;
    }

    /** @return list<Vector> */
    private static function starts(SolidPiece $one, SolidPiece $other, float $within): array
    {
        $shared = self::shared($one->bounds()->grown($within), $other->bounds()->grown($within));
        $middle = $shared->low->plus($shared->high)->times(0.5);
        if ($one->isConvex() && $other->isConvex()) {
            return [$middle];
        }
        $starts = [$middle];
        foreach ([0, 1, 2, 3, 4, 5, 6, 7] as $corner) {
            $starts[] = new Vector(
                ($corner & 1) === 0 ? $shared->low->x : $shared->high->x,
                ($corner & 2) === 0 ? $shared->low->y : $shared->high->y,
                ($corner & 4) === 0 ? $shared->low->z : $shared->high->z,
            );
        }

        $places = $kept = [];
        foreach ($starts as $start) {
            $place = self::projected($other, self::projected($one, $start));
            foreach ($places as $before) {
                if ($before->distanceTo($place) < self::ALIKE) {
                    continue 2;
                }
            }
            [$places[], $kept[]] = [$place, $start];
        }

        return $kept;
    }

    private static function shared(Bounds $one, Bounds $other): Bounds
    {
        return new Bounds(
            new Vector(
                max($one->low->x, $other->low->x), max($one->low->y, $other->low->y), max($one->low->z, $other->low->z),
            ),
            new Vector(
                min($one->high->x, $other->high->x), min($one->high->y, $other->high->y),
                min($one->high->z, $other->high->z),
            ),
        );
    }

    /** @return array{float, Vector, Vector} the distance, and the nearest places */
    private static function from(SolidPiece $one, SolidPiece $other, Vector $start): array
    {
        $close = $one->isConvex() && $other->isConvex() ? self::CLOSE : self::CLOSE_ENOUGH;
        $place = $start;
        $before = INF;
        $onOne = $onOther = $start;
        for ($step = 0; $step < self::MOST_STEPS; $step++) {
            $onOne = self::projected($one, $place);
            $onOther = self::projected($other, $onOne);
            $place = $onOther;
            $apart = $onOne->distanceTo($onOther);
            if ($apart < self::CLOSE) {
                return self::within($one, $other, $onOne);
            }
            if ($before - $apart < $close) {
                break;
            }
            $before = $apart;
        }

        return [$onOne->distanceTo($onOther), $onOne, $onOther];
    }

    /** Returns the place itself where it is inside. */
    private static function projected(SolidPiece $piece, Vector $place): Vector
    {
        [$distance, $away] = $piece->at($place);

        return $distance > 0.0 ? $place->minus($away->times($distance)) : $place;
    }

    /** @return array{float, Vector, Vector} the radius of the ball that both hold, below 0, and its middle */
    private static function within(SolidPiece $one, SolidPiece $other, Vector $place): array
    {
        [$distance, $ways] = self::outside($one, $other, $place);
        $size = $one->bounds()->high->minus($one->bounds()->low)->length();
        for ($step = $size / 8; $step > self::FINEST; $step /= 2) {
            for ($moves = true; $moves;) {
                $moves = false;
                foreach ($ways as $way) {
                    $tried = $place->minus($way->times($step));
                    [$now, $next] = self::outside($one, $other, $tried);
                    if ($now < $distance - self::CLOSE) {
                        [$distance, $ways, $place, $moves] = [$now, $next, $tried, true];
                        break;
                    }
                }
            }
        }

        return [min(0.0, $distance), $place, $place];
    }

    /** @return array{float, list<Vector>} how far it is outside of both, and ways that may lead out of that */
    private static function outside(SolidPiece $one, SolidPiece $other, Vector $place): array
    {
        [$first, $away] = $one->at($place);
        [$second, $off] = $other->at($place);
        $both = $away->plus($off);

        return [max($first, $second), [
            $first > $second ? $away : $off, $both, $away, $off, ...array_values(Vector::axes()),
        ]];
    }
}
