<?php

declare(strict_types=1);

namespace Bowline\Job\Joint;

use Bowline\Job\End\End;
use Bowline\Job\RunEnd;

/** The flange that the joints of a run have where they tell none. */
final class UsualFlange
{
    /** Returns the flange of its start, or else of its end; null where neither has one that is open. */
    public static function of(RunEnd $from, RunEnd $to): ?End
    {
        foreach ([$from->end, $to->end] as $end) {
            // A joint with blind flanges would close the run.
            if ($end->type() === 'flange' && ($end->toFile()->blind ?? false) !== true) {
                return $end;
            }
        }

        return null;
    }
}
