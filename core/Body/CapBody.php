<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Body\Motion\Flare;
use Bowline\Body\Motion\Translation;
use Bowline\Geometry\Outline;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\End\Cap;
use Bowline\Job\End\CapShape;
use Bowline\Job\Section;

/**
 * A cap that is one piece with its tube and stands past its end: a flat or stepped disc, or a dome as thick as the
 * wall. A dome on what is not round is drawn as a disc.
 */
final readonly class CapBody implements EndBody
{
    private bool $isDomed;

    private float $depth;

    /** @param  float  $room  mm of straight that its spigot may take up in the bore */
    public function __construct(private Cap $cap, private Section $section, float $room)
    {
        $this->isDomed = $cap->shape === CapShape::Domed && $section->isRound && $cap->canBeDomed($section);
        $this->depth = $cap->shape === CapShape::Stepped && ! $section->isSolid() ? min($cap->depth, $room) : 0.0;
    }

    public function back(): float
    {
        return 0.0;
    }

    public function bore(): float
    {
        return $this->depth;
    }

    public function closesBore(): bool
    {
        return ! $this->section->isSolid();
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
        if ($this->isDomed) {
            $this->addDome($outer, $facing, $outside, 0.0);
            foreach ($bores as $bore) {
                $this->addDome($inner, $facing, $bore, $this->section->wall);
            }

            return;
        }
        // A dome that cannot be made is drawn as a disc as thick as the wall.
        $rise = $facing->along->times($this->cap->thickness > 0.0 ? $this->cap->thickness : $this->section->wall);
        $top = $facing->movedTo($facing->at->plus($rise));
        $through = new Translation($rise);
        $rim = $outside;
        if ($this->cap->shape === CapShape::Stepped && $this->cap->diameter > $this->section->outsideDiameter) {
            $rim = Profile::of(Outline::circle($this->cap->diameter / 2), $facing);
            $outer->flat($facing->facingBack(), [$rim->reversed(), $outside]);
        }
        $outer->flat($top, [$outer->sweep($rim, $through)]);
        $inner->closeBores($facing, $this->depth, $bores);
    }

    public function addContents(SolidBuilder $builder, Frame $facing, Vector $up, Profile $bore): void
    {
        if ($this->isDomed) {
            $this->addDome($builder, $facing, $bore, $this->section->wall);
        } else {
            $builder->flat($facing->movedTo($bore->point()), [$bore]);
        }
    }

    /**
     * Adds the knuckle and the crown from the rim of the tube to the pole.
     *
     * @param  float  $inwards  how far it lies within the outside, mm
     */
    private function addDome(SolidBuilder $builder, Frame $facing, Profile $rim, float $inwards): void
    {
        [$crown, $knuckle, $angle] = $this->cap->dome($this->section);
        $radius = $this->section->outsideDiameter / 2;
        $at = $facing;
        $height = 0.0;
        $from = $radius - $inwards;
        if ($angle > Tolerance::PARALLEL) {
            $turn = Flare::round($at, $from, $radius - $knuckle, 0.0, $angle);
            $rim = $builder->sweep($rim, $turn);
            [$at, $from] = [$turn->endFrame(), $turn->endRadius()];
            $height = ($knuckle - $inwards) * sin($angle);
        }
        // The centre of the crown lies on the axis, below the rim by what the knuckle does not reach round.
        $centre = -($crown - $knuckle) * sin($angle);
        $builder->sweep($rim, Flare::round($at, $from, 0.0, $centre - $height, M_PI / 2 - $angle));
    }
}
