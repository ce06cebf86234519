<?php

declare(strict_types=1);

namespace Bowline\Comparison;

/** What has become of a run. */
enum Change: string
{
    /** It is made as it was, and lies where it lay. */
    case Same = 'same';

    /** It is made as it was, and lies elsewhere or turned. */
    case Moved = 'moved';

    case Changed = 'changed';

    case New = 'new';

    case Gone = 'gone';
}
