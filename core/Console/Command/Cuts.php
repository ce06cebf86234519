<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Exchange\CutListWriter;
use Bowline\Job\JobError;

final class Cuts implements Command
{
    public static function name(): string
    {
        return 'cuts';
    }

    public static function summary(): string
    {
        return 'the cut list of a run with elbows as CSV';
    }

    public static function options(): array
    {
        return [Option::run(), Option::spool()];
    }

    public function run(Input $input): Outcome
    {
        $solved = $input->one();

        return new Outcome(
            CutListWriter::csv($solved->laid) ?? throw JobError::at(
                $input->pointerTo($solved), 'it has no elbow: its bend table says what to cut',
            ),
            [$solved],
        );
    }
}
