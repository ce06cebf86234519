<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Exchange\Lists\JobLists;
use Bowline\Job\JobError;

final class Lists implements Command
{
    public static function name(): string
    {
        return 'list';
    }

    public static function summary(): string
    {
        return 'a list of the job as CSV: parts, parts-by-spool, cutting, welds, supports, valves or hoses';
    }

    public static function options(): array
    {
        return [
            new Option('list', 'WORD', 'which list', true),
            Option::run(),
            new Option('kerf', 'MM', 'width of a saw cut; 3 when it is left out'),
        ];
    }

    public function run(Input $input): Outcome
    {
        $solved = $input->solved();
        $word = $input->required('list');
        $list = (new JobLists($input->job, $solved, $input->number('kerf', 0.0) ?? JobLists::KERF))->of($word);

        return new Outcome(($list ?? throw JobError::at('', sprintf(
            'there is no list “%s”; %s are', $word, implode(', ', array_keys(JobLists::TITLES)),
        )))->csv(), $solved);
    }
}
