<?php

declare(strict_types=1);

namespace Bowline\Harness;

/** Finds the smallest circles that circles pack into, and where they lie in those. */
interface Packings
{
    /**
     * @param  list<float>  $radii  mm
     * @return float mm; 0 for none
     */
    public function radius(array $radii): float;

    /** Whether all radii were found so far, and none was estimated because finding it takes too long. */
    public function areFound(): bool;

    /**
     * @param  list<float>  $radii  mm, falling
     * @return list<array{float, float}> where each lies in the circle, about its centre, mm
     */
    public function places(array $radii): array;
}
