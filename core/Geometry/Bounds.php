<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/** A box along the axes that holds something, mm. */
final readonly class Bounds
{
    public function __construct(
        public Vector $low,
        public Vector $high,
    ) {
    }

    /** @param  array<Segment>  $segments  one at least */
    public static function of(array $segments): self
    {
        return self::around(array_map(static fn (Segment $one): self => $one->bounds(), $segments));
    }

    /** @param  array<Vector>  $points  one at least */
    public static function ofPoints(array $points): self
    {
        return self::around(array_map(static fn (Vector $one): self => new self($one, $one), $points));
    }

    /**
     * Returns the box that holds others.
     *
     * @param  array<self>  $boxes  one at least
     */
    public static function around(array $boxes): self
    {
        [$low, $high] = [[INF, INF, INF], [-INF, -INF, -INF]];
        foreach ($boxes as $box) {
            $low = [min($low[0], $box->low->x), min($low[1], $box->low->y), min($low[2], $box->low->z)];
            $high = [max($high[0], $box->high->x), max($high[1], $box->high->y), max($high[2], $box->high->z)];
        }

        return new self(new Vector(...$low), new Vector(...$high));
    }

    /** Returns the box with so much more on all sides, mm. */
    public function grown(float $by): self
    {
        $all = new Vector($by, $by, $by);

        return new self($this->low->minus($all), $this->high->plus($all));
    }

    public function with(self $other): self
    {
        return new self(
            new Vector(
                min($this->low->x, $other->low->x), min($this->low->y, $other->low->y),
                min($this->low->z, $other->low->z),
            ),
            new Vector(
                max($this->high->x, $other->high->x), max($this->high->y, $other->high->y),
                max($this->high->z, $other->high->z),
            ),
        );
    }

    /** Returns how far another box reaches beyond it on any side, mm; 0 where it lies within. */
    public function exceededBy(self $other): float
    {
        return max(
            0.0, ...$this->low->minus($other->low)->toArray(), ...$other->high->minus($this->high)->toArray(),
        );
    }

    /** Returns how far a point is off it, mm; 0 within. */
    public function distanceTo(Vector $point): float
    {
        return $this->distanceToBox(new self($point, $point));
    }

    /** Returns how far another box is off it, mm; 0 where they meet. */
    public function distanceToBox(self $other): float
    {
        $off = static fn (float $low, float $high, float $otherLow, float $otherHigh): float => max(
            $low - $otherHigh, 0.0, $otherLow - $high,
        );

        return sqrt(
            $off($this->low->x, $this->high->x, $other->low->x, $other->high->x) ** 2
            + $off($this->low->y, $this->high->y, $other->low->y, $other->high->y) ** 2
            + $off($this->low->z, $this->high->z, $other->low->z, $other->high->z) ** 2,
        );
    }
}
