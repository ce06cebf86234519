<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Body\Motion\Flare;
use Bowline\Body\Motion\SplineSweep;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\End\Reducer;
use Bowline\Job\Section;

/** A reducer that is one piece with its tube: cones, or oblique ones where it is eccentric. */
final readonly class ReducerBody implements EndBody
{
    private float $length;

    private function __construct(private Reducer $reducer, private Section $section, float $room)
    {
        $this->length = min($reducer->length, $room);
    }

    /**
     * @param  float  $room  mm of straight that it may take up
     * @return self|null null where it cannot be drawn: not round, of the same size, or without anything hollow left
     */
    public static function on(Reducer $reducer, Section $section, float $room): ?self
    {
        $made = new self($reducer, $section, $room);

        return $section->isRound && $room > 0.0
            && abs($reducer->od - $section->outsideDiameter) > Tolerance::COINCIDENT
            && ($section->isSolid() || $made->endBore() > 0.0)
            ? $made
            : null;
    }

    public function back(): float
    {
        return $this->length;
    }

    public function bore(): float
    {
        return $this->length;
    }

    public function closesBore(): bool
    {
        return false;
    }

    public function standsOut(): bool
    {
        return true;
    }

    public function addTo(
        SolidBuilder $outer,
        SolidBuilder $inner,
        Frame $facing,
        Vector $up,
        Profile $outside,
        array $bores,
    ): void {
        $start = $this->start($facing, $up);
        $wall = $this->sweepTo($outer, $start, $this->section->outsideDiameter, $this->reducer->od, $outside);
        $ends = array_map(
            fn (Profile $bore): Profile => $this->sweepTo(
                $inner, $start, $this->section->insideDiameter(), $this->endBore(), $bore,
            ),
            $bores,
        );
        $outer->flat($facing->movedTo($wall->point()), [$wall, ...$ends]);
    }

    public function addContents(SolidBuilder $builder, Frame $facing, Vector $up, Profile $bore): void
    {
        $end = $this->sweepTo(
            $builder, $this->start($facing, $up), $this->section->insideDiameter(), $this->endBore(), $bore,
        );
        $builder->flat($facing->movedTo($end->point()), [$end]);
    }

    /** Returns the frame where the tube stops, its first direction upright. */
    private function start(Frame $facing, Vector $up): Frame
    {
        return Frame::upright($facing->at->minus($facing->along->times($this->length)), $facing->along, $up);
    }

    /**
     * Adds one wall of it.
     *
     * @param  float  $from  diameter, mm
     * @return Profile its end
     */
    private function sweepTo(SolidBuilder $builder, Frame $start, float $from, float $to, Profile $rim): Profile
    {
        if (! $this->reducer->isEccentric) {
            return $builder->sweep($rim, Flare::cone($start, $from / 2, $to / 2, $this->length));
        }
        $way = $start->along->times($this->length)
            ->plus($start->first->times($this->reducer->shift($this->section)));

        return $builder->sweep($rim, SplineSweep::tapered($start, $way, $to / $from));
    }

    private function endBore(): float
    {
        return $this->reducer->od - 2 * ($this->reducer->wall ?? $this->section->wall);
    }
}
