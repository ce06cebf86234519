<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Geometry\Outline;
use Bowline\Geometry\Path;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\SectionPlacement;
use Bowline\Space\SurfaceDistance;
use Bowline\Space\TubeDistance;

/**
 * An outline that is carried along a path square to it. The distance of a point is that within the section through it:
 * exact along lines and arcs, along whose sections nothing changes; along a curve it is too great where that bends
 * within the distance.
 */
final readonly class SweptSection implements SurfaceDistance
{
    /**
     * @param  non-empty-list<array{float, FramedSegment, TubeDistance}>  $segments  with the developed length at their
     *     start, mm, and the distance from them
     * @param  Outline  $outline  in the frames of the segments
     */
    private function __construct(
        private array $segments,
        public Outline $outline,
    ) {
    }

    /** @param  Outline  $outline  of the section before it is turned */
    public static function along(Path $path, SectionPlacement $placement, Outline $outline): self
    {
        $segments = [];
        $start = 0.0;
        foreach (SectionFrames::along($path, $placement) as $framed) {
            $tube = TubeDistance::along(new Path([$framed->segment]), 0.0, false, false);
            $segments[] = [$start, $framed, $tube];
            $start += $framed->segment->length();
        }
        assert($segments !== []);

        return new self($segments, $placement->place($outline));
    }

    /** @param  float  $along  developed length, mm */
    public function frameAt(float $along): Frame
    {
        $i = 0;
        while (isset($this->segments[$i + 1]) && $this->segments[$i + 1][0] <= $along) {
            $i++;
        }

        return $this->segments[$i][1]->frameAt($along - $this->segments[$i][0]);
    }

    /** Returns how far the section reaches from the path in a direction, which may lean along the path, mm. */
    public function extent(float $along, Vector $direction): float
    {
        $frame = $this->frameAt($along);
        [$x, $y] = [$direction->dot($frame->first), $direction->dot($frame->second)];
        $across = hypot($x, $y);

        return $across < Tolerance::PARALLEL ? 0.0 : $across * $this->outline->extent($x / $across, $y / $across);
    }

    public function at(float $x, float $y, float $z): array
    {
        $point = new Vector($x, $y, $z);
        $best = [INF, 0.0, 0.0, 0.0, 0.0];
        foreach ($this->segments as [$start, $framed, $tube]) {
            [, $dx, $dy, $dz, $within] = $tube->at($x, $y, $z);
            $way = $framed->frameAt($within)->coordinatesOf($point);
            $distance = -$this->outline->depthOf($way->x, $way->y);
            // Beyond an end of the segment.
            if (abs($way->z) > Tolerance::NOTHING && ($within <= 0.0 || $within >= $framed->segment->length())) {
                $distance = hypot(max(0.0, $distance), $way->z);
            }
            if ($distance < $best[0]) {
                $best = [$distance, $dx, $dy, $dz, $start + $within];
            }
        }

        return $best;
    }
}
