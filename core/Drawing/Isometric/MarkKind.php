<?php

declare(strict_types=1);

namespace Bowline\Drawing\Isometric;

/** What stands on a leg of an isometric drawing. */
enum MarkKind
{
    case Weld;
    case Flanges;
    case Sleeve;
    case Support;
    case Spool;
    case Branch;
}
