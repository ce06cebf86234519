<?php

declare(strict_types=1);

namespace Bowline\Job\Tie;

/** How a corner, or the leg into it, is tied; the values are keys of the file. */
enum TieKind: string
{
    /** A distance along a direction; 0 is level. */
    case Level = 'level';
    /** A distance from a point or an axis, or off a face: a stand-off. */
    case Away = 'away';
    /** On the axis of a port or a clamp. */
    case OnAxis = 'on_axis';
    /** The leg into it is parallel to an axis or a face. */
    case Parallel = 'parallel';
    /** The leg into it is perpendicular to an axis, or along the normal of a face. */
    case Square = 'square';
    /** The leg into it makes an angle with an axis or a face. */
    case Angle = 'angle';

    /** Whether it is about the leg into the corner, and so also about the previous corner. */
    public function isOfLeg(): bool
    {
        return in_array($this, [self::Parallel, self::Square, self::Angle], true);
    }
}
