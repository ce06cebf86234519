<?php

declare(strict_types=1);

namespace Bowline\Editing;

/** An edit that reads the shape in which the run lies, and not only what was said: it has to be laid for it. */
interface ReadsShape extends RunEdit
{
}
