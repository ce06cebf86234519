<?php

declare(strict_types=1);

namespace Bowline\Rules\Harness;

use Bowline\Geometry\Vector;
use Bowline\Harness\LaidHarness;
use Bowline\Job;
use Bowline\Job\Units;
use Bowline\Rules\Severity;

/** `wire-apart`: a wire does not lie beside those of a class that it is kept apart from. */
final class WireApart implements HarnessRule
{
    public function check(LaidHarness $laid, array $bundles, Units $units): array
    {
        $findings = [];
        foreach ($laid->beside as $id => $others) {
            $wire = $laid->wires[$id];
            $findings[] = new HarnessFinding(
                'wire-apart', Severity::Warning, sprintf('%s lies beside %s', $wire->wire->id, $others[0]),
                sprintf(
                    '%s is kept off %s, and there is no other way than beside %s.', $wire->wire->class ?? '',
                    $laid->wires[$others[0]]->wire->class ?? '', count($others) > 3
                        ? sprintf('%s and %d more', implode(', ', array_slice($others, 0, 3)), count($others) - 3)
                        : implode(', ', $others),
                ),
                $wire->leadOffs[0]->at ?? Vector::zero(), $wire->wire->id,
            );
        }

        return $findings;
    }

    public function remedies(HarnessFinding $finding, LaidHarness $laid, Units $units, Job $job): iterable
    {
        return [];
    }
}
