<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Exchange\Body\ChordTolerance;
use Bowline\Exchange\JobBodies;
use Bowline\Exchange\WallWriter;

final class Walls implements Command
{
    public static function name(): string
    {
        return 'walls';
    }

    public static function summary(): string
    {
        return 'the least and greatest wall of a body of several runs, or of a block, with their places, as JSON';
    }

    public static function options(): array
    {
        return [
            new Option('body', 'ID', 'the body', true),
            new Option('chord', 'MM', 'how fine its bores are looked at; 0.1 when it is left out'),
        ];
    }

    public function run(Input $input): Outcome
    {
        $body = $input->required('body');
        $chord = ChordTolerance::read($input->option('chord'), '--chord');

        return Outcome::json(WallWriter::write(
            $body, JobBodies::walls($input->job, $body, $chord), ...JobBodies::wallLimits($input->job, $body),
        ), []);
    }
}
