<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Geometry\Outline;

/** Bolt holes evenly round the axis of a flange. Millimetres and radians. */
final readonly class BoltHoles
{
    /** Clearance hole of an M10 bolt, ISO 273 coarse, mm. */
    public const M10 = 12;

    public const MOST = 64;

    /**
     * @param  int  $count  at least 1
     * @param  float  $circle  diameter of the bolt circle
     * @param  float  $diameter  of each hole
     * @param  float|null  $start  angle of the first from the upright; null where they straddle the upright
     */
    public function __construct(
        public int $count,
        public float $circle,
        public float $diameter,
        public ?float $start = null,
    ) {
    }

    /** @return list<float> angles from the upright, right-handed about the outward axis */
    public function angles(): array
    {
        $step = 2 * M_PI / $this->count;
        $first = $this->start ?? $step / 2;

        return array_map(static fn (int $k): float => $first + $k * $step, range(0, $this->count - 1));
    }

    /** @return list<array{float, float}> centres, x along the upright */
    public function centres(): array
    {
        return array_map(
            fn (float $angle): array => [$this->circle / 2 * cos($angle), $this->circle / 2 * sin($angle)],
            $this->angles(),
        );
    }

    /** @return list<Outline> counter-clockwise */
    public function outlines(): array
    {
        return array_map(fn (array $at): Outline => Outline::circle($this->diameter / 2, $at), $this->centres());
    }

    /** Returns the material between neighbouring holes, mm; negative when they overlap. */
    public function between(): float
    {
        return $this->count < 2 ? INF : $this->circle * sin(M_PI / $this->count) - $this->diameter;
    }

    /** Returns the radial gap between the holes and a circle of this diameter in the centre, mm. */
    public function clearOf(float $diameter): float
    {
        return ($this->circle - $this->diameter - $diameter) / 2;
    }
}
