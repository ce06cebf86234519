<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Body\Boundary\Solid;
use Bowline\Geometry\Outline;
use Bowline\Geometry\Tolerance;
use Bowline\Job\Joint\JointKind;
use Bowline\Routing\LaidJoint;
use Bowline\Routing\LaidRun;

/**
 * The flat gasket between the flanges of a joint, inside of the bolts: as wide as the raised face, or as far as the
 * bolts leave it, and open as far as the tube is wide outside (the way EN 1514-1 has them for both).
 */
final readonly class Gasket
{
    /**
     * @param  float  $inner  diameter, mm; $outer likewise
     * @param  float  $thickness  the gap of the joint, mm
     */
    private function __construct(
        public float $inner,
        public float $outer,
        public float $thickness,
    ) {
    }

    /** Returns the gasket of a joint; null where there is no place for the joint, or none between tube and bolts. */
    public static function of(LaidRun $laid, LaidJoint $joint): ?self
    {
        $section = $laid->stockAlong($joint->at ?? $joint->told)->section;
        $flange = $joint->joint->near->flange($section);
        if ($joint->joint->kind !== JointKind::Flanges || $flange === null || $joint->at === null
            || $joint->joint->gap < Tolerance::NOTHING) {
            return null;
        }
        $holes = $flange->holes;
        $outer = $flange->face->diameter ?? ($holes === null ? null : $holes->circle - $holes->diameter);
        $inner = $section->outsideDiameter;

        return $outer === null || $outer <= $inner ? null : new self($inner, $outer, $joint->joint->gap);
    }

    /** Returns its body where the joint is. */
    public function solid(LaidRun $laid, LaidJoint $joint): Solid
    {
        $at = $joint->at ?? $joint->told;
        $axis = $laid->path->directionAt($at);
        $middle = $laid->path->pointAt($at);
        $start = Frame::of($middle->minus($axis->times($this->thickness / 2)), $axis, $axis->anySquare());

        return new Solid('Gasket', [SolidBuilder::prism(
            $start, $this->thickness, Outline::circle($this->outer / 2), Outline::circle($this->inner / 2),
        )]);
    }
}
