<?php

declare(strict_types=1);

namespace Bowline\Comparison;

/** What the shop has to do for a spool that it made as it was before. */
enum SpoolWork: string
{
    /** The one that was made fits. */
    case Keep = 'keep';

    /** Another is bent from the same stock, with the same at its ends. */
    case Bend = 'bend';

    /** Its stock, its ends or its elbows are others: nothing of what was bought for it may be right. */
    case Make = 'make';
}
