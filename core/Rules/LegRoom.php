<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\Edit\SetCorner;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Tolerance;
use Bowline\Job\Words;
use Bowline\Routing\Bend;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Leg;

/** `leg-room`: a leg is long enough for the bends at its ends and the straight that the bender needs. */
final class LegRoom implements Rule
{
    use EasesBends;

    public function check(LaidRun $laid): array
    {
        $findings = [];
        foreach ($laid->legs as $leg) {
            $needed = $this->needed($laid, $leg);
            if ($leg->length >= $needed - Tolerance::RULE_SLACK) {
                continue;
            }
            $findings[] = new Finding(
                'leg-room',
                Severity::Violation,
                Subject::leg($leg->toVertex),
                $this->title($leg),
                sprintf(
                    'Corner to corner it is %s; %s %s.',
                    $laid->run->units->say($leg->length), $this->why($laid, $leg), $laid->run->units->say($needed),
                ),
                $leg->middle,
                [$leg->start, $leg->start + $leg->straight],
                $leg->length,
                $needed,
            );
        }

        return $findings;
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        foreach ($laid->legs as $leg) {
            if ($leg->toVertex === $finding->subject->vertex) {
                $short = $this->needed($laid, $leg) - $leg->length;
                yield from $this->easeOne($laid, $leg, $short);
                foreach ($this->lengthen($laid, $leg, $short) as [$what, $edit, $way]) {
                    yield new Remedy($what, 'runs', $edit->run(), $way);
                }
                yield from $this->easeBoth($laid, $leg, $short);
            }
        }
    }

    /** @return iterable<Remedy> one of the bends at its ends with a smaller radius */
    private function easeOne(LaidRun $laid, Leg $leg, float $short): iterable
    {
        foreach ($this->bendsOf($laid, $leg) as $index) {
            $radius = $this->eased($laid->bends[$index], $short);
            if ($radius > 0.0) {
                yield new Remedy(
                    sprintf(
                        'Ease bend %d by %s to R %s',
                        $index + 1,
                        $laid->run->units->say($laid->bends[$index]->askedRadius - $radius),
                        $laid->run->units->number($radius),
                    ),
                    'runs',
                    RunDraft::of($laid)->apply(SetCorner::radius($laid->bends[$index]->vertex, $radius))->run(),
                );
            }
        }
    }

    /** @return iterable<Remedy> both of them, each giving half of what is short */
    private function easeBoth(LaidRun $laid, Leg $leg, float $short): iterable
    {
        $edit = RunDraft::of($laid);
        $names = [];
        foreach ($this->bendsOf($laid, $leg) as $index) {
            $radius = $this->eased($laid->bends[$index], $short / 2);
            if ($radius > 0.0) {
                $edit->apply(SetCorner::radius($laid->bends[$index]->vertex, $radius));
                $names[] = sprintf('bend %d to R %s', $index + 1, $laid->run->units->number($radius));
            }
        }
        if (count($names) === 2) {
            yield new Remedy('Ease '.implode(' and ', $names), 'runs', $edit->run());
        }
    }

    /** @return list<int> those of its bends that are not elbows, and can be eased */
    private function bendsOf(LaidRun $laid, Leg $leg): array
    {
        return array_values(array_filter(
            [$leg->bendBefore, $leg->bendAfter],
            static fn (?int $bend): bool => $bend !== null && $laid->bends[$bend]->elbow === null,
        ));
    }

    /** Returns the radius whose tangent is shorter by $short mm, rounded down so that it is short enough. */
    private function eased(Bend $bend, float $short): float
    {
        return Words::roundedDown($bend->askedRadius * (1.0 - $short / $bend->askedTangent));
    }

    private function title(Leg $leg): string
    {
        return match (true) {
            $leg->bendBefore !== null && $leg->bendAfter !== null => sprintf(
                'No room between bends %d and %d',
                $leg->bendBefore + 1,
                $leg->bendAfter + 1,
            ),
            $leg->bendAfter !== null => sprintf('No room before bend %d', $leg->bendAfter + 1),
            default => sprintf('No room after bend %d', ($leg->bendBefore ?? 0) + 1),
        };
    }

    private function why(LaidRun $laid, Leg $leg): string
    {
        $straight = $this->straightBetween($laid, $leg);
        if ($leg->bendBefore === null || $leg->bendAfter === null) {
            return 'its bend alone needs';
        }

        return $straight > 0.0
            ? sprintf('its two bends, with %s straight between them, need', $laid->run->units->say($straight))
            : 'its two bends need';
    }
}
