<?php

declare(strict_types=1);

namespace Bowline\Body\Cut;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Routing\LaidRun;

/** A plane in which bodies are looked at. */
final readonly class SectionPlane
{
    /** @param  Vector  $normal  unit; what lies on its side is taken away */
    private function __construct(
        public Vector $at,
        public Vector $normal,
    ) {
    }

    /**
     * Returns the plane square to a run at a place, turned about the upright through it.
     *
     * @param  float  $along  developed length, mm
     * @param  float  $turn  radians
     */
    public static function square(LaidRun $laid, float $along, float $turn): self
    {
        $travel = $laid->path->directionAt($along);
        $up = $laid->run->section->up->uprightOf($travel);

        return new self($laid->path->pointAt($along), $travel->turnedAbout($up, $turn));
    }

    /**
     * Returns the plane in which a run lies: that of its first bend, or the upright one of a straight run. Turned about
     * the way from its start to its end.
     *
     * @param  float  $offset  along its normal, mm
     * @param  float  $turn  radians
     */
    public static function ofRun(LaidRun $laid, float $offset, float $turn): self
    {
        $points = [$laid->path->pointAt(0.0), $laid->path->pointAt($laid->length())];
        $way = $points[1]->minus($points[0]);
        $travel = $laid->path->directionAt(0.0);
        $axis = $way->length() > 0.0 ? $way->unit() : $travel;
        $upright = $laid->run->section->up->uprightOf($travel);
        $normal = $laid->bends === [] ? $travel->cross($upright)->unit() : $laid->bends[0]->normal;
        $normal = $normal->turnedAbout($axis, $turn);

        return new self($points[0]->plus($normal->times($offset)), $normal);
    }

    /**
     * Returns the plane through three points.
     *
     * @param  float  $offset  along its normal, mm
     * @return self|null null where they lie in one line
     */
    public static function through(Vector $a, Vector $b, Vector $c, float $offset): ?self
    {
        $normal = $b->minus($a)->cross($c->minus($a));

        return $normal->length() < Tolerance::NOTHING
            ? null
            : new self($a->plus($normal->unit()->times($offset)), $normal->unit());
    }
}
