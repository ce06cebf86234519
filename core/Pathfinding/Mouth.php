<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/** Where a way begins or ends: a port, an open end, or one side of a clamp; the run leaves it along its axis. */
final readonly class Mouth
{
    /** How finely it is looked how far out it is clear of what it is on, mm. */
    private const STEP = 0.5;

    /** Farthest that it is looked, mm: what is still not clear there never is. */
    private const FARTHEST = 3000.0;

    /** By how much more than needed it comes clear, as where distances are checked, mm. */
    private const CLEAR = 2.0;

    /**
     * @param  Vector  $axis  unit, the way out
     * @param  float  $straight  least length out of it before the tangent of a bend, mm
     * @param  list<string>  $own  keys of what it is on, which it may touch until it has come clear of it
     * @param  string|null  $place  a port or a clamp that corners may be level with
     */
    public function __construct(
        public Vector $at,
        public Vector $axis,
        public float $straight,
        public array $own,
        public ?string $place,
    ) {
    }

    /** Returns its number if its axis is one of the job: 0, 1, 2 for x, y, z; null where it slants. */
    public function axisNumber(): ?int
    {
        foreach ($this->axis->toArray() as $number => $along) {
            if (abs(abs($along) - 1.0) < Tolerance::PARALLEL) {
                return $number;
            }
        }

        return null;
    }

    /** Returns a point so far out on its axis. */
    public function out(float $length): Vector
    {
        return $this->at->plus($this->axis->times($length));
    }

    /** Returns the same with a longer least straight. */
    public function withStraight(float $straight): self
    {
        return new self($this->at, $this->axis, $straight, $this->own, $this->place);
    }

    /**
     * Returns how far out the way first is as far off what it is on as it has to be, mm; null where it is nowhere, and
     * what it is on does not count.
     */
    public function clearLength(Obstacles $obstacles): ?float
    {
        $own = array_filter(
            $obstacles->all, fn (Obstacle $one): bool => in_array($one->ref->key(), $this->own, true),
        );
        for ($along = 0.0; $along < self::FARTHEST;) {
            $point = $this->out($along);
            $short = 0.0;
            foreach ($own as $one) {
                $short = max($short, self::CLEAR - $one->clearance($point->x, $point->y, $point->z));
            }
            if ($short <= 0.0) {
                return $along;
            }
            $along += max(self::STEP, $short);
        }

        return null;
    }
}
