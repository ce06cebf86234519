<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Exchange\BenderWriter;

final class Benders implements Command
{
    public static function name(): string
    {
        return 'benders';
    }

    public static function summary(): string
    {
        return 'which benders can bend a run, as JSON';
    }

    public static function options(): array
    {
        return [Option::run(), Option::spool()];
    }

    public function run(Input $input): Outcome
    {
        $solved = $input->one();

        return Outcome::json(BenderWriter::write($input->job, $solved->laid), [$solved]);
    }
}
