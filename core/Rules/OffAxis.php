<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\Edit\MoveStops;
use Bowline\Editing\Edit\SetAtClamp;
use Bowline\Editing\Edit\SetLead;
use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\RunEnd;
use Bowline\Job\Words;
use Bowline\Routing\ClampPassage;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Vertex;

/** `off-axis`: a run leaves and enters ports on their axis, other runs on its way out of them, and passes clamps. */
final class OffAxis implements Rule
{
    public function check(LaidRun $laid): array
    {
        // Flexible runs follow their port axes by construction or are free to leave them.
        if ($laid->legs === []) {
            return [];
        }
        $first = $laid->legs[0]->direction;
        $last = $laid->legs[count($laid->legs) - 1]->direction->times(-1.0);
        $length = $laid->length();

        return array_values(
            array_filter([
                $this->atPort($laid, 'from', $first, 'leaves', [0.0, $laid->legs[0]->straight]),
                ...array_map(
                    fn (ClampPassage $passage): ?Finding => $this->inClamp($laid, $passage),
                    ClampPassage::of($laid),
                ),
                $this->atPort($laid, 'to', $last, 'enters', [
                    $length - $laid->legs[count($laid->legs) - 1]->straight,
                    $length,
                ]),
            ]),
        );
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        $corners = count($laid->vertices);
        yield from $this->straightenAt($finding, $laid, $laid->run->from, 'from', 1);
        yield from $this->straightenAt($finding, $laid, $laid->run->to, 'to', $corners - 2);
        foreach (ClampPassage::of($laid) as $passage) {
            if ($finding->subject->kind === 'clamp' && $finding->subject->name === $passage->clamp->id) {
                yield from $this->clearOf($passage, $laid);
            }
        }
    }

    /** @return iterable<Remedy> the corners beside a clamp set farther from it, a little at a time */
    private function clearOf(ClampPassage $passage, LaidRun $laid): iterable
    {
        [$first, $second] = array_values(
            array_filter($laid->vertices, static fn (Vertex $vertex): bool => $vertex->stop === $passage->stop),
        );
        foreach ([1.0, 1.5, 2.0, 3.0] as $margin) {
            $edit = RunDraft::of($laid);
            $said = [];
            $sides = [['before', $first, $passage->lacksBefore], ['after', $second, $passage->lacksAfter]];
            foreach ($sides as [$side, $vertex, $lacks]) {
                if ($lacks > 0.0) {
                    $distance = Words::roundedUp($passage->clamp->at->distanceTo($vertex->at) + $margin * $lacks);
                    $edit->apply(new SetAtClamp($passage->stop, $side, $distance));
                    $said[] = sprintf('%s %s', $laid->run->units->say($distance), $side);
                }
            }
            if ($said !== []) {
                yield new Remedy(
                    sprintf('Corner %s %s', implode(' and ', $said), $passage->clamp->name),
                    'runs',
                    $edit->run(),
                    'clear of the clamp',
                );
            }
        }
    }

    /**
     * @param  'from'|'to'  $name
     * @param  array{float, float}  $span
     */
    private function atPort(LaidRun $laid, string $name, Vector $outward, string $verb, array $span): ?Finding
    {
        $end = $name === 'from' ? $laid->run->from : $laid->run->to;
        $what = self::whatIsAt($end);
        if ($what === null || $end->axis === null) {
            return null;
        }
        $degrees = rad2deg($end->axis->angleTo($outward));

        return $degrees <= Tolerance::OFF_AXIS_DEGREES + Tolerance::RULE_SLACK ? null : $this->finding(
            Subject::end($laid, $name),
            sprintf($end->port === null ? 'The run %s %s off its way out' : 'The run %s %s off its axis', $verb, $what),
            sprintf(
                $end->port === null
                    ? 'It is %s° off; a foot is cut for at most 0.5°.'
                    : 'It is %s° off; at most 0.5° can be screwed up.',
                Words::number($degrees),
            ),
            $end->at, $span, $degrees,
        );
    }

    /** Returns the port at an end, or the name of the run that it stands on; null where it is in the open. */
    private static function whatIsAt(RunEnd $end): ?string
    {
        return $end->port ?? $end->branch?->name;
    }

    private function inClamp(LaidRun $laid, ClampPassage $passage): ?Finding
    {
        $degrees = rad2deg(max($passage->offAxis, $passage->turnsBefore, $passage->turnsAfter));
        $bends = $passage->lacksBefore > 0.0 || $passage->lacksAfter > 0.0;
        if (! $bends && $degrees <= Tolerance::OFF_AXIS_DEGREES + Tolerance::RULE_SLACK) {
            return null;
        }

        return $this->finding(
            Subject::clamp($laid, $passage->clamp->id, $passage->stop),
            sprintf($bends ? 'The run bends inside %s' : 'The run goes through %s off its axis', $passage->clamp->name),
            sprintf('It is %s° off the axis of the clamp there.', Words::number($degrees)),
            $passage->clamp->at, $passage->span, $degrees,
        );
    }

    /** @param  array{float, float}  $span */
    private function finding(
        Subject $subject,
        string $title,
        string $message,
        Vector $at,
        array $span,
        float $degrees,
    ): Finding {
        return new Finding(
            'off-axis',
            Severity::Violation,
            $subject,
            $title,
            $message,
            $at,
            $span,
            $degrees,
            Tolerance::OFF_AXIS_DEGREES,
        );
    }

    /**
     * @param  'from'|'to'  $name
     * @param  int  $vertex  the corner next to this end
     * @return iterable<Remedy>
     */
    private function straightenAt(Finding $finding, LaidRun $laid, RunEnd $end, string $name, int $vertex): iterable
    {
        $what = self::whatIsAt($end);
        if ($end->axis === null || $what === null || ! $finding->subject->isEnd($name)) {
            return;
        }
        $corner = $laid->vertices[$vertex] ?? null;
        if ($corner !== null && $corner->stop !== null) {
            $onAxis = $end->at->plus($end->axis->times($corner->at->minus($end->at)->dot($end->axis)));
            $move = $onAxis->minus($corner->at);
            try {
                yield new Remedy(
                    sprintf(
                        'Move corner %d %s along %s',
                        $vertex,
                        $laid->run->units->say($move->length()),
                        Words::direction($move),
                    ),
                    'runs',
                    RunDraft::of($laid)->apply(new MoveStops($corner->stop, $corner->stop, $move))->run(),
                );
            } catch (EditError) {
                // Held by a clamp: the lead below is the other remedy.
            }
        }
        foreach ([1.0, 1.5, 2.0, 3.0] as $radii) {
            $lead = Words::roundedUp($radii * $laid->run->stock->bend->radius, 0);
            yield new Remedy(
                sprintf(
                    'Lead %s straight %s %s',
                    $laid->run->units->say($lead),
                    $name === 'from' ? 'out of' : 'into',
                    $what,
                ),
                'runs',
                RunDraft::of($laid)->apply(new SetLead($name, $lead))->run(),
                'lead',
            );
        }
    }
}
