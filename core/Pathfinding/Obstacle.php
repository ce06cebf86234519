<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

use Bowline\Clearance\Surface;
use Bowline\Geometry\Bounds;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\ItemRef;

/**
 * A body that the centre line of a run has to keep off: a body along the axes of the job in closed form, any other by
 * its distance. Plain floats: a search asks a hundred thousand times. Millimetres.
 */
final readonly class Obstacle
{
    /** How close to its edge a stretch of a line is found that comes too near to a body, mm. */
    private const FINE = 0.25;

    /** Farther off its box than this the distance to the box is enough, mm. */
    private const FAR = 25.0;

    /** @var list<float> */
    private array $low;

    /** @var list<float> */
    private array $high;

    /**
     * @param  Bounds  $bounds  of it; of a rounded box that within it
     * @param  float  $keep  how far off that the centre line has to be: the outside of the run and what is needed, and
     *     the roundness of a box
     * @param  Surface|null  $surface  null of a box along the axes
     */
    private function __construct(
        public ItemRef $ref,
        public Bounds $bounds,
        public float $keep,
        private ?Surface $surface,
    ) {
        $this->low = $bounds->low->toArray();
        $this->high = $bounds->high->toArray();
    }

    /** @param  float  $keep  how far off its surface the centre line has to be, mm */
    public static function of(ItemRef $ref, Surface $surface, float $keep): self
    {
        $box = $surface->roundedBox();

        return $box === null
            ? new self($ref, $surface->bounds(), $keep, $surface)
            : new self($ref, $box[0], $keep + $box[1], null);
    }

    /** Returns how much farther off a point is than it has to be; of what is far off no more than that it is so far. */
    public function clearance(float $x, float $y, float $z): float
    {
        $off = $this->offBox([$x, $y, $z]);
        if ($this->surface === null || $off > $this->keep + self::FAR) {
            return $off - $this->keep;
        }

        return $this->surface->at(new Vector($x, $y, $z))[0] - $this->keep;
    }

    /** @param  array<int, float>  $point */
    private function offBox(array $point): float
    {
        $outside = 0.0;
        $inside = -INF;
        foreach ([0, 1, 2] as $axis) {
            $off = max($this->low[$axis] - $point[$axis], $point[$axis] - $this->high[$axis]);
            $inside = max($inside, $off);
            $outside += $off > 0.0 ? $off * $off : 0.0;
        }

        return $inside > 0.0 ? sqrt($outside) : $inside;
    }

    /**
     * Returns the stretches of a line along an axis that are too near.
     *
     * @param  int  $axis  0, 1, 2 for x, y, z
     * @param  array<int, float>  $point  of the line; its coordinate along the axis does not matter
     * @return list<array{float, float}> coordinates along the axis
     */
    public function along(int $axis, array $point): array
    {
        $aside = 0.0;
        foreach ([0, 1, 2] as $other) {
            if ($other !== $axis) {
                $off = max($this->low[$other] - $point[$other], $point[$other] - $this->high[$other], 0.0);
                $aside += $off * $off;
            }
        }
        // What just touches the body is as far off as it has to be.
        $reach = $this->keep * $this->keep - $aside;
        if ($reach <= Tolerance::NOTHING * max(1.0, $aside)) {
            return [];
        }
        $more = sqrt($reach);
        $span = [$this->low[$axis] - $more, $this->high[$axis] + $more];
        if ($this->surface === null) {
            return [$span];
        }

        return $this->near($span, function (float $at) use ($axis, $point): float {
            $point[$axis] = $at;

            return $this->clearance($point[0], $point[1], $point[2]);
        });
    }

    /**
     * Whether a straight or an arc is nowhere too near.
     *
     * @param  callable(float): Vector  $pointAt
     */
    public function isClearOf(float $length, callable $pointAt): bool
    {
        for ($along = 0.0; $along < $length;) {
            $point = $pointAt($along);
            $clear = $this->clearance($point->x, $point->y, $point->z);
            if ($clear < -Obstacles::SLACK) {
                return false;
            }
            // A distance falls by no more than one goes along.
            $along += max(self::FINE, $clear);
        }
        $point = $pointAt($length);

        return $this->clearance($point->x, $point->y, $point->z) >= -Obstacles::SLACK;
    }

    /**
     * @param  array{float, float}  $span
     * @param  callable(float): float  $clearance
     * @return list<array{float, float}>
     */
    private function near(array $span, callable $clearance): array
    {
        $found = [];
        $from = null;
        for ($at = $span[0]; $at < $span[1];) {
            $clear = $clearance($at);
            if ($clear < -Obstacles::SLACK) {
                $from ??= $at;
            } elseif ($from !== null) {
                $found[] = [$from, $at];
                $from = null;
            }
            $at += max(self::FINE, abs($clear));
        }
        if ($from !== null) {
            $found[] = [$from, $span[1]];
        }

        return $found;
    }
}
