<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\Edit\ChangeJoint;
use Bowline\Editing\Edit\ChangeRepeat;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Tolerance;
use Bowline\Job\Joint\Joint;
use Bowline\Routing\LaidJoint;
use Bowline\Routing\LaidRun;
use Bowline\Routing\RepeatPlaces;
use stdClass;

/**
 * `loose-part`: nothing on the run hangs in the air: the sleeve of a coupling or union goes over both tubes, and the
 * outline of what repeats goes round the tube. What is loose is neither drawn nor written.
 */
final class LoosePart implements Rule
{
    public function check(LaidRun $laid): array
    {
        return [...$this->sleeves($laid), ...$this->repeats($laid)];
    }

    /** @return list<Finding> */
    private function sleeves(LaidRun $laid): array
    {
        $findings = [];
        $say = $laid->run->units->say(...);
        foreach (LaidJoint::all($laid) as $joint) {
            if (! $joint->joint->kind->hasSleeve() || $joint->at === null) {
                continue;
            }
            $section = $laid->stockAlong($joint->at)->section;
            [$length, $od] = $joint->joint->sleeve($section);
            $word = $joint->joint->kind->value;
            $fault = match (true) {
                ! $section->isRound => [sprintf('A %s goes over what is round.', $word), null, null],
                $od <= $section->outsideDiameter + Tolerance::COINCIDENT => [
                    sprintf('Its sleeve is %s outside; the tube is %s.', $say($od), $say($section->outsideDiameter)),
                    $od, $section->outsideDiameter,
                ],
                $length <= $joint->joint->gap + Tolerance::COINCIDENT => [
                    sprintf(
                        'Its sleeve is %s long, and the gap between the tubes is %s.', $say($length),
                        $say($joint->joint->gap),
                    ),
                    $length, $joint->joint->gap,
                ],
                default => null,
            };
            if ($fault !== null) {
                $findings[] = new Finding(
                    'loose-part', Severity::Violation, Subject::joint($laid, $joint),
                    sprintf('The %s at joint %d holds nothing', $word, $joint->index + 1), $fault[0],
                    $laid->path->pointAt($joint->at), $joint->span(), $fault[1], $fault[2],
                );
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private function repeats(LaidRun $laid): array
    {
        $findings = [];
        foreach ($laid->run->repeats as $index => $repeat) {
            $depth = $repeat->outline?->depthOf(0.0, 0.0);
            $half = $depth === null ? 0.0 : max([0.0, ...array_map(
                static fn (float $along): float => $laid->stockAlong($along)->section->outsideDiameter / 2,
                RepeatPlaces::of($laid, $repeat),
            )]);
            if ($depth === null || $depth > $half + Tolerance::COINCIDENT || $half === 0.0) {
                continue;
            }
            $findings[] = new Finding(
                'loose-part', Severity::Violation, Subject::repeat($index),
                sprintf('The outline of the %ss does not go round the run', $repeat->kind->value),
                sprintf(
                    'It comes as near to the middle as %s; the run is %s from there to its outside.',
                    $laid->run->units->say($depth), $laid->run->units->say($half),
                ),
                $laid->path->pointAt(0.0), [0.0, $laid->length()], $depth, $half,
            );
        }

        return $findings;
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        foreach ($laid->run->joints as $index => $joint) {
            if ($finding->subject->isJoint($index)) {
                yield from $this->remediesOf($laid, $index, $joint);
            }
        }
        foreach (array_keys($laid->run->repeats) as $index) {
            if ($finding->subject->is(Subject::repeat($index))) {
                yield new Remedy('Make them round', 'runs', RunDraft::of($laid)->apply(
                    new ChangeRepeat($index, static function (stdClass $repeat): void {
                        unset($repeat->outline);
                    }),
                )->run());
            }
        }
    }

    /** @return iterable<Remedy> */
    private function remediesOf(LaidRun $laid, int $index, Joint $joint): iterable
    {
        $section = $laid->stockAtJoint($index)->section;
        [$length, $od] = Joint::usualSleeve($section);
        if ($section->isRound && $length > $joint->gap) {
            $say = $laid->run->units->say(...);
            yield new Remedy(
                sprintf('Use a sleeve of %s, %s long', $say($od), $say($length)), 'runs',
                RunDraft::of($laid)->apply(new ChangeJoint($index, static function (stdClass $own): void {
                    unset($own->sleeve);
                }))->run(),
            );
        }
        yield new Remedy('Weld it', 'runs', RunDraft::of($laid)->apply(
            new ChangeJoint($index, static function (stdClass $own): void {
                $own->kind = 'weld';
                unset($own->sleeve, $own->gap);
            }),
        )->run());
    }
}
