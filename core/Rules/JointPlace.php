<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\Edit\MoveJoint;
use Bowline\Editing\Edit\TakeOutJoint;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Tolerance;
use Bowline\Routing\LaidJoint;
use Bowline\Routing\LaidRun;

/** `joint-place`: a joint lies on a straight of the run, with its whole gap, and apart from the next. */
final class JointPlace implements Rule
{
    public function check(LaidRun $laid): array
    {
        $findings = [];
        $end = 0.0;
        foreach (LaidJoint::all($laid) as $joint) {
            [$before, $behind] = $joint->span();
            $say = $laid->run->units->say(...);
            if (! $joint->isInPlace()) {
                $findings[] = $this->finding($laid, $joint, 'is not on a straight', $joint->at === null
                    ? sprintf('It is at %s, and the run has no straight that holds it.', $say($joint->told))
                    : sprintf(
                        'It is at %s, which is not on a straight; it is drawn at %s, the nearest that is.',
                        $say($joint->told), $say($joint->at),
                    ));
            } elseif ($before <= $end + Tolerance::COINCIDENT || $behind >= $laid->length() - Tolerance::COINCIDENT) {
                $findings[] = $this->finding($laid, $joint, 'has no room', 'It leaves nothing of a spool beside it.');
            }
            $end = max($end, $behind);
        }

        return $findings;
    }

    private function finding(LaidRun $laid, LaidJoint $joint, string $what, string $message): Finding
    {
        $at = max(0.0, min($laid->length(), $joint->told));

        return new Finding(
            'joint-place', Severity::Violation, Subject::joint($laid, $joint),
            sprintf('Joint %d %s', $joint->index + 1, $what), $message,
            $laid->pointAt($at), [$at, $at],
            $joint->told, $joint->at,
        );
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        foreach (LaidJoint::all($laid) as $joint) {
            if (! $finding->subject->isJoint($joint->index)) {
                continue;
            }
            $section = $laid->stockAtJoint($joint->index)->section;
            [$near, $far] = [$joint->joint->near->covers($section), $joint->joint->far->covers($section)];
            $straights = $laid->path->straights();
            $roomy = LaidJoint::places($straights, $joint->told, $joint->joint->gap, $near, $far);
            $places = $roomy === [] ? LaidJoint::places($straights, $joint->told, $joint->joint->gap) : $roomy;
            foreach ($places as $place) {
                yield new Remedy(
                    sprintf('Put it at %s', $laid->run->units->say($place)), 'runs',
                    RunDraft::of($laid)->apply(new MoveJoint($joint->index, $place))->run(),
                );
            }
            yield new Remedy(
                'Leave it out', 'runs', RunDraft::of($laid)->apply(new TakeOutJoint($joint->index))->run(),
            );
        }
    }
}
