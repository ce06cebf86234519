<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Comparison\JobComparison;
use Bowline\Console\Input;
use Bowline\Console\Outcome;
use Bowline\Console\TwoJobs;
use Bowline\Exchange\ComparisonWriter;
use Bowline\Solving\Solver;

final class Compare implements TwoJobs
{
    public static function name(): string
    {
        return 'compare';
    }

    public static function summary(): string
    {
        return 'what has changed from one job file to another, run by run, as JSON; exit 1 where anything has';
    }

    public static function options(): array
    {
        return [];
    }

    public function run(Input $input): Outcome
    {
        $other = $input->other();
        $comparison = JobComparison::of(
            $input->job, (new Solver($input->job))->all(), $other, (new Solver($other))->all(),
        );

        return Outcome::json(ComparisonWriter::write($comparison), [], isShort: $comparison->differs());
    }
}
