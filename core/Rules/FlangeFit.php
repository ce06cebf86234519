<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\RunChange;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Tolerance;
use Bowline\Job\End\FaceKind;
use Bowline\Job\End\Flange;
use Bowline\Job\End\OpenEnd;
use Bowline\Job\End\PlateForTube;
use Bowline\Job\Words;
use Bowline\Routing\LaidRun;
use stdClass;

/**
 * `flange-fit`: a flange fits its tube and the straight that it stands on, and its bolt holes, its face and its neck
 * lie in the plate and clear of one another.
 */
final class FlangeFit implements Rule
{
    public function check(LaidRun $laid): array
    {
        $findings = [];
        foreach (FlangedEnd::all($laid) as $end) {
            $flange = $end->flange;
            $faults = $flange === null
                ? [[true, Severity::Violation, 'It is the same as that of another end, which has none.', 0.0, 1.0]]
                : [
                    ...$this->ofTube($end->spool->laid, $flange),
                    ...$this->ofPlate($end->spool->laid, $flange, $end->straight()),
                ];
            foreach ($faults as [$is, $severity, $message, $measured, $required]) {
                if ($is) {
                    $findings[] = new Finding(
                        'flange-fit', $severity, $end->subject, sprintf('The flange at %s does not fit', $end->where),
                        $message, $end->end->at, $end->span(), $measured, $required,
                    );
                }
            }
        }

        return $findings;
    }

    /**
     * @return list<array{bool, Severity, string, float, float}> whether it is so, how bad, in words, measured, required
     */
    private function ofTube(LaidRun $laid, Flange $flange): array
    {
        $run = $laid->run;
        $od = $run->stock->section->outsideDiameter;
        $say = $run->units->say(...);
        $kind = $run->stock->kind->value;
        if ($flange->tube !== null) {
            // What a standard bores for its pipe is right for that pipe.
            return [[
                abs($flange->tube - $od) > Tolerance::CLAMP_BORE, Severity::Violation,
                sprintf(
                    '%s is made for %s; the %s is %s outside.', $flange->name, $say($flange->tube), $kind, $say($od),
                ),
                $flange->tube, $od,
            ]];
        }
        $bore = $flange->bore ?? $od;
        $neck = $flange->neck;
        $slack = Tolerance::RULE_SLACK;

        return [
            [
                $bore < $od - $slack, Severity::Violation,
                sprintf('Its bore is %s; the %s is %s outside and does not go in.', $say($bore), $kind, $say($od)),
                $bore, $od,
            ],
            [
                $bore > $od + Tolerance::FLANGE_GAP + $slack, Severity::Warning,
                sprintf(
                    'Its bore is %s; round a %s of %s that leaves more gap than a weld fills.',
                    $say($bore), $kind, $say($od),
                ),
                $bore, $od + Tolerance::FLANGE_GAP,
            ],
            [
                $neck !== null && ! $run->stock->section->isRound, Severity::Violation,
                sprintf('It has a neck, which goes round; the %s does not.', $kind), 1.0, 0.0,
            ],
            [
                $neck !== null && $run->stock->section->isRound && ! $neck->fits($od), Severity::Violation,
                sprintf('Its neck is thinner than the %s of %s, or too short for its radius.', $kind, $say($od)),
                $neck->length ?? 0.0, $neck->radius ?? 0.0,
            ],
        ];
    }

