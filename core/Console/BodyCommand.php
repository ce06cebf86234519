<?php

declare(strict_types=1);

namespace Bowline\Console;

use Bowline\Body\RunBody;
use Bowline\Exchange\Body\BodyFormat;
use Bowline\Exchange\Part;
use Bowline\Exchange\Parts;
use Bowline\Job\JobError;
use Generator;

/** A command that writes the bodies of runs in one format and is called as the ending of its files. */
abstract class BodyCommand implements Command
{
    /** Smallest and largest chord tolerance, mm. */
    private const FINEST = 0.0001;

    private const COARSEST = 1000.0;

    /** @return class-string<BodyFormat> */
    abstract protected static function format(): string;

    public static function name(): string
    {
        return static::format()::ending();
    }

    public static function options(): array
    {
        return [
            Option::run(),
            Option::spool(),
            new Option('chord', 'MM', 'farthest that a facet stands off the true surface; 0.1 when it is left out'),
        ];
    }

    public function run(Input $input): Outcome
    {
        $solved = $input->solvedOrSpool();
        $chord = self::chord($input);
        $parts = /** @return Generator<Part> */ static function () use ($input, $solved): Generator {
            foreach ($solved as $run) {
                foreach (Parts::of($run, $input->pointerTo($run)) as $part) {
                    yield $part;
                }
                yield from Parts::over($run->laid);
            }
        };

        return new Outcome(static::format()::write($input->job->name, $parts(), $chord), $solved);
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
