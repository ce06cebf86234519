<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\Edit\UntieCorner;
use Bowline\Editing\RunDraft;
use Bowline\Job\Tie\Tie as Relation;
use Bowline\Routing\LaidRun;
use Bowline\Routing\TiedCorner;

/**
 * `tie`: the ties of a corner are satisfied. One that cannot be is kept, so that it is satisfied again when it can be.
 */
final class Tie implements Rule
{
    public function check(LaidRun $laid): array
    {
        $findings = [];
        foreach ($laid->tied as $vertex => $tied) {
            foreach ($tied->held->broken as $number) {
                $findings[] = $this->finding($laid, $vertex, $tied, $number);
            }
        }

        return $findings;
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        $own = $laid->tied[$finding->subject->vertex ?? -1] ?? null;
        $number = $finding->subject->tie;
        if ($own !== null && $number !== null) {
            yield new Remedy(
                sprintf('Let go of “%s”', $own->ties[$number]->words($laid->run->units)),
                'runs',
                RunDraft::of($laid)->apply(new UntieCorner((int) $finding->subject->vertex, $number))->run(),
            );
        }
        foreach ($laid->tied as $vertex => $tied) {
            foreach ($tied->ties as $other => $tie) {
                if ($tied->held->broken !== [] && ! in_array($other, $tied->held->broken, true)) {
                    yield new Remedy(
                        sprintf('Let go of “%s”', $tie->words($laid->run->units)),
                        'runs',
                        RunDraft::of($laid)->apply(new UntieCorner($vertex, $other))->run(),
                    );
                }
            }
        }
    }

    private function finding(LaidRun $laid, int $vertex, TiedCorner $tied, int $number): Finding
    {
        $units = $laid->run->units;
        $kept = array_values(array_diff_key($tied->ties, array_flip($tied->held->broken)));
        $missed = $tied->held->missed[$number];

        return new Finding(
            'tie',
            Severity::Violation,
            Subject::corner($vertex, $number),
            sprintf('A relation of corner %d does not hold', $vertex),
            sprintf(
                'It should be %s and misses that by %s.%s',
                $tied->ties[$number]->words($units),
                $units->say($missed),
                $kept === []
                    ? ''
                    : sprintf(
                        ' It is held by being %s.',
                        implode(' and ', array_map(static fn (Relation $tie): string => $tie->words($units), $kept)),
                    ),
            ),
            $laid->vertices[$vertex]->at,
            self::span($laid, $vertex),
            $missed,
            0.0,
        );
    }

    /** @return array{float, float} the bend at the corner; where there is none, the start of the run */
    private static function span(LaidRun $laid, int $vertex): array
    {
        foreach ($laid->bends as $bend) {
            if ($bend->vertex === $vertex) {
                return [$bend->start, $bend->end()];
            }
        }

        return [0.0, 0.0];
    }
}
