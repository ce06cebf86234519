<?php

declare(strict_types=1);

namespace Bowline\Space;

/** The signed distance from what several tubes are together, rounded where they meet; negative inside. Places in mm. */
interface UnionDistance
{
    /** @return array<int, TubeDistance> by their numbers */
    public function tubes(): array;

    /** @return non-empty-list<float> radii of the balls that are rolled along where tubes meet, mm; 0 for none */
    public function balls(): array;

    /** Returns the number of the tube whose surface is nearest, or that a place is deepest in. */
    public function nearest(float $x, float $y, float $z): int;

    /**
     * Returns the distance: exact outside, and inside of a tube not more than it is.
     *
     * @param  float  $accuracy  mm
     */
    public function bound(float $x, float $y, float $z, float $accuracy): float;

    /**
     * @param  float  $accuracy  of the place that is looked for, mm
     * @return array{float, float, float, float} signed distance, mm, and the unit direction in which it rises
     */
    public function at(float $x, float $y, float $z, float $accuracy): array;

    /** Returns the tubes with one radius of rounding that are nearest. */
    public function nearestGroup(float $x, float $y, float $z, float $accuracy): RoundedUnion;

    /**
     * Returns the least radius of the balls that may touch two tubes within a distance of a place, mm; null for none.
     *
     * @param  float  $within  mm
     */
    public function ballNear(float $x, float $y, float $z, float $within): ?float;
}
