<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Geometry\Arc;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\Segment;
use Bowline\Geometry\SegmentVisitor;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\SectionPlacement;

/**
 * Where the section of a run stands at the start of each segment of its path: second direction along its height, before
 * it is turned by `section_turn`. An upright one is rolled about the path as it goes, where carrying it along alone
 * would not leave it upright.
 *
 * @implements SegmentVisitor<Segment>
 */
final readonly class SectionFrames implements SegmentVisitor
{
    /** Part of a direction square to `up` below which it is vertical, and nothing is upright about it. */
    private const VERTICAL = 0.05;

    /** Turn between two points of an arc that is followed as a curve, radians. */
    private const ARC_STEP = M_PI / 180;

    private function __construct(private SectionPlacement $placement)
    {
    }

    /**
     * @param  Vector|null  $height  direction of the height at the start, where it follows from what is before
     * @return list<FramedSegment>
     */
    public static function along(Path $path, SectionPlacement $placement, ?Vector $height = null): array
    {
        $frames = new self($placement);
        $framed = [];
        $frame = $height === null || $path->segments === []
            ? null
            : self::frame($path->segments[0]->start(), $path->segments[0]->directionAt(0.0), $height);
        foreach ($path->segments as $i => $segment) {
            $frame ??= $frames->start($path);
            $framed[] = $made = $frames->framed($segment, $frame);
            $next = $path->segments[$i + 1] ?? null;
            $frame = $next === null ? $made->end : self::turnedInto($made->end, $next->directionAt(0.0));
        }

        return $framed;
    }

    /** Returns the direction of the height at a developed length that lies on a straight, mm. */
    public static function heightAt(Path $path, SectionPlacement $placement, float $along): ?Vector
    {
        $start = 0.0;
        foreach (self::along($path, $placement) as $framed) {
            $start += $framed->segment->length();
            if ($along <= $start + Tolerance::NOTHING) {
                return $framed->start->second;
            }
        }

        return null;
    }

    /** Returns the frame at the start: upright, or such that it is so where the path first leaves the vertical. */
    private function start(Path $path): Frame
    {
        $travel = $path->segments[0]->directionAt(0.0);
        foreach ($path->segments as $segment) {
            $direction = $segment->directionAt($segment->length());
            $height = $this->uprightAt($direction);
            if ($height !== null) {
                $height = $direction->dot($travel) > -0.999 ? $height->transported($direction, $travel) : $height;

                return self::frame($path->segments[0]->start(), $travel, $this->uprightAt($travel) ?? $height);
            }
        }

        return self::frame($path->segments[0]->start(), $travel, $travel->anySquare());
    }

    private static function frame(Vector $at, Vector $travel, Vector $height): Frame
    {
        return Frame::of($at, $travel, $height->squareTo($travel)->cross($travel));
    }

    /** Returns the frame of a sharp corner, turned into the next direction. */
    private static function turnedInto(Frame $frame, Vector $travel): Frame
    {
        return $frame->along->angleTo($travel) < Tolerance::PARALLEL || $frame->along->dot($travel) < -0.999
            ? $frame
            : self::frame($frame->at, $travel, $frame->second->transported($frame->along, $travel));
    }

    private function framed(Segment $segment, Frame $frame): FramedSegment
    {
        $length = $segment->length();
        $travel = $segment->directionAt($length);
        $height = $segment->carried($frame->second, $length);
        $rolls = $this->placement->isUpright ? $this->rolls($segment, $frame) : null;
        if ($rolls === null) {
            return new FramedSegment($segment, $frame, self::frame($segment->end(), $travel, $height), null);
        }
        $curve = $segment->accept($this);
        $knots = $curve->knots();
        $rolls = $this->rolls($curve, $frame) ?? array_fill(0, count($knots), 0.0);
        $height = $height->turnedAbout($travel, $rolls[count($rolls) - 1]);

        return new FramedSegment($curve, $frame, self::frame($segment->end(), $travel, $height), $rolls);
    }

    /**
     * Returns by how much the section is rolled at each knot of a segment, beyond being carried, to stay upright.
     *
     * @return list<float>|null radians; null where it is nowhere rolled
     */
    private function rolls(Segment $segment, Frame $frame): ?array
    {
        $rolls = [];
        $isVertical = false;
        $last = 0.0;
        $carried = $frame->second;
        $before = $frame->along;
        foreach ($segment->knots() as $along) {
            $travel = $segment->directionAt($along);
            $carried = $carried->transported($before, $travel);
            $before = $travel;
            $height = $this->uprightAt($travel);
            if ($height === null) {
                $isVertical = true;
                $rolls[] = $last;

                continue;
            }
            $angle = atan2($carried->cross($height)->dot($travel), $carried->dot($height));
            // Its height lies in the plane of up with either side upwards: the nearer of both.
            $last = $angle - M_PI * round(($angle - $last) / M_PI);
            $rolls[] = $last;
        }
        if (max(0.0, ...array_map(abs(...), $rolls)) < Tolerance::PARALLEL) {
            return null;
        }
        if ($isVertical) {
            // Where the path goes through the vertical, evenly on its way.
            $length = $segment->length();
            $rolls = array_map(static fn (float $along): float => $last * $along / $length, $segment->knots());
        }

        return $rolls;
    }

    /** Returns the unit direction square to a travel in the plane of `up`; null where that is vertical. */
    private function uprightAt(Vector $travel): ?Vector
    {
        $height = $this->placement->up->minus($travel->times($travel->dot($this->placement->up)));

        return $height->length() < self::VERTICAL ? null : $height->unit();
    }

    public function line(Line $line): Segment
    {
        return $line;
    }

    public function arc(Arc $arc): Segment
    {
        $count = (int) ceil($arc->angle / self::ARC_STEP);
        $along = array_map(static fn (int $i): float => $arc->length() * $i / $count, range(0, $count));

        return new Curve(
            array_map($arc->pointAt(...), $along), array_map($arc->directionAt(...), $along), $along,
            array_fill(0, $count + 1, 1 / $arc->radius), $arc->radius, 0.0,
        );
    }

    public function curve(Curve $curve): Segment
    {
        return $curve;
    }
}
