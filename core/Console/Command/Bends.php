<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Exchange\CsvTables;

final class Bends implements Command
{
    public static function name(): string
    {
        return 'bends';
    }

    public static function summary(): string
    {
        return 'the bend table of a run as CSV';
    }

    public static function options(): array
    {
        return [Option::run(), Option::spool()];
    }

    public function run(Input $input): Outcome
    {
        $solved = $input->one();

        return new Outcome(CsvTables::bends($solved), [$solved]);
    }
}
