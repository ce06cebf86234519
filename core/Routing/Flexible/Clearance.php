<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Geometry\Curve;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/**
 * The distance that the centreline of a run keeps from what it lies on: its radius, but no more than its own ends have.
 */
final readonly class Clearance
{
    /** Most points of a curve at which its clearance is tested. */
    private const MOST_LOOKS = 20000;

    /** No clearance is demanded within this many radii of an end that itself touches a body. */
    private const BESIDE = 3.0;

    /** How far inside a body each end begins, mm. */
    private float $fromOff;

    private float $toOff;

    /**
     * @param  float  $half  half the outside of the line, mm
     * @param  Vector|null  $to  null when that end is free
     */
    public function __construct(private Bodies $bodies, private float $half, Vector $from, ?Vector $to)
    {
        $this->fromOff = min($half, $bodies->nearest($from->x, $from->y, $from->z, $half)[0] ?? $half);
        $this->toOff = $to === null ? $half : min($half, $bodies->nearest($to->x, $to->y, $to->z, $half)[0] ?? $half);
    }

    /** Returns the distance wanted at a point, by its developed distances from the start and from the end, mm. */
    public function wanted(float $from, float $to): float
    {
        return min($this->half, $this->fromOff + $from, $this->toOff + $to);
    }

    public function isClear(Curve $curve): bool
    {
        return $this->deepest($curve, Tolerance::NOTHING)[0] <= Tolerance::NOTHING;
    }

    /**
     * Finds where a curve is deepest inside a body.
     *
     * @param  float  $enough  mm; the search ends at the first point deeper than this
     * @return array{float, float, string} depth in mm (0 when clear), developed length there, and id of the body
     */
    public function deepest(Curve $curve, float $enough = INF): array
    {
        $deepest = [0.0, 0.0, ''];
        if ($this->bodies->isEmpty()) {
            return $deepest;
        }
        $length = $curve->length();
        $steps = min(self::MOST_LOOKS, max(50, Tolerance::pieces($length / max($this->half, 1.0) * 2)));
        for ($i = 1; $i < $steps && $deepest[0] <= $enough; $i++) {
            $along = $length * $i / $steps;
            if (
                ($this->fromOff < $this->half && $along < self::BESIDE * $this->half) ||
                ($this->toOff < $this->half && $length - $along < self::BESIDE * $this->half)
            ) {
                continue;
            }
            $point = $curve->pointAt($along);
            $near = $this->bodies->nearest($point->x, $point->y, $point->z, $this->half);
            $deep = $near === null ? 0.0 : $this->wanted($along, $length - $along) - $near[0];
            if ($near !== null && $deep > $deepest[0]) {
                $deepest = [$deep, $along, $near[4]];
            }
        }

        return $deepest;
    }
}
