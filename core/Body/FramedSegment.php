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

    /**
     * Returns the frame of the section at a developed length of the segment; between two knots it is rolled evenly.
     *
     * @param  float  $along  mm
     */
    public function frameAt(float $along): Frame
    {
        $along = max(0.0, min($this->segment->length(), $along));
        $travel = $this->segment->directionAt($along);
        $height = $this->segment->carried($this->start->second, $along);
        if ($this->rolls !== null) {
            $height = $height->turnedAbout($travel, $this->rolledAt($along, $this->rolls));
        }

        return Frame::of($this->segment->pointAt($along), $travel, $height->squareTo($travel)->cross($travel));
    }

    /** @param  list<float>  $rolls */
    private function rolledAt(float $along, array $rolls): float
    {
        $knots = $this->segment->knots();
        $i = 1;
        while ($i < count($knots) - 1 && $knots[$i] < $along) {
            $i++;
        }
        $part = ($along - $knots[$i - 1]) / ($knots[$i] - $knots[$i - 1]);

        return $rolls[$i - 1] + $part * ($rolls[$i] - $rolls[$i - 1]);
    }
}
