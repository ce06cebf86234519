<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Geometry\Arc;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\Segment;
use Bowline\Geometry\SegmentVisitor;
use Bowline\Geometry\Tolerance;

/**
 * The frames of the section along a path: at the ends of straights, and on bends and curves as often as the chord
 * tolerance asks. Straights that continue each other are not divided.
 *
 * @implements SegmentVisitor<null>
 */
final class BodyFrames implements SegmentVisitor
{
    /** @var non-empty-list<Frame> */
    private array $frames;

    private Frame $frame;

    /** A straight whose end has no frame yet, since the next one may continue it. */
    private ?Line $straight = null;

    private function __construct(
        Segment $first,
        private readonly Chord $chord,
        private readonly float $offset,
    ) {
        $this->frame = Frame::upright($first->start(), $first->directionAt(0.0));
        $this->frames = [$this->frame];
    }

    /**
     * @param  float  $offset  from the path to the outside of the section, mm
     * @return list<Frame>
     */
    public static function along(Path $path, Chord $chord, float $offset): array
    {
        if ($path->segments === []) {
            return [];
        }
        $frames = new self($path->segments[0], $chord, $offset);
        foreach ($path->segments as $segment) {
            $segment->accept($frames);
        }
        $frames->endStraight();

        return $frames->frames;
    }

    public function line(Line $line): null
    {
        $out = $line->directionAt(0.0);
        if ($this->straight !== null && $this->straight->directionAt(0.0)->angleTo($out) >= Tolerance::NO_TURN) {
            // A bend without room is drawn as a sharp corner.
            $this->endStraight();
            $cross = $this->frame->along->cross($out);
            $axis = $cross->length() > Tolerance::PARALLEL ? $cross->unit() : $this->frame->along->anySquare();
            $this->add($this->frame->turned($this->frame->at, $axis, $this->frame->along->angleTo($out)));
        }
        $this->straight = $line;

        return null;
    }

    public function arc(Arc $arc): null
    {
        $this->endStraight();
        $start = $this->frame;
        foreach ($arc->places($this->chord, $this->offset) as $along) {
            $this->add($start->turned($arc->pointAt($along), $arc->normal, $along / $arc->radius));
        }

        return null;
    }

    public function curve(Curve $curve): null
    {
        $this->endStraight();
        foreach ($curve->places($this->chord, $this->offset) as $along) {
            $direction = $curve->directionAt($along);
            $cross = $this->frame->along->cross($direction);
            $point = $curve->pointAt($along);
            $this->add(
                $cross->length() > Tolerance::NO_ROTATION
                    ? $this->frame->turned($point, $cross->unit(), $this->frame->along->angleTo($direction))
                    : $this->frame->movedTo($point),
            );
        }

        return null;
    }

    private function endStraight(): void
    {
        if ($this->straight !== null) {
            $this->add($this->frame->movedTo($this->straight->end()));
            $this->straight = null;
        }
    }

    private function add(Frame $frame): void
    {
        $this->frames[] = $this->frame = $frame;
    }
}
