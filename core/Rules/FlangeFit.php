<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\Edit\ChangeEnd;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Tolerance;
use Bowline\Job\End\Flange;
use Bowline\Job\RunEnd;
use Bowline\Job\Words;
use Bowline\Routing\LaidRun;
use stdClass;

/** `flange-fit`: a flange fits over its tube, and its bolt holes lie in the plate and clear of the tube. */
final class FlangeFit implements Rule
{
    public function check(LaidRun $laid): array
    {
        $findings = [];
        foreach (['from' => $laid->run->from, 'to' => $laid->run->to] as $name => $end) {
            $flange = $end->end->flange();
            if ($flange !== null) {
                array_push($findings, ...$this->ofFlange($laid, $end, $flange, $name === 'from'));
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private function ofFlange(LaidRun $laid, RunEnd $end, Flange $flange, bool $atStart): array
    {
        $od = $laid->run->stock->section->outsideDiameter;
        $kind = $laid->run->stock->kind->value;
        $straight = $this->straightAt($laid, $atStart);
        $say = fn (bool $is, Severity $severity, string $message, float $measured, float $required): ?Finding => $is
            ? new Finding(
                'flange-fit',
                $severity,
                Subject::end($laid, $atStart ? 'from' : 'to'),
                sprintf('The flange at %s does not fit', $end->port ?? ($atStart ? 'the start' : 'the end')),
                $message,
                $end->at,
                $atStart
                    ? [0.0, min($straight, $flange->thickness)]
                    : [$laid->length() - min($straight, $flange->thickness), $laid->length()],
                $measured,
                $required,
            )
            : null;
        $slack = Tolerance::RULE_SLACK;
        $inside = max($od, $flange->bore);

        return array_values(
            array_filter([
                $say(
                    $flange->bore < $od - $slack,
                    Severity::Violation,
                    sprintf(
                        'Its bore is %s; the %s is %s outside and does not go in.',
                        $laid->run->units->say($flange->bore),
                        $kind,
                        $laid->run->units->say($od),
                    ),
                    $flange->bore,
                    $od,
                ),
                $say(
                    $flange->bore > $od + Tolerance::FLANGE_GAP + $slack,
                    Severity::Warning,
                    sprintf(
                        'Its bore is %s; round a %s of %s that leaves more gap than a weld fills.',
                        $laid->run->units->say($flange->bore),
                        $kind,
                        $laid->run->units->say($od),
                    ),
                    $flange->bore,
                    $od + Tolerance::FLANGE_GAP,
                ),
                $say(
                    $flange->outsideDiameter <= $inside + $slack,
                    Severity::Violation,
                    sprintf(
                        'Its plate is %s outside; nothing is left round a bore of %s.',
                        $laid->run->units->say($flange->outsideDiameter),
                        $laid->run->units->say($inside),
                    ),
                    $flange->outsideDiameter,
                    $inside,
                ),
                $say(
                    $flange->holeCount > 0 && $flange->rimLeft() <= $slack,
                    Severity::Violation,
                    sprintf(
                        'Its bolt holes break out of the plate by %s.',
                        $laid->run->units->say(abs($flange->rimLeft())),
                    ),
                    $flange->outsideDiameter,
                    $flange->boltCircle + $flange->holeDiameter,
                ),
                $say(
                    $flange->holeCount > 0 && $flange->clearOf($inside) <= $slack,
                    Severity::Violation,
                    sprintf(
                        'Its bolt holes run into the %s by %s.',
                        $kind,
                        $laid->run->units->say(abs($flange->clearOf($inside))),
                    ),
                    $flange->boltCircle,
                    $inside + $flange->holeDiameter,
                ),
                $say(
                    $flange->holeCount > 0 && $flange->betweenHoles() <= $slack,
                    Severity::Violation,
                    sprintf(
                        'Its %d bolt holes run into each other by %s.',
                        $flange->holeCount,
                        $laid->run->units->say(abs($flange->betweenHoles())),
                    ),
                    $flange->holeDiameter,
                    $flange->holeDiameter + $flange->betweenHoles(),
                ),
                $say(
                    $straight < $flange->thickness - $slack,
                    Severity::Violation,
                    sprintf(
                        'It is %s thick; only %s of the %s is straight there.',
                        $laid->run->units->say($flange->thickness),
                        $laid->run->units->say($straight),
                        $kind,
                    ),
                    $straight,
                    $flange->thickness,
                ),
            ]),
        );
    }

    /** Returns the straight length at one of the ends of the run, mm. */
    private function straightAt(LaidRun $laid, bool $atStart): float
    {
        return $laid->legs === [] ? 0.0 : $laid->legs[$atStart ? 0 : count($laid->legs) - 1]->straight;
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        $od = $laid->run->stock->section->outsideDiameter;
        foreach (['from' => $laid->run->from, 'to' => $laid->run->to] as $name => $end) {
            $flange = $end->end->flange();
            if ($flange === null || ! $finding->subject->isEnd($name)) {
                continue;
            }
            $change = static fn (string $label, callable $edit): Remedy => new Remedy(
                $label,
                'runs',
                RunDraft::of($laid)->apply(new ChangeEnd($name, $edit))->run(),
            );
            $bore = Words::roundedUp($od + Flange::PLAY);
            yield $change(sprintf('Bore it to %s', $laid->run->units->say($bore)), static function (stdClass $end) use (
                $bore,
            ): void {
                $end->bore = $bore;
            });
            $plate = Words::roundedUp(max($flange->boltCircle + 2 * $flange->holeDiameter, $od * 1.5), 0);
            yield $change(sprintf('Make the plate %s', $laid->run->units->say($plate)), static function (
                stdClass $end,
            ) use ($plate): void {
                $end->od = $plate;
            });
            $inside = max($od, $flange->bore);
            $circles = [($flange->outsideDiameter + $inside) / 2, $inside + 2 * $flange->holeDiameter];
            foreach ($circles as $exact) {
                $circle = Words::roundedUp($exact, 0);
                yield $change(
                    sprintf('Put the holes on a circle of %s', $laid->run->units->say($circle)),
                    static function (stdClass $end) use ($circle): void {
                        if (($end->holes ?? null) instanceof stdClass) {
                            $end->holes->circle = $circle;
                        }
                    },
                );
            }
            $thickness = Words::roundedDown($this->straightAt($laid, $name === 'from'));
            if ($thickness > 0.0) {
                yield $change(sprintf('Make it %s thick', $laid->run->units->say($thickness)), static function (
                    stdClass $end,
                ) use ($thickness): void {
                    $end->thickness = $thickness;
                });
            }
            foreach ([8, 6, 4] as $count) {
                yield $change(sprintf('Use %d bolt holes', $count), static function (stdClass $end) use ($count): void {
                    if (($end->holes ?? null) instanceof stdClass) {
                        $end->holes->count = $count;
                    }
                });
            }
        }
    }
}
