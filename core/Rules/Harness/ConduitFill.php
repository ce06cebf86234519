<?php

declare(strict_types=1);

namespace Bowline\Rules\Harness;

use Bowline\Geometry\Tolerance;
use Bowline\Harness\LaidHarness;
use Bowline\Job;
use Bowline\Job\Node;
use Bowline\Job\Units;
use Bowline\Job\Words;
use Bowline\Rules\Remedy;
use Bowline\Rules\Severity;
use stdClass;

/** `conduit-fill`: the wires in a conduit take no more of its bore than they may, and go into it. */
final class ConduitFill implements HarnessRule
{
    public function check(LaidHarness $laid, array $bundles, Units $units): array
    {
        $findings = [];
        foreach ($laid->trunks() as $trunk) {
            $id = $trunk->run->id;
            foreach ($bundles[$id] as $span) {
                $most = min(1.0, $span->mostFill ?? 1.0);
                if ($span->fill !== null && $span->fill > $most + Tolerance::RULE_SLACK) {
                    $findings[] = new HarnessFinding(
                        'conduit-fill', Severity::Violation,
                        sprintf('The conduit on %s is too full', $trunk->run->name),
                        sprintf(
                            'Its wires take %s %% of its bore; they may take %s %%.',
                            Words::number(100 * $span->fill, 1), Words::number(100 * $most, 1),
                        ),
                        $trunk->path->pointAt(($span->from + $span->to) / 2), null, $id, [$span->from, $span->to],
                        $span->fill, $most,
                    );
                }
            }
        }

        return $findings;
    }

    public function remedies(HarnessFinding $finding, LaidHarness $laid, Units $units, Job $job): iterable
    {
        foreach ($laid->harness->covers as $index => $cover) {
            if ($cover->run !== $finding->run || $cover->bore === null) {
                continue;
            }
            // The area that wires take grows with the square of the bore.
            $bore = Words::roundedUp($cover->bore * sqrt(($finding->measured ?? 1.0) / ($finding->required ?? 1.0)));
            yield new Remedy(
                sprintf('Take one of bore %s', $units->say($bore)), 'harnesses',
                HarnessItem::changed($job, $laid->harness, static function (stdClass $told) use ($index, $bore): void {
                    $cover = (new Node($told))->list('covers')[$index]->object();
                    $cover->bore = $bore;
                }),
            );
        }
    }
}
