<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Body\Boundary\Face;
use Bowline\Body\Boundary\Solid;
use Bowline\Body\Motion\Translation;
use Bowline\Geometry\Outline;
use Bowline\Job\Joint\JointKind;
use Bowline\Job\Section;
use Bowline\Routing\LaidJoint;
use Bowline\Routing\LaidRun;

/** The sleeve of a coupling or a union over the ends of both tubes, on what is round. */
final class Sleeve
{
    /** Share of the length of a union that its nut has, and how much wider than its sleeve the nut is. */
    private const NUT_LENGTH = 0.4;

    private const NUT_WIDTH = 1.25;

    public static function of(LaidRun $laid, LaidJoint $joint): ?Solid
    {
        $section = $laid->stockAlong($joint->at ?? $joint->told)->section;
        [$length, $od] = $joint->joint->sleeve($section);
        if (! $joint->joint->kind->hasSleeve() || ! $section->isRound || $joint->at === null
            || $od <= $section->outsideDiameter) {
            return null;
        }
        $axis = $laid->path->directionAt($joint->at);
        $middle = $laid->path->pointAt($joint->at);
        $start = Frame::of($middle->minus($axis->times($length / 2)), $axis, $axis->anySquare());
        $nut = self::NUT_LENGTH * $length;
        $steps = $joint->joint->kind === JointKind::Union
            ? [[$od, ($length - $nut) / 2], [$od * self::NUT_WIDTH, $nut], [$od, ($length - $nut) / 2]]
            : [[$od, $length]];

        return new Solid(ucfirst($joint->joint->kind->value), [self::turned($start, $steps, $section)]);
    }

    /**
     * @param  non-empty-list<array{float, float}>  $steps  outside diameter and length of each, mm
     * @return list<Face>
     */
    private static function turned(Frame $start, array $steps, Section $section): array
    {
        $builder = new SolidBuilder;
        $bore = Profile::of(Outline::circle($section->outsideDiameter / 2)->reversed(), $start);
        $length = array_sum(array_column($steps, 1));
        $farBore = $builder->sweep($bore, new Translation($start->along->times($length)));
        $at = $start;
        $last = null;
        $widest = 0.0;
        foreach ($steps as [$diameter, $height]) {
            $ring = Profile::of(Outline::circle($diameter / 2), $at);
            if ($last === null) {
                $builder->flat($at->facingBack(), [$ring->reversed(), $bore->reversed()]);
            } elseif ($diameter > $widest) {
                $builder->flat($at->facingBack(), [$ring->reversed(), $last]);
            } else {
                $builder->flat($at, [$last, $ring->reversed()]);
            }
            $last = $builder->sweep($ring, new Translation($start->along->times($height)));
            $widest = $diameter;
            $at = $at->movedTo($at->at->plus($start->along->times($height)));
        }
        $builder->flat($at, [$last, $farBore]);

        return $builder->faces();
    }
}
