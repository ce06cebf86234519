<?php

declare(strict_types=1);

namespace Bowline\Clearance;

use Bowline\Job\Joint\JointKind;
use Bowline\Job\RepeatKind;
use Bowline\Routing\LaidJoint;
use Bowline\Routing\LaidRun;
use Bowline\Routing\RepeatPlaces;

/** What stands out round a run between its ends. */
final class RunCollars
{
    /** @return list<Collar> flanges, couplings and unions of its joints; a joint that has no place has none */
    public static function ofJoints(LaidRun $laid): array
    {
        $collars = [];
        foreach (LaidJoint::all($laid) as $joint) {
            if ($joint->at === null) {
                continue;
            }
            [$near, $far] = $joint->span();
            $section = $laid->stockAlong(max(0.0, $near - 1.0))->section;
            if ($joint->joint->kind === JointKind::Flanges) {
                $before = $joint->joint->near->flange($section);
                $behind = $joint->joint->far->flange($section) ?? $before;
                if ($before !== null) {
                    $collars[] = self::within($laid, $near - $before->thickness, $near, $before->outline()->reach());
                }
                if ($behind !== null) {
                    $collars[] = self::within($laid, $far, $far + $behind->thickness, $behind->outline()->reach());
                }
            } elseif ($joint->joint->kind->hasSleeve()) {
                [$length, $od] = $joint->joint->sleeve($section);
                $collars[] = self::within($laid, $joint->at - $length / 2, $joint->at + $length / 2, $od / 2);
            }
        }

        return $collars;
    }

    /** @return list<Collar> clips, ties, ribs and rings; printed marks take no room */
    public static function ofRepeats(LaidRun $laid): array
    {
        $collars = [];
        foreach ($laid->run->repeats as $repeat) {
            foreach ($repeat->kind === RepeatKind::Mark ? [] : RepeatPlaces::of($laid, $repeat) as $at) {
                $radius = $repeat->outline?->reach()
                    ?? $laid->stockAlong($at)->section->outsideDiameter / 2 + $repeat->height;
                $collars[] = self::within($laid, $at - $repeat->width / 2, $at + $repeat->width / 2, $radius);
            }
        }

        return $collars;
    }

    private static function within(LaidRun $laid, float $from, float $to, float $radius): Collar
    {
        return new Collar(max(0.0, $from), min($laid->length(), $to), $radius);
    }
}
