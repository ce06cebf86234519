<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Geometry\Vector;

/**
 * The roof inside a channel of a block that is printed upright: how flat it lies over nothing, and how wide. Round the
 * path, whose slope is e, a roof at θ from the top lies at i from level with cos i = cos θ · cos e.
 */
final readonly class Roof
{
    /** A roof that is flatter than this is not carried by what is printed below it, radians. */
    public const STEEP = M_PI / 4;

    /** Places along a channel, each so far from the next, as a part of its reach, and at most so many. */
    private const STEP = 0.25;

    private const MOST = 2000;

    /**
     * @param  float  $slope  of the flattest roof from level, radians
     * @param  Vector  $at  where that is, on the path
     * @param  float  $span  greatest width of a roof that is flatter than 45°, mm; 0 where none is
     * @param  float  $length  of the path over which it is, mm
     */
    private function __construct(
        public float $slope,
        public Vector $at,
        public float $span,
        public float $length,
    ) {
    }

    /** @param  Vector  $up  unit, in which it is printed */
    public static function of(ChannelCut $cut, Vector $up): self
    {
        $path = $cut->path;
        $count = $path->parts(self::STEP * $cut->reach, 1, self::MOST);
        [$flattest, $at, $length] = [INF, $path->pointAt(0.0), 0.0];
        for ($i = 0; $i < $count; $i++) {
            $along = $path->length * ($i + 0.5) / $count;
            $slope = asin(min(1.0, abs($path->directionAt($along)->dot($up))));
            [$flattest, $at] = $slope < $flattest ? [$slope, $path->pointAt($along)] : [$flattest, $at];
            $length += $slope < self::STEEP ? $path->length / $count : 0.0;
        }

        return new self(
            $flattest, $at,
            $flattest < self::STEEP ? 2 * $cut->reach * sin(acos(cos(self::STEEP) / cos($flattest))) : 0.0, $length,
        );
    }
}
