<?php

declare(strict_types=1);

namespace Bowline\Job\Tie;

/** How a corner, or the leg into it, is tied; the values are the keys of the file. */
enum TieKind: string
{
    /** So far along a direction from it; 0 is level with it. */
    case Level = 'level';
    /** So far from a point or an axis, or off a face: a stand-off. */
    case Away = 'away';
    /** On the axis of a port or a clamp. */
    case OnAxis = 'on_axis';
    /** The leg into it runs along an axis, or along a face. */
    case Parallel = 'parallel';
    /** The leg into it runs square to an axis, or straight at a face. */
    case Square = 'square';
    /** The leg into it makes an angle with an axis or a face. */
    case Angle = 'angle';

    /** Whether it is about the leg into the corner, and so about the corner before it. */
    public function isOfLeg(): bool
    {
        return in_array($this, [self::Parallel, self::Square, self::Angle], true);
    }
}
