<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Job\End\End;
use Bowline\Job\Section;

/** Finds the body of a finish of an end. A new kind of finish that stands out is a line here. */
final class EndBodies
{
    /** @param  float  $room  mm of straight that may be taken up; an end without any is left plain */
    public static function of(End $end, Section $section, float $room): EndBody
    {
        $flange = $end->flange($section);
        $cap = $end->cap();
        $reducer = $end->reducer();
        $plug = $section->isSolid() ? null : $end->plugThickness($section->wall);

        return match (true) {
            $flange !== null => FlangeBody::on($flange, $section, $room),
            $cap !== null => new CapBody($cap, $section, $room),
            $reducer !== null => ReducerBody::on($reducer, $section, $room),
            default => null,
        } ?? new PlainEnd($plug === null ? 0.0 : min($plug, $room));
    }
}
