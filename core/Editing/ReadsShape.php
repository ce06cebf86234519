<?php

declare(strict_types=1);

namespace Bowline\Editing;

/** An edit that needs the run laid, not only its description. */
interface ReadsShape extends RunEdit
{
}
