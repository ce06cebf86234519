<?php

declare(strict_types=1);

namespace Bowline\Space;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/**
 * Points joined by straights, with boxes round halves of it, halves of those, and so on, by which the nearest places of
 * two such chains are found without looking at all of their straights. Plain floats: they are asked for very often.
 * Millimetres.
 */
final class Chain
{
    /** Straights of the smallest boxes. */
    private const FEW = 4;

    /** @var array<int, array{float, float, float, float, float, float}> low and high of each box, by its number */
    private array $boxes = [];

    /** @var list<array{float, float, float}> */
    private array $points = [];

    /**
     * @param  list<Vector>  $points  two at least
     * @param  list<float>  $along  what is counted at each
     */
    public function __construct(
        array $points,
        private readonly array $along,
    ) {
        foreach ($points as $point) {
            $this->points[] = [$point->x, $point->y, $point->z];
        }
        $this->box(1, 0, count($points) - 1);
    }

    /**
     * Makes the box of the straights between two points, and those in it: of box n these are 2n and 2n + 1.
     *
     * @return array{float, float, float, float, float, float}
     */
    private function box(int $number, int $from, int $to): array
    {
        if ($to - $from <= self::FEW) {
            $box = [INF, INF, INF, -INF, -INF, -INF];
            for ($i = $from; $i <= $to; $i++) {
                $box = self::around($box, [...$this->points[$i], ...$this->points[$i]]);
            }
        } else {
            $middle = intdiv($from + $to, 2);
            $box = self::around(
                $this->box(2 * $number, $from, $middle), $this->box(2 * $number + 1, $middle, $to),
            );
        }

        return $this->boxes[$number] = $box;
    }

    /**
     * @param  array{float, float, float, float, float, float}  $one
     * @param  array{float, float, float, float, float, float}  $other
     * @return array{float, float, float, float, float, float}
     */
    private static function around(array $one, array $other): array
    {
        return [
            min($one[0], $other[0]), min($one[1], $other[1]), min($one[2], $other[2]),
            max($one[3], $other[3]), max($one[4], $other[4]), max($one[5], $other[5]),
        ];
    }

    /**
     * Returns the distance of the nearest places of two chains and what is counted at each, where it is less than told.
     *
     * @return array{float, float, float}|null
     */
    public function nearest(self $other, float $below): ?array
    {
        $best = null;
        $limit = is_infinite($below) ? INF : $below * $below;
        $open = [[0.0, 1, 0, count($this->points) - 1, 1, 0, count($other->points) - 1]];
        while ($open !== []) {
            [$least, $mine, $from, $to, $its, $first, $last] = array_pop($open);
            if ($least >= $limit) {
                continue;
            }
            $isMineSmall = $to - $from <= self::FEW;
            $isItsSmall = $last - $first <= self::FEW;
            if ($isMineSmall && $isItsSmall) {
                for ($i = $from; $i < $to; $i++) {
                    for ($j = $first; $j < $last; $j++) {
                        [$square, $s, $t] = self::straights(
                            $this->points[$i], $this->points[$i + 1], $other->points[$j], $other->points[$j + 1],
                        );
                        if ($square < $limit) {
                            $limit = $square;
                            $best = [
                                $square, $this->along[$i] + $s * ($this->along[$i + 1] - $this->along[$i]),
                                $other->along[$j] + $t * ($other->along[$j + 1] - $other->along[$j]),
                            ];
                        }
                    }
                }

                continue;
            }
            $next = [];
            if ($isItsSmall || ! $isMineSmall && $to - $from >= $last - $first) {
                $middle = intdiv($from + $to, 2);
                $next[] = [2 * $mine, $from, $middle, $its, $first, $last];
                $next[] = [2 * $mine + 1, $middle, $to, $its, $first, $last];
            } else {
                $middle = intdiv($first + $last, 2);
                $next[] = [$mine, $from, $to, 2 * $its, $first, $middle];
                $next[] = [$mine, $from, $to, 2 * $its + 1, $middle, $last];
            }
            $apart = array_map(
                fn (array $one): float => self::apart($this->boxes[$one[0]], $other->boxes[$one[3]]), $next,
            );
            // The nearer is looked at first: it is taken from the end.
            foreach ($apart[0] < $apart[1] ? [1, 0] : [0, 1] as $which) {
                if ($apart[$which] < $limit) {
                    $open[] = [$apart[$which], ...$next[$which]];
                }
            }
        }

        return $best === null ? null : [sqrt($best[0]), $best[1], $best[2]];
    }

