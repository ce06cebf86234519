<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Exchange\DrillingList;

final class Drillings implements Command
{
    public static function name(): string
    {
        return 'drillings';
    }

    public static function summary(): string
    {
        return 'the drillings of a block as CSV: face, place, angle, depth, diameter, plug';
    }

    public static function options(): array
    {
        return [new Option('body', 'ID', 'the block', true)];
    }

    public function run(Input $input): Outcome
    {
        return new Outcome(DrillingList::csv($input->job, $input->required('body')), []);
    }
}
