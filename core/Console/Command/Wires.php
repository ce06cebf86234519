<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Exchange\HarnessTablePdf;
use Bowline\Exchange\HarnessTables;
use Bowline\Job\JobError;

final class Wires implements Command
{
    public static function name(): string
    {
        return 'wires';
    }

    public static function summary(): string
    {
        return 'the wire list of a harness, or another of its lists, as CSV';
    }

    public static function options(): array
    {
        return [
            Option::harness(),
            new Option('list', 'NAME', 'bundles, cuts, connectors, covers, labels or continuity instead'),
            new Option('as', 'FORMAT', 'csv or pdf; csv when it is left out'),
        ];
    }

    public function run(Input $input): Outcome
    {
        $solved = $input->harness();
        $tables = HarnessTables::all($solved, $input->job->site->units);
        $list = $input->option('list') ?? 'wires';
        $table = $tables[$list] ?? throw JobError::at('', sprintf(
            'there is no list “%s”; there are %s', $list, implode(', ', array_keys($tables)),
        ));

        $title = sprintf('%s: %s', $solved->laid->harness->name, $list);

        return new Outcome(match ($input->option('as') ?? 'csv') {
            'csv' => $table->csv(),
            'pdf' => $list === 'labels'
                ? HarnessTablePdf::labels($title, $table)
                : HarnessTablePdf::table($title, $table),
            default => throw JobError::at('', 'a list is written as csv or pdf'),
        }, harnesses: [$solved]);
    }
}
