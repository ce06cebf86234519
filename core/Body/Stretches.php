<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Body\Motion\Motion;
use Bowline\Body\Motion\Rotation;
use Bowline\Body\Motion\SplineSweep;
use Bowline\Body\Motion\Translation;
use Bowline\Geometry\Arc;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\SegmentVisitor;
use Bowline\Geometry\Tolerance;

/**
 * The path of a run as motions of its section, one after another. Straights that continue each other are one.
 *
 * @implements SegmentVisitor<null>
 */
final class Stretches implements SegmentVisitor
{
    /** @var list<array{Frame, Motion, float|null}> */
    private array $stretches = [];

    private function __construct(
        private Frame $frame,
        private readonly float $reach,
    ) {
    }

    /**
     * @param  Frame  $start  at the start of the path
     * @param  float  $reach  of the section from the path, mm
     * @return list<array{Frame, Motion, float|null}> frame at its start, motion, and length where it is straight
     */
    public static function along(Path $path, Frame $start, float $reach): array
    {
        $stretches = new self($start, $reach);
        foreach ($path->segments as $segment) {
            $segment->accept($stretches);
        }

        return $stretches->stretches;
    }

    public function line(Line $line): null
    {
        $length = $line->length();
        $last = count($this->stretches) - 1;
        if ($length < Tolerance::NOTHING) {
            return null;
        }
        if ($last >= 0 && $this->stretches[$last][2] !== null) {
            [$this->frame, , $before] = $this->stretches[$last];
            $length += $before;
            array_pop($this->stretches);
        }
        $this->add(new Translation($line->end()->minus($this->frame->at)), $length);

        return null;
    }

    public function arc(Arc $arc): null
    {
        $this->add(new Rotation($arc->centre, $arc->normal, $arc->angle), null);

        return null;
    }

    public function curve(Curve $curve): null
    {
        foreach (SplineSweep::along($curve, $this->frame, $this->reach) as $sweep) {
            $this->add($sweep, null);
        }

        return null;
    }

    private function add(Motion $motion, ?float $length): void
    {
        $this->stretches[] = [$this->frame, $motion, $length];
        $this->frame = $motion->frameOf($this->frame);
    }
}
