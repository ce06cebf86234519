<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Geometry\Tolerance;
use Bowline\Job\Words;
use Bowline\Routing\LaidRun;

/** `bend-radius`: no bend is tighter than the stock stands. Judges the radius asked for. */
final class BendRadius implements Rule
{
    use EasesBends;

    public function check(LaidRun $laid): array
    {
        $least = $laid->run->stock->bend->leastRadius;
        $findings = [];
        foreach ($laid->bends as $index => $bend) {
            if ($bend->askedRadius >= $least - Tolerance::RULE_SLACK) {
                continue;
            }
            $findings[] = new Finding(
                'bend-radius',
                Severity::Violation,
                sprintf('Bend %d is too tight', $index + 1),
                sprintf(
                    'R %s; this %s needs at least R %s.',
                    $laid->run->units->number($bend->askedRadius), $laid->run->stock->kind->value, $laid->run->units->number($least),
                ),
                $bend->corner,
                [$bend->start, $bend->end()],
                $bend->askedRadius,
                $least,
            );
        }

        return $findings;
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        $bend = $this->bendAt($finding, $laid);

        return $bend === null ? [] : $this->useRadius($laid, $bend, Words::roundedUp($laid->run->stock->bend->leastRadius));
    }
}
