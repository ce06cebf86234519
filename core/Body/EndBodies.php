<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Job\End\End;
use Bowline\Job\Section;

/** Finds the body of a finish of an end. A new kind of finish that stands out is a line here. */
final class EndBodies
{
    /** Largest share of the straight at an end that a flange or plug takes up. */
    private const MOST_OF_STRAIGHT = 0.999;

    /**
     * Returns how much of the straight at an end its finish may take up, mm.
     *
     * @param  non-empty-list<Stretch>  $stretches
     */
    public static function room(array $stretches, int $index): float
    {
        $straight = $stretches[$index]->straight ?? 0.0;

        return self::MOST_OF_STRAIGHT * (count($stretches) === 1 ? $straight / 2 : $straight);
    }

    /** @param  float  $room  mm of straight that may be taken up; an end without any is left plain */
    public static function of(End $end, Section $section, float $room): EndBody
    {
        $flange = $end->flange($section);
        $cap = $end->cap();
        $reducer = $end->reducer();
        $collar = $end->collar();
        $plug = $section->isSolid() ? null : $end->plugThickness($section->wall);

        return match (true) {
            $flange !== null => FlangeBody::on($flange, $section, $room),
            $cap !== null => new CapBody($cap, $section, $room),
            $reducer !== null => ReducerBody::on($reducer, $section, $room),
            $collar !== null => CollarBody::on($collar, $section, $room),
            default => null,
        } ?? new PlainEnd($plug === null ? 0.0 : min($plug, $room));
    }
}
