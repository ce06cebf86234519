<?php

declare(strict_types=1);

namespace Bowline\Console;

/** A command that takes no job file. */
interface NoJob extends Command
{
}
