<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

use Bowline\Geometry\Arc;
use Bowline\Geometry\Bounds;
use Bowline\Geometry\Vector;

/** All that a run has to keep off, and which lines, straights and bends are free of it. Remembers what it was asked. */
final class Obstacles
{
    /** What is nearer than it has to be by less than this is not too near, mm: what just touches is kept. */
    public const SLACK = 1e-6;

    /** Places of a square bend that are looked at first, beside its start. */
    private const PLACES = 8;

    /** How finely a direction is gone along where something is close, mm. */
    private const STEP = 0.25;

    /** @var array<string, list<array{float, float, int}>> stretches of lines that are too near, by their lines */
    private array $lines = [];

    /** @var list<array{float, float, float, float, float, float}> lowest and highest places that are too near */
    private array $boxes = [];

    /** @param  list<Obstacle>  $all */
    public function __construct(public readonly array $all)
    {
        foreach ($all as $one) {
            $box = $one->bounds->grown($one->keep);
            $this->boxes[] = [...$box->low->toArray(), ...$box->high->toArray()];
        }
    }

    /**
     * Returns the stretches of a line along an axis that are too near to something, in order.
     *
     * @param  int  $axis  0, 1, 2 for x, y, z
     * @param  array<int, float>  $point  of the line
     * @return list<array{float, float, int}> coordinates along the axis, and the number of the body
     */
    public function along(int $axis, array $point): array
    {
        [$u, $v] = [($axis + 1) % 3, ($axis + 2) % 3];
        $key = $axis.' '.$point[$u].' '.$point[$v];
        if (isset($this->lines[$key])) {
            return $this->lines[$key];
        }
        $found = [];
        foreach ($this->boxes as $number => $box) {
            if ($point[$u] > $box[$u] && $point[$u] < $box[$u + 3]
                && $point[$v] > $box[$v] && $point[$v] < $box[$v + 3]) {
                foreach ($this->all[$number]->along($axis, $point) as [$from, $to]) {
                    $found[] = [$from, $to, $number];
                }
            }
        }
        usort($found, static fn (array $one, array $other): int => $one[0] <=> $other[0]);

        return $this->lines[$key] = $found;
    }

    /**
     * Returns how far one can go from a place along an axis, and the body that ends it.
     *
     * @param  int  $axis  0, 1, 2 for x, y, z
     * @param  array<int, float>  $point
     * @param  1|-1  $side
     * @return array{float, int|null} mm, INF where nothing is in the way; below 0 where the place itself is too near
     */
    public function free(int $axis, array $point, int $side): array
    {
        $at = $point[$axis];
        $best = [INF, null];
        foreach ($this->along($axis, $point) as [$from, $to, $number]) {
            [$near, $far] = $side > 0 ? [$from - $at, $to - $at] : [$at - $to, $at - $from];
            if ($far > self::SLACK && $near < $best[0]) {
                $best = [$near < -self::SLACK ? -1.0 : max(0.0, $near), $number];
            }
        }

        return $best;
    }

    /**
     * Returns the first body that a straight is too near to.
     *
     * @param  list<string>  $without  keys of items that do not count
     */
    public function onStraight(Vector $from, Vector $to, array $without = []): ?int
    {
        $way = $to->minus($from);
        $length = $way->length();
        $unit = $length > 0.0 ? $way->times(1.0 / $length) : $way;

        return $this->first(
            self::box($from, $to), $length, static fn (float $at): Vector => $from->plus($unit->times($at)), $without,
        );
    }

