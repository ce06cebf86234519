<?php

declare(strict_types=1);

namespace Bowline\Console;

use Bowline\Editing\EditError;
use Bowline\Job\JobError;

/** A command of `bin/bowline`. A new one is a class in Command/ and a line in `CommandLine`. */
interface Command
{
    public static function name(): string;

    /** Returns what it writes, for the help. */
    public static function summary(): string;

    /** @return list<Option> all that it takes */
    public static function options(): array;

    /**
     * @throws JobError when the job or an option is wrong
     * @throws EditError when a run cannot be changed so
     */
    public function run(Input $input): Outcome;
}
