<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Geometry\Tolerance;
use Bowline\Job\Words;
use Bowline\Routing\LaidRun;

/** `no-fall`: a run that drains falls by at least so much all along. */
final class NoFall implements Rule
{
    public function check(LaidRun $laid): array
    {
        $least = $laid->run->fall;
        if ($least === null) {
            return [];
        }
        $flat = [];
        foreach (Falls::of($laid) as [$from, $to, $rate, $isBend]) {
            // What climbs is a pocket.
            if ($isBend || $rate >= $least - Tolerance::PARALLEL || $rate < -Tolerance::PARALLEL) {
                continue;
            }
            $last = count($flat) - 1;
            if ($last >= 0 && abs($flat[$last][1] - $from) < Tolerance::COINCIDENT) {
                $flat[$last] = [$flat[$last][0], $to, min($flat[$last][2], $rate)];
            } else {
                $flat[] = [$from, $to, $rate];
            }
        }

        return array_map(static fn (array $one): Finding => new Finding(
            'no-fall', Severity::Violation, Subject::at($laid, ($one[0] + $one[1]) / 2), 'It falls too little',
            sprintf(
                'It falls by %s mm a metre here; %s are asked for.', Words::number(1000 * max(0.0, $one[2]), 1),
                Words::number(1000 * $least, 1),
            ),
            $laid->path->pointAt(($one[0] + $one[1]) / 2), [min($one[0], $one[1]), max($one[0], $one[1])],
            1000 * max(0.0, $one[2]), 1000 * $least,
        ), $flat);
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        return [];
    }
}
