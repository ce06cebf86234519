<?php

declare(strict_types=1);

namespace Bowline\Rules\Harness;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Harness\LaidHarness;
use Bowline\Job;
use Bowline\Job\Harness\Terminal;
use Bowline\Job\Harness\Wire;
use Bowline\Job\Units;
use Bowline\Job\Words;
use Bowline\Rules\Remedy;
use Bowline\Rules\Severity;
use stdClass;

/** `no-way`: every wire finds a way along the backbone, and both its pins are within reach of that. */
final class NoWay implements HarnessRule
{
    public function check(LaidHarness $laid, array $bundles, Units $units): array
    {
        $findings = [];
        foreach ($laid->wires as $wire) {
            if ($wire->leadOffs === null) {
                $findings[] = $this->fault($laid, $wire->wire, $units);
            }
        }

        return $findings;
    }

    private function fault(LaidHarness $laid, Wire $wire, Units $units): HarnessFinding
    {
        $found = static fn (
            string $message,
            Vector $at,
            ?string $run,
            ?float $measured,
            ?float $required,
        ): HarnessFinding => new HarnessFinding(
            'no-way', Severity::Violation, sprintf('%s has no way', $wire->id), $message, $at, $wire->id, $run,
            measured: $measured, required: $required,
        );
        $ends = [];
        foreach ([$wire->from, $wire->to] as $terminal) {
            $leadOff = $laid->backbone->leadOff($terminal);
            $at = $terminal->port->at ?? Vector::zero();
            if ($leadOff === null) {
                return $found('There is no trunk that it could go along.', $at, null, null, null);
            }
            if ($leadOff->length > $laid->harness->reach + Tolerance::RULE_SLACK) {
                return $found(
                    sprintf(
                        'The backbone %s %s from %s, and wires are led for %s at most.',
                        $leadOff->isSquare ? 'is' : 'ends', $units->say($leadOff->length), $terminal->name,
                        $units->say($laid->harness->reach),
                    ),
                    $leadOff->at, $leadOff->run, $leadOff->length, $laid->harness->reach,
                );
            }
            $ends[] = $leadOff;
        }
        [$from, $to] = $ends;
        [$at, $gap] = $laid->backbone->nearestReached($from->node, $to->at);

        return $gap < Tolerance::COINCIDENT
            ? $found(
                sprintf('None of its ways goes along %s.', implode(' and ', $wire->via)), $from->at,
                $wire->via[0] ?? null, null, null,
            )
            : $found(
                sprintf(
                    'The backbone from %s ends %s from where that of %s begins.', $wire->from->name, $units->say($gap),
                    $wire->to->name,
                ),
                $at, $from->run, $gap, 0.0,
            );
    }

    public function remedies(HarnessFinding $finding, LaidHarness $laid, Units $units, Job $job): iterable
    {
        if ($finding->wire === null) {
            return;
        }
        $wire = $laid->harness->wires[$finding->wire];
        if ($wire->via !== []) {
            yield new Remedy(
                'Let it find its way', 'harnesses',
                HarnessItem::withWire($job, $laid->harness, $wire->id, static function (stdClass $told): void {
                    unset($told->via);
                }),
            );
        }
        $longest = max(array_map(
            static fn (Terminal $one): float => $laid->backbone->leadOff($one)->length ?? 0.0, [$wire->from, $wire->to],
        ));
        if ($longest > $laid->harness->reach) {
            $reach = Words::roundedUp($longest);
            yield new Remedy(
                sprintf('Lead wires for up to %s', $units->say($reach)), 'harnesses',
                HarnessItem::changed($job, $laid->harness, static function (stdClass $told) use ($reach): void {
                    $told->reach = $reach;
                }),
            );
        }
    }
}
