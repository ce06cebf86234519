<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\Edit\StandOn;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Saddle;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Branch;
use Bowline\Job\BranchKind;
use Bowline\Job\RunEnd;
use Bowline\Job\Section;
use Bowline\Job\StockKind;
use Bowline\Job\Words;
use Bowline\Routing\LaidRun;

/**
 * `branch-place`: a branch stands with its whole foot on a straight of its host, beside joints, flanges and the feet of
 * other branches, is not wider than that, and goes straight until it is clear of it; one by a bought tee leaves square,
 * by a tee that is made.
 */
final class BranchPlace implements Rule
{
    public function check(LaidRun $laid): array
    {
        $findings = [];
        foreach (['from' => $laid->run->from, 'to' => $laid->run->to] as $name => $end) {
            // A trunk of a harness leaves another anywhere.
            if ($end->branch === null || $laid->run->stock->kind === StockKind::Bundle) {
                continue;
            }
            $fault = self::fault($end->branch, $end, $laid, $name);
            if ($fault !== null) {
                $at = $name === 'from' ? 0.0 : $laid->length();
                $findings[] = new Finding(
                    'branch-place', Severity::Violation, Subject::end($laid, $name),
                    sprintf('The branch on %s %s', $end->branch->name, $fault[0]), $fault[1], $end->at,
                    [$at, $at], $fault[2], $fault[3],
                );
            }
        }

        return $findings;
    }

    /**
     * @param  'from'|'to'  $name
     * @return array{string, string, float, float|null}|null what is wrong, in words, measured, required
     */
    private static function fault(Branch $branch, RunEnd $end, LaidRun $laid, string $name): ?array
    {
        $section = $laid->stockAtEnd($name)->section;
        $say = $laid->run->units->say(...);
        [$od, $hostOd] = [$section->outsideDiameter, $branch->section->outsideDiameter];
        $axis = $end->axis ?? $branch->along;
        $saddle = $branch->saddle($axis, $section);
        if ($saddle === null) {
            return match (true) {
                ! $section->isRound || ! $branch->section->isRound => [
                    'does not fit', sprintf('A branch goes on what is round; %s is not.', $section->isRound
                        ? $branch->name
                        : 'the '.$laid->run->stock->kind->value), 0.0, 1.0,
                ],
                $od > $hostOd => [
                    'is too wide', sprintf('It is %s outside; %s is %s.', $say($od), $branch->name, $say($hostOd)),
                    $od, $hostOd,
                ],
                default => ['goes along it', 'It leaves in the direction of the run that it stands on.', 0.0, null],
            };
        }

        return self::ofTee($branch, $axis, $section)
            ?? self::ofPlace($branch, $axis, $section, $say)
            ?? self::ofStraight($branch, self::height($branch, $saddle, $section), $laid, $name);
    }

    /** @return array{string, string, float, float|null}|null */
    private static function ofTee(Branch $branch, Vector $axis, Section $section): ?array
    {
        $angle = rad2deg($axis->angleTo($branch->along));

        return match (true) {
            $branch->kind !== BranchKind::Tee => null,
            $branch->tee($section) === null => [
                'has no tee', 'No tee is made for these two pipes (ASME B16.9): set it on, or in.', 0.0, null,
            ],
            abs($angle - 90.0) > Tolerance::OFF_AXIS_DEGREES => [
                'is not square', sprintf(
                    'A bought tee leaves at 90°; this leaves at %s°. Set it on, or in.', Words::number($angle, 1),
                ), $angle, 90.0,
            ],
            default => null,
        };
    }

    /** Returns how far from the middle of the host it is clear of that, or its tee ends, mm. */
    private static function height(Branch $branch, Saddle $saddle, Section $section): float
    {
        return $branch->tee($section)->outlet ?? $saddle->highest();
    }

    /**
     * @param  callable(float): string  $say
     * @return array{string, string, float, float|null}|null
     */
    private static function ofPlace(Branch $branch, Vector $axis, Section $section, callable $say): ?array
    {
        [$before, $behind] = $branch->span($axis, $section);
        $places = $branch->places($axis, $section);
        if ($places !== [] && abs($places[0] - $branch->told) < Tolerance::RULE_SLACK) {
            return null;
        }
        $nearest = $places[0] ?? null;
        $where = $branch->told > $branch->length + Tolerance::RULE_SLACK
            ? sprintf('It stands at %s; %s is %s long.', $say($branch->told), $branch->name, $say($branch->length))
            : null;
        $straight = $branch->straightAt($branch->told);
        if ($where === null && $straight === null) {
            $where = sprintf('At %s %s bends.', $say($branch->told), $branch->name);
        }
        [$from, $to] = [$branch->told + $before, $branch->told + $behind];
        foreach ($where === null ? $branch->takenFrom($axis, $section) : [] as [$first, $last, $what]) {
            if ($to > $first && $from < $last) {
                $where = sprintf(
                    'With its weld it takes %s to %s of %s, and lies over %s.', $say($from), $say($to), $branch->name,
                    $what,
                );
                break;
            }
        }
        $where ??= sprintf(
            'With its weld it takes %s to %s of %s, which is straight from %s to %s.', $say($from), $say($to),
            $branch->name,
            $say($straight[0] ?? 0.0), $say($straight[1] ?? 0.0),
        );

        return [
            match (true) {
                $branch->told > $branch->length + Tolerance::RULE_SLACK => 'is past its end',
                $straight === null => 'stands in a bend',
                default => 'has no room',
            }, $nearest === null
                ? $where.' No straight of it has the room.'
                : $where, $branch->told, $nearest,
        ];
    }

    /**
     * @param  'from'|'to'  $name
     * @return array{string, string, float, float}|null
     */
    private static function ofStraight(Branch $branch, float $height, LaidRun $laid, string $name): ?array
    {
        $say = $laid->run->units->say(...);
        $straight = EndRoom::at($laid, $name === 'from');

        return $straight > $height + Tolerance::RULE_SLACK ? null : [
            'bends too early', sprintf(
                'It is clear of %s at %s from the middle of that; only %s of it is straight there.',
                $branch->name, $say($height), $say($straight),
            ), $straight, $height,
        ];
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        foreach (['from' => $laid->run->from, 'to' => $laid->run->to] as $name => $end) {
            if ($end->branch === null || $end->axis === null || ! $finding->subject->isEnd($name)) {
                continue;
            }
            $section = $laid->stockAtEnd($name)->section;
            $saddle = $end->branch->saddle($end->axis, $section);
            foreach ($saddle === null ? [] : $end->branch->places($end->axis, $section) as $place) {
                if (abs($place - $end->branch->told) < Tolerance::RULE_SLACK) {
                    continue;
                }
                yield new Remedy(
                    sprintf('Put it at %s of %s', $laid->run->units->say($place), $end->branch->name), 'runs',
                    RunDraft::of($laid)->apply(new StandOn($name, $end->branch->host, $place))->run(),
                );
            }
        }
    }
}
