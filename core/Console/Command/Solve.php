<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Clearance\Clearances;
use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Exchange\ClearanceWriter;
use Bowline\Exchange\HarnessWriter;
use Bowline\Exchange\SolutionWriter;
use Bowline\Routing\LaidRun;
use Bowline\Solving\HarnessSolver;
use Bowline\Solving\SolvedHarness;
use Bowline\Solving\SolvedRun;

final class Solve implements Command
{
    public static function name(): string
    {
        return 'solve';
    }

    public static function summary(): string
    {
        return 'the solution as JSON';
    }

    public static function options(): array
    {
        return [Option::run()];
    }

    public function run(Input $input): Outcome
    {
        $solved = $input->solved();
        $written = SolutionWriter::write($solved);
        if ($input->option('run') === null && $input->job->site->sets !== []) {
            $written['sets'] = SolutionWriter::sets($input->job, array_combine(
                array_map(static fn (SolvedRun $run): string => $run->laid->run->id, $solved),
                array_map(static fn (SolvedRun $run): float => $run->laid->length(), $solved),
            ));
        }

        $solver = new HarnessSolver($input->job);
        $harnesses = $input->option('run') === null ? array_map($solver->cured(...), $solver->all()) : [];
        if ($harnesses !== []) {
            $written['harnesses'] = array_map(HarnessWriter::write(...), $harnesses);
        }

        $clearances = [];
        if ($input->option('run') === null) {
            $clearances = (new Clearances(
                $input->job, array_map(static fn (SolvedRun $run): LaidRun => $run->laid, $solved),
                SolvedHarness::bundlesOf($harnesses),
            ))->all();
            $written += $clearances === [] ? [] : ['clearances' => ClearanceWriter::write(
                $clearances, $input->job->site->units,
            )];
        }

        return Outcome::json($written, $solved, $harnesses, $clearances);
    }
}
