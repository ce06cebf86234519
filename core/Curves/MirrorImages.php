<?php

declare(strict_types=1);

namespace Bowline\Curves;

use Bowline\Geometry\Vector;

/**
 * The images of a shape at rest under the symmetries of its ends: mirrored in the plane of the ends, traversed
 * backwards with the ends exchanged, and, where both ends lie on one axis, rotated about it. They have equal energy, so
 * rounding would decide between them; instead the one that bulges upwards is taken, then to +y, then to +x.
 */
final readonly class MirrorImages
{
    /** Ends that miss a symmetry by less than this (of unit directions and the length) are symmetric. */
    private const SYMMETRIC = 1e-7;

    /** Moments of two images that differ by less than this share of the length are equal. */
    private const EQUAL = 1e-6;

    public function __construct(
        private Vector $along,
        private Vector $into,
        private Vector $way,
    ) {
    }

    /** Returns the chain or the preferred image of it, independent of rounding. */
    public function preferred(ElasticChain $chain): ElasticChain
    {
        $chain = $this->turned($chain);
        $best = $chain;
        foreach ($this->images($chain) as $image) {
            $best = self::isBefore($image, $best) ? $image : $best;
        }

        return $best;
    }

    /** Returns the chain rotated so that it bulges upwards, where both ends lie on one axis. */
    private function turned(ElasticChain $chain): ElasticChain
    {
        $axis = $this->axis();
        if ($axis === null) {
            return $chain;
        }
        $side = $axis->anySquare();
        $up = $side->cross($axis);
        foreach (self::moments($chain) as $moment) {
            [$across, $upwards] = [$moment->dot($side), $moment->dot($up)];
            if ($across ** 2 + $upwards ** 2 > self::EQUAL ** 2) {
                $angle = atan2($across, $upwards);

                return $chain->mapped(
                    static fn (Vector $tangent): Vector => $tangent->turnedAbout($axis, -$angle),
                    false,
                );
            }
        }

        return $chain;
    }

    /** Returns the axis on which both directions and the way lie; null when there is none. */
    private function axis(): ?Vector
    {
        $square = fn (Vector $one): float => $one->cross($this->along)->length();

        return $square($this->into) < self::SYMMETRIC && $square($this->way) < self::SYMMETRIC ? $this->along : null;
    }

    /** @return iterable<ElasticChain> */
    private function images(ElasticChain $chain): iterable
    {
        $normal = $this->normal();
        $mirrored = $normal === null ? null : $chain->mapped(self::reflection($normal), false);
        if ($mirrored !== null) {
            yield $mirrored;
        }
        $between = $this->along->minus($this->into);
        if (abs($between->dot($this->way)) < self::SYMMETRIC) {
            // Reflecting in the plane between the two directions exchanges them and leaves the way alone.
            $exchanged =
                $between->length() < self::SYMMETRIC
                    ? static fn (Vector $tangent): Vector => $tangent
                    : self::reflection($between->unit());
            yield $chain->mapped($exchanged, true);
            if ($mirrored !== null) {
                yield $mirrored->mapped($exchanged, true);
            }
        }
    }

    /** @return (callable(Vector): Vector) */
    private static function reflection(Vector $normal): callable
    {
        return static fn (Vector $one): Vector => $one->minus($normal->times(2.0 * $one->dot($normal)));
    }

    /** Returns the normal of the plane of both directions and the way; null when there is none. */
    private function normal(): ?Vector
    {
        $axis = $this->axis();
        if ($axis !== null) {
            return $axis->anySquare();
        }
        $normals = [$this->along->cross($this->into), $this->along->cross($this->way), $this->into->cross($this->way)];
        usort($normals, static fn (Vector $a, Vector $b): int => $b->length() <=> $a->length());
        $normal = $normals[0]->unit();
        $off = max(abs($normal->dot($this->along)), abs($normal->dot($this->into)), abs($normal->dot($this->way)));

        return $off < self::SYMMETRIC ? $normal : null;
    }

    private static function isBefore(ElasticChain $one, ElasticChain $other): bool
    {
        $others = self::moments($other);
        foreach (self::moments($one) as $number => $moment) {
            foreach (['z', 'y', 'x'] as $axis) {
                $difference = $moment->{$axis} - $others[$number]->{$axis};
                if (abs($difference) > self::EQUAL) {
                    return $difference > 0.0;
                }
            }
        }

        return false;
    }

    /** @return list<Vector> ∫ (position · sᵏ) ds of the chain for k = 0, 1, 2 */
    private static function moments(ElasticChain $chain): array
    {
        $point = Vector::zero();
        $moments = [Vector::zero(), Vector::zero(), Vector::zero()];
        $place = 0.0;
        $before = null;
        foreach ($chain->t as $i => $tangent) {
            $now = new Vector(...$tangent);
            if ($before !== null) {
                $piece = $chain->pieces[$i - 1];
                $middle = $point->plus($before->plus($now)->times($piece / 4));
                $point = $point->plus($before->plus($now)->times($piece / 2));
                foreach ($moments as $k => $moment) {
                    $moments[$k] = $moment->plus($middle->times($piece * ($place + $piece / 2) ** $k));
                }
                $place += $piece;
            }
            $before = $now;
        }

        return $moments;
    }
}
