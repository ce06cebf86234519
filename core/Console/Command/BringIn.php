<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\FileText;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Exchange\BroughtIn;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Bowline\Job\Node;
use Bowline\Job\StockKind;
use stdClass;

final class BringIn implements Command
{
    public static function name(): string
    {
        return 'bring-in';
    }

    public static function summary(): string
    {
        return 'the job file with the lines of a drawing as runs';
    }

    public static function options(): array
    {
        return [
            new Option('lines', 'FILE', 'a DXF, or the CSV of a bend table or of vertices', true),
            new Option('stock', 'ID', 'what they are made of; the first of the job when it is left out'),
        ];
    }

    public function run(Input $input): Outcome
    {
        $job = $input->job;
        $stock =
            $input->option('stock') ??
            (array_key_first($job->site->stock) ??
                throw JobError::at('/stock', 'the job has no stock to make runs of'));
        if (! isset($job->site->stock[$stock])) {
            throw JobError::at('/stock', sprintf('there is no stock “%s”', $stock));
        }
        [$routes, $remarks] = BroughtIn::of(
            FileText::of($input->required('lines')),
            $job->site->values,
            $job->site->units,
            $job->site->stock[$stock]->kind === StockKind::Bundle,
        );
        $after = clone $job->source;
        $taken = array_flip(array_map(strval(...), array_keys($job->runs)));
        $runs = array_map(static fn (Node $run): stdClass => $run->object(), (new Node($after))->list('runs'));
        foreach ($routes as $index => $route) {
            $number = $index + 1;
            while (isset($taken['line-'.$number])) {
                $number++;
            }
            $taken['line-'.$number] = true;
            $runs[] = (object) ['id' => 'line-'.$number, 'stock' => $stock, ...$route];
        }
        $after->runs = $runs;
        Job::read($after);

        return new Outcome(JobFile::encode($after), [], $remarks);
    }
}
