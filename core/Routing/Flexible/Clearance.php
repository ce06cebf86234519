<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Geometry\Curve;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/**
 * How far a line of some thickness has to be off what it lies on: half of that, but no farther than its own ends are.
 */
final readonly class Clearance
{
    /** At so many places of a curve at most it is looked whether it is clear. */
    private const MOST_LOOKS = 20000;

    /** By an end on a body it is not looked for so many times half its thickness. */
    private const BESIDE = 3.0;

    /** How far out of a body the two ends begin, mm. */
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

    /** At a place so far from one end and from the other, along the line, mm. */
    public function wanted(float $from, float $to): float
    {
        return min($this->half, $this->fromOff + $from, $this->toOff + $to);
    }

    public function isClear(Curve $curve): bool
    {
        return $this->deepest($curve, Tolerance::NOTHING)[0] <= Tolerance::NOTHING;
    }

    /**
     * Where a curve is deepest in a body.
     *
     * @param  float  $enough  mm; deeper than this, it is not looked any farther
     * @return array{float, float, string} how deep, mm, 0 when it is clear; developed length there; id of the body
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
