<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\Edit\ChangeEnd;
use Bowline\Editing\Edit\FinishEnd;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Tolerance;
use Bowline\Job\End\Cap;
use Bowline\Job\End\CapShape;
use Bowline\Job\End\Collar;
use Bowline\Job\End\Reducer;
use Bowline\Job\RunEnd;
use Bowline\Job\Words;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Spool;
use stdClass;

/** `end-fit`: a cap, a collar or a reducer can be made on its tube, and has the straight that it needs. */
final class EndFit implements Rule
{
    public function check(LaidRun $laid): array
    {
        $findings = [];
        foreach (Spool::all($laid) as $spool) {
            $ends = [
                'from' => [$spool->laid->run->from, $spool->jointBefore, $spool->from],
                'to' => [$spool->laid->run->to, $spool->jointBehind, $spool->to],
            ];
            foreach ($ends as $side => [$end, $joint, $at]) {
                $fault = self::fault($end, $spool->laid, $side === 'from');
                if ($fault !== null) {
                    $findings[] = new Finding(
                        'end-fit', Severity::Violation,
                        $joint === null ? Subject::end($laid, $side) : Subject::joint($laid, $joint),
                        sprintf('The %s at %s does not fit', $end->end->type(), $joint === null
                            ? $end->port ?? ($side === 'from' ? 'the start' : 'the end')
                            : sprintf('joint %d', $joint->index + 1)),
                        $fault[0], $end->at, [$at, $at], $fault[1], $fault[2],
                    );
                }
            }
        }

        return $findings;
    }

    /** @return array{string, float, float}|null of an end of a spool: in words, measured, required */
    private static function fault(RunEnd $end, LaidRun $laid, bool $atStart): ?array
    {
        $cap = $end->end->cap();
        $reducer = $end->end->reducer();
        $collar = $end->end->collar();
        $straight = EndRoom::at($laid, $atStart);

        return match (true) {
            $cap !== null => self::ofCap($cap, $laid, $straight),
            $reducer !== null => self::ofReducer($reducer, $laid, $straight),
            $collar !== null => self::ofCollar($collar, $laid, $straight),
            default => null,
        };
    }

    /** @return array{string, float, float}|null in words, measured, required */
    private static function ofCap(Cap $cap, LaidRun $laid, float $straight): ?array
    {
        $section = $laid->run->stock->section;
        $say = $laid->run->units->say(...);
        if ($cap->shape === CapShape::Domed && ! $section->isRound) {
            return [sprintf('A dome goes round; the %s does not.', $laid->run->stock->kind->value), 0.0, 1.0];
        }
        if ($cap->shape === CapShape::Domed && ! $cap->canBeDomed($section)) {
            return [
                sprintf(
                    'Its crown is at least R %s, and its knuckle between the wall of %s and that.',
                    $say($section->outsideDiameter / 2), $say($section->wall),
                ),
                $cap->dome($section)[0], $section->outsideDiameter / 2,
            ];
        }

        return $cap->shape === CapShape::Stepped && $cap->depth > $straight + Tolerance::RULE_SLACK
            ? [
                sprintf('It goes %s into the bore; only %s is straight there.', $say($cap->depth), $say($straight)),
                $straight, $cap->depth,
            ]
            : null;
    }

    /** @return array{string, float, float}|null */
    private static function ofReducer(Reducer $reducer, LaidRun $laid, float $straight): ?array
    {
        $section = $laid->run->stock->section;
        $say = $laid->run->units->say(...);
        $kind = $laid->run->stock->kind->value;
        $wall = $reducer->wall ?? $section->wall;

        return match (true) {
            ! $section->isRound => [sprintf('A reducer goes round; the %s does not.', $kind), 0.0, 1.0],
            ! $section->isSolid() && $reducer->od <= 2 * $wall + Tolerance::RULE_SLACK => [
                sprintf(
                    'It is %s outside with a wall of %s: nothing is left of its bore.',
                    $say($reducer->od), $say($wall),
                ),
                $reducer->od, 2 * $wall,
            ],
            $reducer->length > $straight + Tolerance::RULE_SLACK => [
                sprintf(
                    'It is %s long; only %s of the %s is straight there.',
                    $say($reducer->length), $say($straight), $kind,
                ),
                $straight, $reducer->length,
            ],
            default => null,
        };
    }

    /** @return array{string, float, float}|null */
    private static function ofCollar(Collar $collar, LaidRun $laid, float $straight): ?array
    {
        $od = $laid->run->stock->section->outsideDiameter;
        $say = $laid->run->units->say(...);
        $kind = $laid->run->stock->kind->value;

        return match (true) {
            $collar->od <= $od + Tolerance::RULE_SLACK => [
                sprintf('It is %s outside; the %s is %s.', $say($collar->od), $kind, $say($od)), $collar->od, $od,
            ],
            $collar->length() > $straight + Tolerance::RULE_SLACK => [
                sprintf(
                    'It reaches %s back from the end; only %s of the %s is straight there.',
                    $say($collar->length()), $say($straight), $kind,
                ),
                $straight, $collar->length(),
            ],
            default => null,
        };
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        foreach (['from' => $laid->run->from, 'to' => $laid->run->to] as $name => $end) {
            if (! $finding->subject->isEnd($name)) {
                continue;
            }
            $straight = Words::roundedDown(EndRoom::at($laid, $name === 'from'));
            $changes = [];
            if ($end->end->collar() !== null) {
                $changes['Leave the end open'] = new FinishEnd($name, 'open');
                $changes['Take a collar that fits'] = new FinishEnd($name, 'collar');
            } elseif ($straight > 0.0) {
                $changes[sprintf('Make it %s long', $laid->run->units->say($straight))] = new ChangeEnd(
                    $name,
                    static function (stdClass $told) use ($straight): void {
                        $told->{isset($told->depth) ? 'depth' : 'length'} = $straight;
                    },
                );
            }
            if ($end->end->cap() !== null) {
                $changes['Make it half round'] = new ChangeEnd($name, static function (stdClass $told): void {
                    unset($told->crown, $told->knuckle);
                });
                $changes['Close it with a flat cap'] = new FinishEnd($name, 'flat-cap');
                $changes['Leave the end open'] = new FinishEnd($name, 'open');
            }
            foreach ($changes as $label => $change) {
                yield new Remedy($label, 'runs', RunDraft::of($laid)->apply($change)->run());
            }
        }
    }
}
