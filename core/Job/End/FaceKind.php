<?php

declare(strict_types=1);

namespace Bowline\Job\End;

enum FaceKind: string
{
    /** Stands proud of the plate and is part of its thickness; the run ends at it. */
    case Raised = 'raised';

    /** Sunk into the plate; the run ends at the plate round it. */
    case Recess = 'recess';

    /** Stands past the end of the run, into the recess of its neighbour. */
    case Spigot = 'spigot';

    /** Returns the one that goes against it. */
    public function matching(): self
    {
        return match ($this) {
            self::Raised => self::Raised,
            self::Recess => self::Spigot,
            self::Spigot => self::Recess,
        };
    }
}
