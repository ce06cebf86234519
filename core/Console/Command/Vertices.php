<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Exchange\CsvTables;

final class Vertices implements Command
{
    public static function name(): string
    {
        return 'vertices';
    }

    public static function summary(): string
    {
        return 'the vertex table of a run as CSV';
    }

    public static function options(): array
    {
        return [Option::run(), Option::spool()];
    }

    public function run(Input $input): Outcome
    {
        $solved = $input->one();

        return new Outcome(CsvTables::vertices($solved), [$solved]);
    }
}
