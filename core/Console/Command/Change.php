<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdits;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Bowline\Job\Node;
use Bowline\Job\Schema;
use stdClass;

final class Change implements Command
{
    public static function name(): string
    {
        return 'change';
    }

    public static function summary(): string
    {
        return 'the job file with a run changed';
    }

    public static function options(): array
    {
        return [Option::run(true), new Option('change', 'JSON', 'an edit (schema/laying.json)', true)];
    }

    public function run(Input $input): Outcome
    {
        $run = $input->run();
        $change = json_decode($input->required('change'));
        if (! $change instanceof stdClass) {
            throw JobError::at('', 'say what to change with --change, as a JSON object');
        }
        $body = new Node($change);
        Schema::check($change, 'laying.json#/$defs/'.RunEdits::definition(RunEdits::of($body)));
        $item = RunEdits::apply(RunDraft::of($run->route->lay($run)), $body, $input->job->site)->run();
        $after = clone $input->job->source;
        $after->runs = array_map(
            static fn (Node $one): stdClass => $one->get('id')->text() === $run->id ? $item : $one->object(),
            (new Node($input->job->source))->list('runs'),
        );
        // A job that has become wrong is refused instead of written.
        Job::read($after);

        return new Outcome(JobFile::encode($after));
    }
}
