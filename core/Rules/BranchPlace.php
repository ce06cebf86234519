<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\Edit\StandOn;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Saddle;
use Bowline\Geometry\Tolerance;
use Bowline\Job\Branch;
use Bowline\Job\RunEnd;
use Bowline\Job\Section;
use Bowline\Routing\LaidRun;

/**
 * `branch-place`: a branch stands with its whole foot on a straight of its host, beside joints and flanges, is not
 * wider than that, and goes straight until it is clear of it.
 */
final class BranchPlace implements Rule
{
    public function check(LaidRun $laid): array
    {
        $findings = [];
        foreach (['from' => $laid->run->from, 'to' => $laid->run->to] as $name => $end) {
            if ($end->branch === null) {
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

        return self::ofPlace($branch, self::span($saddle, $section), $say)
            ?? self::ofStraight($branch, $saddle, $laid, $name);
    }

    /** @return array{float, float} how far its foot reaches along the host, with a weld as wide as its wall round it */
    private static function span(Saddle $saddle, Section $section): array
    {
        $weld = $section->isSolid() ? 0.0 : $section->wall;
        [$before, $behind] = $saddle->span();

        return [$before - $weld, $behind + $weld];
    }

    /**
     * @param  array{float, float}  $span
     * @param  callable(float): string  $say
     * @return array{string, string, float, float|null}|null
     */
    private static function ofPlace(Branch $branch, array $span, callable $say): ?array
    {
        [$before, $behind] = $span;
        $places = $branch->places($before, $behind);
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
        foreach ($where === null ? $branch->taken : [] as [$first, $last, $what]) {
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
    private static function ofStraight(Branch $branch, Saddle $saddle, LaidRun $laid, string $name): ?array
    {
        $say = $laid->run->units->say(...);
        $straight = EndRoom::at($laid, $name === 'from');

        return $straight > $saddle->highest() + Tolerance::RULE_SLACK ? null : [
            'bends too early', sprintf(
                'It is clear of %s at %s from the middle of that; only %s of it is straight there.',
                $branch->name, $say($saddle->highest()), $say($straight),
            ), $straight, $saddle->highest(),
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
            foreach ($saddle === null ? [] : $end->branch->places(...self::span($saddle, $section)) as $place) {
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
