<?php

declare(strict_types=1);

namespace Bowline\Space;

/** The distance from the surface of what goes along a path. */
interface SurfaceDistance
{
    /**
     * @return array{float, float, float, float, float} distance from the surface, mm, negative inside it; unit
     *     direction away from the path; developed length of the nearest point of the path
     */
    public function at(float $x, float $y, float $z): array;
}
