<?php

declare(strict_types=1);

namespace Bowline\Harness;

/** Finds the smallest circles that circles pack into. */
interface Packings
{
    /**
     * @param  list<float>  $radii  mm
     * @return float mm; 0 for none
     */
    public function radius(array $radii): float;
}
