<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Body\Motion\Rotation;
use Bowline\Body\Motion\SplineSweep;
use Bowline\Body\Motion\Translation;
use Bowline\Geometry\Arc;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\SegmentVisitor;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\SectionPlacement;

/**
 * The path of a run as motions of its section, one after another. Straights that continue each other are one.
 *
 * @implements SegmentVisitor<null>
 */
final class Stretches implements SegmentVisitor
{
    /** @var list<Stretch> */
    private array $stretches = [];

    private FramedSegment $framed;

    private function __construct(private readonly float $reach)
    {
    }

    /**
     * @param  float  $reach  of the section from the path, mm
     * @param  Vector|null  $height  of the section at the start, where it follows from what is before
     * @return list<Stretch>
     */
    public static function along(
        Path $path,
        SectionPlacement $placement,
        float $reach,
        ?Vector $height = null,
    ): array {
        $stretches = new self($reach);
        foreach (SectionFrames::along($path, $placement, $height) as $framed) {
            $stretches->framed = $framed;
            $framed->segment->accept($stretches);
        }

        return $stretches->stretches;
    }

    public function line(Line $line): null
    {
        $length = $line->length();
        if ($length < Tolerance::NOTHING) {
            return null;
        }
        $frame = $this->framed->start;
        $last = $this->stretches[count($this->stretches) - 1] ?? null;
        if ($last?->straight !== null && $last->start->along->angleTo($frame->along) < Tolerance::NO_TURN) {
            $frame = $last->start;
            $length += $last->straight;
            array_pop($this->stretches);
        }
        $this->stretches[] = new Stretch($frame, new Translation($line->end()->minus($frame->at)), $length);

        return null;
    }

    public function arc(Arc $arc): null
    {
        $this->stretches[] = new Stretch(
            $this->framed->start, new Rotation($arc->centre, $arc->normal, $arc->angle), null,
        );

        return null;
    }

    public function curve(Curve $curve): null
    {
        $frame = $this->framed->start;
        foreach (SplineSweep::along($curve, $frame, $this->reach, $this->framed->rolls) as $sweep) {
            $this->stretches[] = $stretch = new Stretch($frame, $sweep, null);
            $frame = $stretch->end();
        }

        return null;
    }
}
