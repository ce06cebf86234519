<?php

declare(strict_types=1);

namespace Bowline\Rules\Harness;

use Bowline\Editing\Edit\SetCorner;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Tolerance;
use Bowline\Harness\BundleSpan;
use Bowline\Harness\LaidHarness;
use Bowline\Job;
use Bowline\Job\Units;
use Bowline\Job\Words;
use Bowline\Routing\LaidRun;
use Bowline\Rules\Remedy;
use Bowline\Rules\Severity;

/** `bundle-radius`: a trunk is nowhere bent tighter than the wires in it may be. */
final class BundleRadius implements HarnessRule
{
    public function check(LaidHarness $laid, array $bundles, Units $units): array
    {
        $findings = [];
        foreach ($laid->trunks() as $trunk) {
            $id = $trunk->run->id;
            foreach (self::bends($trunk) as [$from, $to, $radius]) {
                $needed = $wire = null;
                foreach ($bundles[$id] as $span) {
                    if ($span->to > $from && $span->from < $to && $span->leastRadius > ($needed ?? 0.0)) {
                        [$needed, $wire] = [$span->leastRadius, self::tightest($laid, $span)];
                    }
                }
                if ($needed !== null && $radius < $needed - Tolerance::RULE_SLACK) {
                    $findings[] = new HarnessFinding(
                        'bundle-radius', Severity::Violation, sprintf('%s is bent too tight', $trunk->run->name),
                        sprintf('R %s; %s needs at least R %s.', Words::number($radius), $wire, Words::number($needed)),
                        $trunk->path->pointAt(($from + $to) / 2), null, $id, [$from, $to], $radius, $needed,
                    );
                }
            }
        }

        return $findings;
    }

    /** @return list<array{float, float, float}> from where to where a trunk is bent, and its least radius there, mm */
    private static function bends(LaidRun $trunk): array
    {
        $bends = [];
        $start = 0.0;
        foreach ($trunk->path->segments as $segment) {
            if (is_finite($segment->leastRadius())) {
                $bends[] = [$start, $start + $segment->length(), $segment->leastRadius()];
            }
            $start += $segment->length();
        }

        return $bends;
    }

    /** Returns the name of the wire, or of the cable that it is in, that may be bent least. */
    private static function tightest(LaidHarness $laid, BundleSpan $span): string
    {
        $name = '';
        $most = -INF;
        foreach ($span->wires as $id) {
            $wire = $laid->wires[$id]->wire;
            $radius = $wire->cable->stock->bend->leastRadius ?? $wire->stock->bend->leastRadius;
            if ($radius > $most) {
                [$most, $name] = [$radius, $wire->cable->name ?? $wire->id];
            }
        }

        return $name;
    }

    public function remedies(HarnessFinding $finding, LaidHarness $laid, Units $units, Job $job): iterable
    {
        $trunk = $laid->backbone->trunk($finding->run ?? '');
        if ($trunk?->run->route->corners() === null) {
            return;
        }
        $radius = Words::roundedUp($finding->required ?? 0.0);
        foreach ($trunk->bends as $index => $bend) {
            if (abs($bend->start - ($finding->span[0] ?? -1.0)) < Tolerance::COINCIDENT) {
                yield new Remedy(sprintf('Use R %s', Words::number($radius)), 'runs', RunDraft::of($trunk)->apply(
                    SetCorner::radius($bend->vertex, $radius),
                )->run());
            }
        }
        if (count($trunk->bends) > 1) {
            yield new Remedy(
                sprintf('Use R %s at every corner', Words::number($radius)), 'runs',
                RunDraft::of($trunk)->apply(SetCorner::radius(null, $radius))->run(),
            );
        }
    }
}
