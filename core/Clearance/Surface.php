<?php

declare(strict_types=1);

namespace Bowline\Clearance;

use Bowline\Geometry\Bounds;
use Bowline\Geometry\Vector;

/** A part of a thing, of which distances are told. */
interface Surface
{
    /** Returns a box along the axes of the job that holds it. */
    public function bounds(): Bounds;

    /**
     * Returns the box along the axes of the job of which it is all that is within a distance.
     *
     * @return array{Bounds, float}|null box and mm; null where it is of another shape
     */
    public function roundedBox(): ?array;

    /**
     * Returns the distance from its surface, negative inside, mm; the unit direction away from it; and the developed
     * length of the nearest place of a run, mm, null of what is none.
     *
     * @param  float  $within  what is farther off need not be found, mm: then so much may be told, with any direction
     * @return array{float, Vector, float|null}
     */
    public function at(Vector $point, float $within = INF): array;
}
