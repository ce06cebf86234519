<?php

declare(strict_types=1);

namespace App\Machines;

/** How somebody wants a task that is worked for them. */
enum Wish
{
    case Whole;

    /** With what has been found so far, now. */
    case SoFar;

    /** Not any more. */
    case None;
}
