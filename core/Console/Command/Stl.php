<?php

declare(strict_types=1);

namespace Bowline\Console\Command;

use Bowline\Body\RunBody;
use Bowline\Console\Command;
use Bowline\Console\Input;
use Bowline\Console\Option;
use Bowline\Console\Outcome;
use Bowline\Exchange\StlWriter;
use Bowline\Exchange\WritableBody;
use Bowline\Job\JobError;
use Generator;

final class Stl implements Command
{
    /** Smallest and largest chord tolerance, mm. */
    private const FINEST = 0.0001;

    private const COARSEST = 1000.0;

    public static function name(): string
    {
        return 'stl';
    }

    public static function summary(): string
    {
        return 'the bodies as binary STL';
    }

    public static function options(): array
    {
        return [
            Option::run(),
            new Option('chord', 'MM', 'farthest that a facet stands off the true surface; 0.1 when it is left out'),
        ];
    }

    public function run(Input $input): Outcome
    {
        $solved = $input->solved();
        $chord = self::chord($input);
        $meshes = (static function () use ($input, $solved, $chord): Generator {
            foreach ($solved as $run) {
                $number = array_search($run->laid->run->id, array_keys($input->job->runs), true);
                yield WritableBody::of($run, '/runs/'.$number)->mesh($chord);
            }
        })();

        return new Outcome(StlWriter::write($meshes, 'Bowline'), $solved);
    }

    /** @throws JobError */
    private static function chord(Input $input): float
    {
        $said = $input->option('chord') ?? (string) RunBody::CHORD;
        $chord = is_numeric($said) ? (float) $said : 0.0;

        return $chord >= self::FINEST && $chord <= self::COARSEST ? $chord : throw JobError::at('', sprintf(
            '--chord is a number from %s to %s mm', self::FINEST, self::COARSEST,
        ));
    }
}
