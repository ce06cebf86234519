<?php

declare(strict_types=1);

namespace Bowline\Rules\Harness;

use Bowline\Geometry\Tolerance;
use Bowline\Harness\BundleSpan;
use Bowline\Harness\LaidHarness;
use Bowline\Job;
use Bowline\Job\Units;
use Bowline\Job\Words;
use Bowline\Routing\ClampPassage;
use Bowline\Rules\Remedy;
use Bowline\Rules\Severity;

/** `bundle-clamp`: a clamp that a trunk goes through holds the bundle that is in it there. */
final class BundleClamp implements HarnessRule
{
    public function check(LaidHarness $laid, array $bundles, Units $units): array
    {
        $findings = [];
        foreach ($laid->trunks() as $trunk) {
            $id = $trunk->run->id;
            foreach (ClampPassage::of($trunk) as $passage) {
                $diameter = self::diameter($bundles[$id], $passage);
                // A bundle is pressed together a little more easily than a tube.
                $off = $passage->isLoose ? $diameter - $passage->clamp->bore : abs($passage->clamp->bore - $diameter);
                if ($diameter > 0.0 && $off > Tolerance::CLAMP_BORE + Tolerance::RULE_SLACK) {
                    $findings[] = new HarnessFinding(
                        'bundle-clamp', Severity::Warning, sprintf('%s does not fit', $passage->clamp->name),
                        sprintf(
                            'Its bore is %s; the bundle in %s is %s thick there.', $units->say($passage->clamp->bore),
                            $trunk->run->name, $units->say($diameter),
                        ),
                        $passage->clamp->at, null, $id, $passage->span, $passage->clamp->bore, $diameter,
                    );
                }
            }
        }

        return $findings;
    }

    /** @param  list<BundleSpan>  $spans */
    private static function diameter(array $spans, ClampPassage $passage): float
    {
        return max([0.0, ...array_map(
            static fn (BundleSpan $span): float => $span->to > $passage->span[0] && $span->from < $passage->span[1]
                ? $span->diameter
                : 0.0,
            $spans,
        )]);
    }

    public function remedies(HarnessFinding $finding, LaidHarness $laid, Units $units, Job $job): iterable
    {
        $trunk = $laid->backbone->trunk($finding->run ?? '');
        foreach ($trunk === null ? [] : ClampPassage::of($trunk) as $passage) {
            if ($passage->span === $finding->span) {
                $bore = Words::roundedUp($finding->required ?? 0.0);
                $clamp = clone $passage->clamp->source;
                $clamp->bore = $bore;
                yield new Remedy(sprintf('Use a bore of %s', $units->say($bore)), 'clamps', $clamp);
            }
        }
    }
}
