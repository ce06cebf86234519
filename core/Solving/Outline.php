<?php

declare(strict_types=1);

namespace Bowline\Solving;

use Bowline\Bending\BendTable;
use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use Bowline\Rules\Finding;
use Bowline\Rules\Severity;
use Bowline\Rules\Subject;

/** A run that has not been solved: straight lines between the points that were given, without bends or ties. */
final class Outline
{
    public static function of(Run $run): SolvedRun
    {
        $points = self::points($run);
        $lines = [];
        $counter = count($points);
        for ($i = 1; $i < $counter; $i++) {
            if ($points[$i]->distanceTo($points[$i - 1]) >= Tolerance::COINCIDENT) {
                $lines[] = new Line($points[$i - 1], $points[$i]);
            }
        }
        $laid = LaidRun::curve($run, new Path($lines === [] ? [new Line($run->from->at, $run->to->at)] : $lines));

        return new SolvedRun($laid, BendTable::of($laid), [
            new Finding(
                'unsolved',
                Severity::Warning,
                Subject::run(),
                'Not worked out yet',
                'It takes a while and is worked out in the background. Until then it is drawn straight from point'.
                ' to point, and neither its length nor what is wrong with it is known.',
                $run->from->at,
                [0.0, $laid->length()],
            ),
        ]);
    }

    /** @return non-empty-list<Vector> */
    private static function points(Run $run): array
    {
        $fromLead = $run->from->leadPoint();
        $toLead = $run->to->leadPoint();

        return [
            $run->from->at,
            ...$fromLead === null ? [] : [$fromLead],
            ...$run->route->saidPoints($fromLead ?? $run->from->at),
            ...$toLead === null ? [] : [$toLead],
            $run->to->at,
        ];
    }
}
