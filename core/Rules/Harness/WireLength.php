<?php

declare(strict_types=1);

namespace Bowline\Rules\Harness;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Harness\LaidHarness;
use Bowline\Harness\LaidWire;
use Bowline\Job;
use Bowline\Job\Units;
use Bowline\Job\Words;
use Bowline\Rules\Remedy;
use Bowline\Rules\Severity;
use stdClass;

/**
 * `wire-length`: a wire is not longer than it may be, goes into the length that it has, and is as long as the one that
 * it is matched with.
 */
final class WireLength implements HarnessRule
{
    public function check(LaidHarness $laid, array $bundles, Units $units): array
    {
        $findings = [];
        foreach ($laid->wires as $one) {
            [$measured, $required, $message] = $this->fault($laid, $one, $units) ?? [null, null, null];
            if ($message !== null) {
                $findings[] = new HarnessFinding(
                    'wire-length', Severity::Violation,
                    sprintf('%s is too %s', $one->wire->id, $measured < $required ? 'short' : 'long'), $message,
                    $one->leadOffs[0]->at ?? Vector::zero(), $one->wire->id, measured: $measured, required: $required,
                );
            }
        }

        return $findings;
    }

    /** @return array{float, float, string}|null measured, required, in words */
    private function fault(LaidHarness $laid, LaidWire $one, Units $units): ?array
    {
        $say = $units->say(...);
        $length = $one->length();
        $told = $one->wire->length;
        if ($length === null) {
            return null;
        }
        $slack = $told->tolerance + Tolerance::RULE_SLACK;
        $needed = $length + $one->wire->from->allowance->total() + $one->wire->to->allowance->total();
        if ($told->atMost !== null && $length > $told->atMost + $slack) {
            return [$length, $told->atMost, sprintf('It is %s; it may be %s.', $say($length), $say($told->atMost))];
        }
        if ($told->is !== null && $needed > $told->is + $slack) {
            return [$needed, $told->is, sprintf(
                'With what its ends need it takes %s; it is made %s long.', $say($needed), $say($told->is),
            )];
        }
        $other = $told->sameAs === null ? null : $laid->wires[$told->sameAs]->length();
        if ($other !== null && abs($length - $other) > $slack) {
            return [$length, $other, sprintf(
                'It is %s, and %s is %s: %s apart, where %s are allowed.', $say($length), $told->sameAs, $say($other),
                $say(abs($length - $other)), $say($told->tolerance),
            )];
        }

        return null;
    }

    public function remedies(HarnessFinding $finding, LaidHarness $laid, Units $units, Job $job): iterable
    {
        if ($finding->wire === null) {
            return;
        }
        $wire = $laid->harness->wires[$finding->wire];
        $change = static fn (callable $change): stdClass => HarnessItem::withWire(
            $job, $laid->harness, $wire->id, $change,
        );
        if ($wire->via !== []) {
            yield new Remedy('Let it find its way', 'harnesses', $change(static function (stdClass $told): void {
                unset($told->via);
            }));
        }
        $measured = $finding->measured ?? 0.0;
        foreach (['at_most' => $wire->length->atMost, 'is' => $wire->length->is] as $key => $now) {
            if ($now !== null) {
                $length = Words::roundedUp($measured);
                yield new Remedy(
                    sprintf($key === 'is' ? 'Make it %s long' : 'Let it be %s', $units->say($length)), 'harnesses',
                    $change(static function (stdClass $told) use ($key, $length): void {
                        if ($told->length instanceof stdClass) {
                            $told->length->{$key} = $length;
                        }
                    }),
                );
            }
        }
        if ($wire->length->sameAs !== null) {
            $tolerance = Words::roundedUp(abs($measured - ($finding->required ?? 0.0)));
            yield new Remedy(
                sprintf('Let both differ by %s', $units->say($tolerance)), 'harnesses',
                $change(static function (stdClass $told) use ($tolerance): void {
                    if ($told->length instanceof stdClass) {
                        $told->length->tolerance = $tolerance;
                    }
                }),
            );
        }
    }
}
