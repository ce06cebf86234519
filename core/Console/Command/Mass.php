<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Exchange\JobBodies;
use Bowline\Exchange\MassWriter;
use Bowline\Solving\SolvedRun;

final class Mass implements Command
{
    public static function name(): string
    {
        return 'mass';
    }

    public static function summary(): string
    {
        return 'volume, surface, centre of gravity, mass and contents of the bodies as JSON';
    }

    public static function options(): array
    {
        return [Option::run()];
    }

    public function run(Input $input): Outcome
    {
        $solved = $input->solved();
        $written = array_map(
            static fn (SolvedRun $run): array => MassWriter::write($run, $input->pointerTo($run)),
            $solved,
        );

        return Outcome::json([
            'runs' => $written,
            'bodies' => $input->option('run') !== null ? [] : array_map(
                static fn (string $id): array => JobBodies::mass($input->job, $id),
                array_map(strval(...), array_keys(JobBodies::all($input->job))),
            ),
        ], $solved);
    }
}
