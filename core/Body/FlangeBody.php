<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Body\Motion\Flare;
use Bowline\Body\Motion\Translation;
use Bowline\Geometry\Outline;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\End\FaceKind;
use Bowline\Job\End\Flange;
use Bowline\Job\End\FlangeFace;
use Bowline\Job\End\FlangeNeck;
use Bowline\Job\Section;

/**
 * The faces of a flange that is one piece with its tube: neck, back, rim, bolt holes and face. What cannot be made of
 * it (holes that break out, a neck without room) is left out here and reported by `flange-fit`.
 */
final readonly class FlangeBody implements EndBody
{
    private Outline $rim;

    private ?FlangeNeck $neck;

    private ?FlangeFace $face;

    /** @var list<Outline> */
    private array $holes;

    private float $thickness;

    private function __construct(private Flange $flange, private Section $section, float $room)
    {
        $this->rim = $flange->outline();
        $this->thickness = min($flange->thickness, $room);
        $this->neck = $this->canHaveNeck($room) ? $flange->neck : null;
        $this->face = $this->canHaveFace() ? $flange->face : null;
        $holes = $flange->holes;
        $kept = max($this->middle(), $this->face->diameter ?? 0.0);
        $isDrilled = $holes !== null && $flange->rimLeft() > 0.0 && $holes->clearOf($kept) > 0.0
            && $holes->between() > 0.0;
        $this->holes = $isDrilled ? $flange->holes() : [];
    }

    /**
     * @param  float  $room  mm of straight that it may take up
     * @return self|null null where the plate does not reach beyond the tube
     */
    public static function on(Flange $flange, Section $section, float $room): ?self
    {
        return $room > 0.0 && 2 * $flange->outline()->depthOf(0.0, 0.0) > $section->outsideDiameter
            ? new self($flange, $section, $room)
            : null;
    }

    public function back(): float
    {
        return $this->thickness + ($this->neck->length ?? 0.0);
    }

    public function closesBore(): bool
    {
        return $this->flange->isBlind && ! $this->section->isSolid();
    }

    public function standsOut(): bool
    {
        return true;
    }

    public function bore(): float
    {
        return match (true) {
            $this->flange->isBlind => $this->thickness,
            $this->face?->kind === FaceKind::Recess => $this->face->height,
            $this->face?->kind === FaceKind::Spigot => -$this->face->height,
            default => 0.0,
        };
    }

    public function addTo(
        SolidBuilder $outer,
        SolidBuilder $inner,
        Frame $facing,
        Vector $up,
        Profile $outside,
        array $bores,
    ): void {
        if ($this->closesBore()) {
            $inner->closeBores($facing, $this->bore(), $bores);
            $bores = [];
        }
        $end = Frame::upright($facing->at, $facing->along, $up);
        $at = static fn (float $height): Frame => $end->movedTo($end->at->plus($end->along->times($height)));
        $raised = $this->face?->kind === FaceKind::Raised ? $this->face->height : 0.0;
        $front = $at(-$raised);
        $back = $at(-$this->thickness);
        $through = new Translation($facing->along->times($this->thickness - $raised));

        $foot = $this->neck === null ? $outside : $this->addNeck($outer, $facing, $this->neck, $outside);
        $rim = Profile::of($this->rim, $back);
        $behind = [$rim->reversed(), $foot];
        $ahead = [$outer->sweep($rim, $through)];
        foreach ($this->holes as $hole) {
            $start = Profile::of($hole->reversed(), $back);
            $behind[] = $start->reversed();
            $ahead[] = $outer->sweep($start, $through);
        }
        $outer->flat($back->facingBack(), $behind);
        if ($this->face === null) {
            $outer->flat($front, [...$ahead, ...$bores]);

            return;
        }
        $circle = Outline::circle($this->face->diameter / 2);
        $isSunk = $this->face->kind === FaceKind::Recess;
        $step = Profile::of($isSunk ? $circle->reversed() : $circle, $front);
        $rise = $facing->along->times($isSunk ? -$this->face->height : $this->face->height);
        // A recess is swept into the plate, so its loop runs the other way about the motion.
        $top = $isSunk
            ? $outer->sweep($step->reversed(), new Translation($rise))->reversed()
            : $outer->sweep($step, new Translation($rise));
        $outer->flat($front, [...$ahead, $isSunk ? $step : $step->reversed()]);
        $outer->flat($front->movedTo($front->at->plus($rise)), [$isSunk ? $top->reversed() : $top, ...$bores]);
    }

    public function addContents(SolidBuilder $builder, Frame $facing, Vector $up, Profile $bore): void
    {
        $builder->flat($facing->movedTo($bore->point()), [$bore]);
    }

    /** @return Profile the loop in which it comes to the back of the plate */
    private function addNeck(SolidBuilder $builder, Frame $facing, FlangeNeck $neck, Profile $tube): Profile
    {
        $od = $this->section->outsideDiameter;
        $angle = $neck->halfAngle($od);
        $frame = $facing->movedTo($facing->at->minus($facing->along->times($this->back())));
        $filletHeight = $neck->radius * (1 - sin($angle));
        $coneLength = $neck->length - $filletHeight;
        $radius = $od / 2;
        if ($coneLength > Tolerance::NOTHING) {
            $cone = Flare::cone($frame, $radius, $radius + $coneLength * tan($angle), $coneLength);
            $tube = $builder->sweep($tube, $cone);
            [$frame, $radius] = [$cone->endFrame(), $cone->endRadius()];
        }

        return $neck->radius > 0.0
            ? $builder->sweep($tube, Flare::round(
                $frame, $radius, $neck->foot($od) / 2, -$neck->radius * sin($angle), -(M_PI / 2 - $angle),
            ))
            : $tube;
    }

    private function canHaveNeck(float $room): bool
    {
        $neck = $this->flange->neck;
        $od = $this->section->outsideDiameter;

        return $neck !== null && $this->section->isRound
            && $this->flange->length() <= $room
            && $neck->fits($od)
            && $neck->foot($od) / 2 < $this->rim->depthOf(0.0, 0.0);
    }

    private function canHaveFace(): bool
    {
        $face = $this->flange->face;
        $bore = $this->flange->isBlind || $this->section->isSolid() ? 0.0 : $this->section->outsideDiameter;

        return $face !== null
            && $face->diameter / 2 < $this->rim->depthOf(0.0, 0.0)
            && $face->diameter > ($this->section->isRound && $bore > 0.0 ? $this->section->insideDiameter() : $bore)
            && ($face->kind === FaceKind::Spigot || $face->height < $this->thickness);
    }

    /** Returns the diameter of what stands in the middle of its back, mm. */
    private function middle(): float
    {
        $od = $this->section->outsideDiameter;

        return max($od, $this->neck?->foot($od) ?? 0.0);
    }
}
