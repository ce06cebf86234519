<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\Edit\ChangeJoint;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Tolerance;
use Bowline\Job\End\BoltHoles;
use Bowline\Job\End\FaceKind;
use Bowline\Job\End\Flange;
use Bowline\Job\Units;
use Bowline\Routing\LaidJoint;
use Bowline\Routing\LaidRun;
use stdClass;

/** `joint-fit`: the two flanges of a joint go together: their bolt holes line up, and a spigot finds its recess. */
final class JointFit implements Rule
{
    public function check(LaidRun $laid): array
    {
        $findings = [];
        foreach (LaidJoint::all($laid) as $joint) {
            $section = $laid->stockAlong($joint->at ?? $joint->told)->section;
            $near = $joint->joint->near->flange($section);
            $far = $joint->joint->far->flange($section);
            if ($near === null || $far === null || $joint->at === null) {
                continue;
            }
            $fault = $this->holes($near, $far, $laid->run->units) ?? $this->faces($near, $far, $laid->run->units);
            if ($fault !== null) {
                $findings[] = new Finding(
                    'joint-fit', Severity::Violation, Subject::joint($laid, $joint),
                    sprintf('The flanges at joint %d do not go together', $joint->index + 1), $fault[0],
                    $laid->path->pointAt($joint->at), $joint->span(), $fault[1], $fault[2],
                );
            }
        }

        return $findings;
    }

    /** @return array{string, float, float}|null in words, measured, required */
    private function holes(Flange $near, Flange $far, Units $units): ?array
    {
        [$one, $other] = [$near->holes, $far->holes];
        if ($one === null || $other === null || $one->count !== $other->count) {
            return ($one === null) === ($other === null) && $one?->count === $other?->count ? null : [
                sprintf('One has %d bolt holes, the other %d.', $one->count ?? 0, $other->count ?? 0),
                (float) ($other->count ?? 0), (float) ($one->count ?? 0),
            ];
        }
        if (abs($one->circle - $other->circle) > Tolerance::CLAMP_BORE) {
            return [
                sprintf(
                    'One has its bolt holes on a circle of %s, the other of %s.',
                    $units->say($one->circle), $units->say($other->circle),
                ),
                $other->circle, $one->circle,
            ];
        }
        $off = self::turnedBy($one, $near->turn, $other, $far->turn);

        // Bolts in their clearance holes still go in while the holes are off by less than that clearance, about 1 mm.
        return $off * $one->circle / 2 <= Flange::PLAY / 2 ? null : [
            sprintf('Their bolt holes are turned by %s° against each other.', round(rad2deg($off), 1)),
            rad2deg($off), 0.0,
        ];
    }

    /** Returns by how much the holes of the far flange are off from those of the near one, radians, at least 0. */
    private static function turnedBy(BoltHoles $near, float $nearTurn, BoltHoles $far, float $farTurn): float
    {
        $step = 2 * M_PI / $near->count;
        // The far one looks the other way, and its angles run the other way round.
        $off = $near->angles()[0] + $nearTurn + $far->angles()[0] + $farTurn;
        $off -= $step * round($off / $step);

        return abs($off);
    }

    /** @return array{string, float, float}|null */
    private function faces(Flange $near, Flange $far, Units $units): ?array
    {
        foreach ([[$near->face, $far->face], [$far->face, $near->face]] as [$spigot, $recess]) {
            if ($spigot?->kind !== FaceKind::Spigot) {
                continue;
            }
            if ($recess?->kind !== FaceKind::Recess || $recess->diameter < $spigot->diameter) {
                return [
                    sprintf('There is no recess for the spigot of %s.', $units->say($spigot->diameter)),
                    $recess?->kind === FaceKind::Recess ? $recess->diameter : 0.0, $spigot->diameter,
                ];
            }
        }

        return null;
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        foreach (array_keys($laid->run->joints) as $index) {
            if ($finding->subject->isJoint($index)) {
                yield new Remedy(
                    'Make them alike', 'runs',
                    RunDraft::of($laid)->apply(new ChangeJoint($index, static function (stdClass $joint): void {
                        unset($joint->other);
                    }))->run(),
                );
            }
        }
    }
}