    /**
     * Returns the first body that a square bend along axes is too near to: by places on it where these tell, else all
     * along.
     *
     * @param  array<int, float>  $corner
     * @param  array<int, float>  $in  unit direction of travel into the corner
     * @param  array<int, float>  $out  likewise out of it
     */
    public function onSquareBend(array $corner, array $in, array $out, float $radius): ?int
    {
        $ends = [];
        foreach ([0, 1, 2] as $k) {
            $more = $radius * ($out[$k] - $in[$k]);
            $ends[$k] = $more < 0.0 ? [$corner[$k] + $more, $corner[$k]] : [$corner[$k], $corner[$k] + $more];
        }
        [[$lowX, $highX], [$lowY, $highY], [$lowZ, $highZ]] = $ends;
        $arc = null;
        foreach ($this->boxes as $number => [$x, $y, $z, $toX, $toY, $toZ]) {
            if ($highX > $x && $lowX < $toX && $highY > $y && $lowY < $toY && $highZ > $z && $lowZ < $toZ) {
                $least = $this->leastOnBend($this->all[$number], $corner, $in, $out, $radius);
                if ($least < -self::SLACK) {
                    return $number;
                }
                // Between two places it is nearer by no more than half of the way from one to the other.
                if ($least < $radius * M_PI_4 / self::PLACES) {
                    $arc ??= CornerLine::bend(self::vector($corner), self::vector($in), self::vector($out), $radius);
                    if (! $this->all[$number]->isClearOf($arc->length(), $arc->pointAt(...))) {
                        return $number;
                    }
                }
            }
        }

        return null;
    }

    /**
     * @param  array<int, float>  $corner
     * @param  array<int, float>  $in
     * @param  array<int, float>  $out
     */
    private function leastOnBend(Obstacle $body, array $corner, array $in, array $out, float $radius): float
    {
        $least = INF;
        for ($i = 0; $i <= self::PLACES && $least >= -self::SLACK; $i++) {
            [$back, $on] = [
                $radius * (sin(M_PI_2 * $i / self::PLACES) - 1.0), $radius * (1.0 - cos(M_PI_2 * $i / self::PLACES)),
            ];
            $least = min($least, $body->clearance(
                $corner[0] + $back * $in[0] + $on * $out[0], $corner[1] + $back * $in[1] + $on * $out[1],
                $corner[2] + $back * $in[2] + $on * $out[2],
            ));
        }

        return $least;
    }

    /** @param  array<int, float>  $at */
    private static function vector(array $at): Vector
    {
        return new Vector($at[0], $at[1], $at[2]);
    }

    /**
     * Returns the first body that a bend is too near to.
     *
     * @param  list<string>  $without  keys of items that do not count
     */
    public function onBend(Arc $arc, array $without = []): ?int
    {
        return $this->first(Bounds::of([$arc]), $arc->length(), $arc->pointAt(...), $without);
    }

    /** Returns how far one can go from a point along any direction, mm; at most so far as is asked for. */
    public function freeLength(Vector $from, Vector $unit, float $most): float
    {
        $to = $from->plus($unit->times($most));
        $reach = self::box($from, $to);
        $near = array_values(array_filter(
            $this->all,
            static fn (Obstacle $one): bool => $one->bounds->distanceToBox($reach) <= $one->keep,
        ));
        for ($along = 0.0; $along < $most;) {
            $point = $from->plus($unit->times($along));
            $clear = $most - $along;
            foreach ($near as $one) {
                $clear = min($clear, $one->clearance($point->x, $point->y, $point->z));
            }
            if ($clear < -self::SLACK) {
                return $along - self::STEP;
            }
            $along += max(self::STEP, $clear);
        }

        return $most;
    }

    private static function box(Vector $from, Vector $to): Bounds
    {
        return new Bounds(
            new Vector(min($from->x, $to->x), min($from->y, $to->y), min($from->z, $to->z)),
            new Vector(max($from->x, $to->x), max($from->y, $to->y), max($from->z, $to->z)),
        );
    }

    /**
     * @param  callable(float): Vector  $pointAt
     * @param  list<string>  $without
     */
    private function first(Bounds $reach, float $length, callable $pointAt, array $without): ?int
    {
        [$low, $high] = [$reach->low, $reach->high];
        foreach ($this->boxes as $number => [$x, $y, $z, $toX, $toY, $toZ]) {
            if ($high->x > $x && $low->x < $toX && $high->y > $y && $low->y < $toY && $high->z > $z && $low->z < $toZ
                && ! in_array($this->all[$number]->ref->key(), $without, true)
                && ! $this->all[$number]->isClearOf($length, $pointAt)) {
                return $number;
            }
        }

        return null;
    }
}