    /** @return array{float, float} the distance of the nearest place to a point, and what is counted there */
    public function nearestTo(float $x, float $y, float $z): array
    {
        $point = [$x, $y, $z];
        $box = [$x, $y, $z, $x, $y, $z];
        $limit = INF;
        $along = 0.0;
        $open = [[0.0, 1, 0, count($this->points) - 1]];
        while ($open !== []) {
            [$least, $number, $from, $to] = array_pop($open);
            if ($least >= $limit) {
                continue;
            }
            if ($to - $from <= self::FEW) {
                for ($i = $from; $i < $to; $i++) {
                    [$square, $s] = self::straights($this->points[$i], $this->points[$i + 1], $point, $point);
                    if ($square < $limit) {
                        $limit = $square;
                        $along = $this->along[$i] + $s * ($this->along[$i + 1] - $this->along[$i]);
                    }
                }

                continue;
            }
            $middle = intdiv($from + $to, 2);
            $one = [self::apart($this->boxes[2 * $number], $box), 2 * $number, $from, $middle];
            $other = [self::apart($this->boxes[2 * $number + 1], $box), 2 * $number + 1, $middle, $to];
            array_push($open, ...$one[0] < $other[0] ? [$other, $one] : [$one, $other]);
        }

        return [sqrt($limit), $along];
    }

    /**
     * @param  array{float, float, float, float, float, float}  $one
     * @param  array{float, float, float, float, float, float}  $other
     * @return float the square of how far two boxes are apart
     */
    private static function apart(array $one, array $other): float
    {
        $x = max($one[0] - $other[3], $other[0] - $one[3], 0.0);
        $y = max($one[1] - $other[4], $other[1] - $one[4], 0.0);
        $z = max($one[2] - $other[5], $other[2] - $one[5], 0.0);

        return $x * $x + $y * $y + $z * $z;
    }

    /**
     * Returns the square of the distance of two straights and the shares of each at which they are nearest (Ericson,
     * Real-Time Collision Detection, 5.1.9).
     *
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     * @param  array{float, float, float}  $c
     * @param  array{float, float, float}  $d
     * @return array{float, float, float}
     */
    private static function straights(array $a, array $b, array $c, array $d): array
    {
        [$ux, $uy, $uz] = [$b[0] - $a[0], $b[1] - $a[1], $b[2] - $a[2]];
        [$vx, $vy, $vz] = [$d[0] - $c[0], $d[1] - $c[1], $d[2] - $c[2]];
        [$wx, $wy, $wz] = [$a[0] - $c[0], $a[1] - $c[1], $a[2] - $c[2]];
        $uu = $ux * $ux + $uy * $uy + $uz * $uz;
        $vv = $vx * $vx + $vy * $vy + $vz * $vz;
        $uv = $ux * $vx + $uy * $vy + $uz * $vz;
        $uw = $ux * $wx + $uy * $wy + $uz * $wz;
        $vw = $vx * $wx + $vy * $wy + $vz * $wz;
        $turn = $uu * $vv - $uv * $uv;
        $s = match (true) {
            $turn > Tolerance::SAFEGUARD * $uu * $vv => max(0.0, min(1.0, ($uv * $vw - $uw * $vv) / $turn)),
            // The other is a point.
            $vv <= 0.0 && $uu > 0.0 => max(0.0, min(1.0, -$uw / $uu)),
            // Straights that are parallel are nearest all along: any place does.
            default => 0.0,
        };
        $t = $vv > 0.0 ? ($uv * $s + $vw) / $vv : 0.0;
        if ($t < 0.0 || $t > 1.0) {
            $t = max(0.0, min(1.0, $t));
            $s = $uu > 0.0 ? max(0.0, min(1.0, ($uv * $t - $uw) / $uu)) : 0.0;
        }
        $x = $wx + $s * $ux - $t * $vx;
        $y = $wy + $s * $uy - $t * $vy;
        $z = $wz + $s * $uz - $t * $vz;

        return [$x * $x + $y * $y + $z * $z, $s, $t];
    }
}