    /** @return list<array{bool, Severity, string, float, float}> as for the tube */
    private function ofPlate(LaidRun $laid, Flange $flange, float $straight): array
    {
        $run = $laid->run;
        $say = $run->units->say(...);
        $kind = $run->stock->kind->value;
        $od = $run->stock->section->outsideDiameter;
        $slack = Tolerance::RULE_SLACK;
        $reach = 2 * $flange->outline()->depthOf(0.0, 0.0);
        $middle = $flange->middle($od);
        $kept = $flange->keptClear($od);
        $holes = $flange->holes;
        $face = $flange->face;
        $isSunk = $face !== null && $face->kind !== FaceKind::Spigot;

        return [
            [
                $reach <= $middle + $slack, Severity::Violation,
                sprintf(
                    'Its plate is %s outside; nothing is left round a %s of %s.', $say($reach),
                    $flange->neck === null ? 'bore' : 'neck', $say($middle),
                ),
                $reach, $middle,
            ],
            [
                $holes !== null && $flange->rimLeft() <= $slack, Severity::Violation,
                sprintf('Its bolt holes break out of the plate by %s.', $say(abs($flange->rimLeft()))),
                $reach, $reach - 2 * min(0.0, $flange->rimLeft()),
            ],
            [
                $holes !== null && $holes->clearOf($kept) <= $slack, Severity::Violation,
                sprintf(
                    'Its bolt holes run into %s by %s.',
                    $kept > $middle + $slack ? 'its face' : ($middle > max($od, $flange->bore ?? 0.0) + $slack
                        ? 'its neck'
                        : 'the '.$kind),
                    $say(abs($holes?->clearOf($kept) ?? 0.0)),
                ),
                $holes->circle ?? 0.0, $kept + ($holes->diameter ?? 0.0),
            ],
            [
                $holes !== null && $holes->between() <= $slack, Severity::Violation,
                sprintf(
                    'Its %d bolt holes run into each other by %s.',
                    $holes->count ?? 0, $say(abs($holes?->between() ?? 0.0)),
                ),
                $holes->diameter ?? 0.0, ($holes->diameter ?? 0.0) + min($holes?->between() ?? 0.0, 0.0),
            ],
            [
                $face !== null && $face->diameter >= $reach - $slack, Severity::Violation,
                sprintf('Its face is %s across and does not lie in the plate.', $say($face->diameter ?? 0.0)),
                $face->diameter ?? 0.0, $reach,
            ],
            [
                $isSunk && $face->height >= $flange->thickness - $slack, Severity::Violation,
                sprintf(
                    'Its face is %s high; the plate is only %s thick.',
                    $say($face->height ?? 0.0), $say($flange->thickness),
                ),
                $face->height ?? 0.0, $flange->thickness,
            ],
            [
                $straight < $flange->length() - $slack, Severity::Violation,
                $flange->neck === null
                    ? sprintf(
                        'It is %s thick; only %s of the %s is straight there.',
                        $say($flange->thickness), $say($straight), $kind,
                    )
                    : sprintf(
                        'It is %s long with its neck, which reaches into a bend; only %s of the %s is straight there.',
                        $say($flange->length()), $say($straight), $kind,
                    ),
                $straight, $flange->length(),
            ],
        ];
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        foreach (FlangedEnd::all($laid) as $end) {
            if (! $end->subject->is($finding->subject)) {
                continue;
            }
            $changes = match (true) {
                $end->flange === null => ['Leave the end open' => $end->replace((new OpenEnd)->toFile())],
                $end->flange->tube !== null => $this->sizes($laid, $end),
                default => $this->dimensions($laid, $end, $end->flange),
            };
            foreach ($changes as $label => $change) {
                yield new Remedy($label, 'runs', RunDraft::of($laid)->apply($change)->run());
            }
        }
    }

    /** @return iterable<string, RunChange> by what they say */
    private function sizes(LaidRun $laid, FlangedEnd $end): iterable
    {
        yield 'Take the size of the '.$end->spool->laid->run->stock->kind->value => $end->change(static function (
            stdClass $told,
        ): void {
            unset($told->nominal);
        });
        $plate = (new PlateForTube)->flange($end->spool->laid->run->stock->section);
        yield 'Make a plate to its measure' => $end->replace($plate->toFile());
    }

    /** @return iterable<string, RunChange> by what they say */
    private function dimensions(LaidRun $laid, FlangedEnd $flanged, Flange $flange): iterable
    {
        $od = $flanged->spool->laid->run->stock->section->outsideDiameter;
        $say = $laid->run->units->say(...);
        $set = $flanged->change(...);
        $holes = static fn (string $key, int|float $value): RunChange => $set(
            static function (stdClass $end) use ($key, $value): void {
                if (($end->holes ?? null) instanceof stdClass) {
                    $end->holes->{$key} = $value;
                }
            },
        );
        $bore = Words::roundedUp($od + Flange::PLAY);
        yield sprintf('Bore it to %s', $say($bore)) => $set(static function (stdClass $end) use ($bore): void {
            $end->bore = $bore;
        });
        $inside = $flange->keptClear($od);
        $drilled = $flange->holes->circle ?? 0.0;
        $diameter = $flange->holes->diameter ?? 0.0;
        $standing = max($od, $flange->neck?->foot($od) ?? 0.0, $flange->face->diameter ?? 0.0);
        $plate = Words::roundedUp(max($drilled + 2 * $diameter, $standing * 1.5), 0);
        yield sprintf('Make the plate %s', $say($plate)) => $set(static function (stdClass $end) use ($plate): void {
            foreach (['width', 'height', 'od'] as $key) {
                if (isset($end->{$key})) {
                    $end->{$key} = $plate;
                }
            }
        });
        $reach = 2 * $flange->outline()->depthOf(0.0, 0.0);
        foreach ([($reach + $inside) / 2, $inside + 2 * $diameter] as $exact) {
            $circle = Words::roundedUp($exact, 0);
            yield sprintf('Put the holes on a circle of %s', $say($circle)) => $holes('circle', $circle);
        }
        if ($flange->neck !== null) {
            yield 'Leave out its neck' => $set(static function (stdClass $end) use ($bore): void {
                $end->bore ??= $bore;
                unset($end->neck);
            });
        }
        $thickness = Words::roundedDown($flanged->straight() - ($flange->neck->length ?? 0.0));
        if ($thickness > 0.0) {
            yield sprintf('Make it %s thick', $say($thickness)) => $set(
                static function (stdClass $end) use ($thickness): void {
                    $end->thickness = $thickness;
                },
            );
        }
        if ($flange->face !== null) {
            yield 'Leave its face flat' => $set(static function (stdClass $end): void {
                unset($end->face);
            });
        }
        foreach ([8, 6, 4] as $count) {
            yield sprintf('Use %d bolt holes', $count) => $holes('count', $count);
        }
    }
}
