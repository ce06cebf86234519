<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Exchange\Pack\JobDocuments;
use Bowline\Exchange\Pack\Pack as Documents;
use Bowline\Job\JobError;
use Bowline\Solving\HarnessSolver;

final class Pack implements Command
{
    public static function name(): string
    {
        return 'pack';
    }

    public static function summary(): string
    {
        return 'all drawings and lists with a table of contents, as one PDF';
    }

    public static function options(): array
    {
        return [
            Option::run(),
            new Option('of', 'KINDS', implode(', ', JobDocuments::KINDS).', commas between; all if left out'),
        ];
    }

    public function run(Input $input): Outcome
    {
        $solved = $input->solved();
        $kinds = explode(',', $input->option('of') ?? implode(',', JobDocuments::KINDS));
        foreach ($kinds as $kind) {
            if (! in_array($kind, JobDocuments::KINDS, true)) {
                throw JobError::at('', sprintf(
                    'there are no “%s”; %s are', $kind, implode(', ', JobDocuments::KINDS),
                ));
            }
        }
        $date = date('Y-m-d');
        $documents = (new JobDocuments(
            $input->job, $solved, (new HarnessSolver($input->job))->all(), $date,
        ))->of($kinds);
        if ($documents === []) {
            throw JobError::at('', 'there is nothing of that to bind');
        }

        return new Outcome(Documents::pdf($input->job, $documents, $date, static function (): void {
        }), $solved);
    }
}
