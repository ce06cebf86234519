<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Drawing\BendSheet;

final class Sheet implements Command
{
    public static function name(): string
    {
        return 'sheet';
    }

    public static function summary(): string
    {
        return 'the bend sheet of a run as PDF';
    }

    public static function options(): array
    {
        return [Option::run(), Option::spool(), new Option('paper', 'a4|letter', 'a4 when it is left out')];
    }

    public function run(Input $input): Outcome
    {
        $solved = $input->one();

        return new Outcome(BendSheet::pdf($input->job, $solved, $input->option('paper') ?? 'a4', date('Y-m-d')), [
            $solved,
        ]);
    }
}
