<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Routing\LaidRun;

/** The straight length at an end of a run or of a spool. */
final class EndRoom
{
    /** Returns what is straight there, less what the other end takes of it where there is no bend between them, mm. */
    public static function at(LaidRun $laid, bool $atStart): float
    {
        $legs = $laid->legs;
        if ($legs === []) {
            return 0.0;
        }
        if (count($legs) > 1) {
            return $legs[$atStart ? 0 : count($legs) - 1]->straight;
        }
        $other = ($atStart ? $laid->run->to : $laid->run->from)->end;

        return max(0.0, $legs[0]->straight - $other->covers($laid->run->stock->section));
    }
}
