<?php

declare(strict_types=1);

namespace Bowline\Space;

/** A surface on which a signed distance is 0, as `SurfaceNet` covers it with triangles. Places in mm. */
interface ImplicitSurface
{
    /** Returns the signed distance, negative inside; closer to 0 than it is where that tells as much. */
    public function distance(float $x, float $y, float $z): float;

    /** Whether the surface is wanted in the cube with this middle. */
    public function isWanted(float $x, float $y, float $z): bool;

    /** Returns how large a cube may be that has this middle, and now half this size, mm. */
    public function cubeAt(float $x, float $y, float $z, float $half): float;

    /**
     * @return array{float, float, float} the place on the surface for a vertex near it
     */
    public function onSurface(float $x, float $y, float $z): array;
}
