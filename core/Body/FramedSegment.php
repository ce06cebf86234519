<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Geometry\Segment;

/** A segment of a path with the frames of the section at its ends. */
final readonly class FramedSegment
{
    /**
     * @param  Segment  $segment  an arc is a curve where the section is rolled along it
     * @param  list<float>|null  $rolls  angle at each knot of the segment by which the section is rolled about the path
     *     beyond being carried along it, radians; null where it is not
     */
    public function __construct(
        public Segment $segment,
        public Frame $start,
        public Frame $end,
        public ?array $rolls,
    ) {
    }
}
