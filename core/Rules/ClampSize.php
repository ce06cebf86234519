<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Geometry\Tolerance;
use Bowline\Job\StockKind;
use Bowline\Routing\ClampPassage;
use Bowline\Routing\LaidRun;

/** `clamp-size`: the bore of a clamp fits the stock; a warning, since a sleeve may be intended. */
final class ClampSize implements Rule
{
    public function check(LaidRun $laid): array
    {
        $findings = [];
        // What is in a bundle is known of its harness (`bundle-clamp`).
        foreach ($laid->run->stock->kind === StockKind::Bundle ? [] : ClampPassage::of($laid) as $passage) {
            $clamp = $passage->clamp;
            $stock = $laid->stockAlong(array_sum($passage->span) / 2);
            $od = $stock->section->outsideDiameter;
            // A loose tie may be wider.
            $off = $passage->isLoose ? $od - $clamp->bore : abs($clamp->bore - $od);
            if ($off <= Tolerance::CLAMP_BORE + Tolerance::RULE_SLACK) {
                continue;
            }
            $findings[] = new Finding(
                'clamp-size',
                Severity::Warning,
                Subject::clamp($laid, $clamp->id, $passage->stop),
                sprintf('%s does not fit', $clamp->name),
                sprintf(
                    'Its bore is %s; this %s is %s outside.',
                    $laid->run->units->say($clamp->bore), $stock->kind->value, $laid->run->units->say($od),
                ),
                $clamp->at,
                $passage->span,
                $clamp->bore,
                $od,
            );
        }

        return $findings;
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        foreach (ClampPassage::of($laid) as $passage) {
            $od = $laid->stockAlong(array_sum($passage->span) / 2)->section->outsideDiameter;
            if ($passage->clamp->id === $finding->subject->name) {
                $clamp = clone $passage->clamp->source;
                $clamp->bore = $od;
                yield new Remedy(sprintf('Use a bore of %s', $laid->run->units->say($od)), 'clamps', $clamp);
            }
        }
    }
}
