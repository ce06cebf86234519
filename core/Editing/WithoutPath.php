<?php

declare(strict_types=1);

namespace Bowline\Editing;

/** An edit that only sets numbers of a run: where the run lies does not matter, and need not be known. */
interface WithoutPath
{
}
