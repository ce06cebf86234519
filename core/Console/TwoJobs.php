<?php

declare(strict_types=1);

namespace Bowline\Console;

/** A command that takes two job files in place of one: `Input::$job` is the first, `Input::other()` the second. */
interface TwoJobs extends Command
{
}
