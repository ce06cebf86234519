<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Exchange\Dxf\DxfWriter;
use Bowline\Routing\LaidRun;
use Bowline\Solving\SolvedRun;

final class Dxf implements Command
{
    public static function name(): string
    {
        return 'dxf';
    }

    public static function summary(): string
    {
        return 'centrelines as DXF';
    }

    public static function options(): array
    {
        return [Option::run()];
    }

    public function run(Input $input): Outcome
    {
        $solved = $input->solved();

        return new Outcome(
            DxfWriter::write(array_map(static fn (SolvedRun $run): LaidRun => $run->laid, $solved)),
            $solved,
        );
    }
}
