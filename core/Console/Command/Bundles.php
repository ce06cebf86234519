<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Exchange\HarnessTables;

final class Bundles implements Command
{
    public static function name(): string
    {
        return 'bundles';
    }

    public static function summary(): string
    {
        return 'the bundles of a harness from place to place, as CSV';
    }

    public static function options(): array
    {
        return [Option::harness()];
    }

    public function run(Input $input): Outcome
    {
        $solved = $input->harness();
        $tables = HarnessTables::all($solved, $input->job->site->units);

        return new Outcome($tables['bundles']->csv(), harnesses: [$solved]);
    }
}
