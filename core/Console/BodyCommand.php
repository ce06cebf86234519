<?php

declare(strict_types=1);

namespace Bowline\Console;

use Bowline\Exchange\Body\BodyFormat;
use Bowline\Exchange\Body\ChordTolerance;
use Bowline\Exchange\JobBodies;
use Bowline\Exchange\Part;
use Bowline\Exchange\Parts;
use Generator;

/** A command that writes the bodies of runs in one format and is called as the ending of its files. */
abstract class BodyCommand implements Command
{
    private const AROUND = 'around';

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
            new Option('body', 'ID', 'only this body of several runs, or block with channels'),
            new Option('chord', 'MM', 'farthest that a facet stands off the true surface; 0.1 when it is left out'),
            new Option('with', self::AROUND, 'with equipment and surroundings'),
        ];
    }

    public function run(Input $input): Outcome
    {
        $solved = $input->solvedOrSpool();
        $chord = ChordTolerance::read($input->option('chord'), '--chord');
        $with = $input->option('with');
        if ($with !== null && $with !== self::AROUND) {
            throw new UsageError(sprintf('--with is followed by “%s”', self::AROUND));
        }
        $body = $input->option('body');
        $isAll = $input->option('run') === null && $input->option('spool') === null;
        if ($body !== null && ! $isAll) {
            throw new UsageError('--body names several runs: leave --run and --spool out');
        }
        $parts = /** @return Generator<Part> */ static function () use (
            $input, $solved, $with, $chord, $body, $isAll,
        ): Generator {
            // What is one piece with others is written with those.
            $joined = $isAll ? JobBodies::members($input->job) : [];
            foreach ($body === null ? $solved : [] as $run) {
                foreach (in_array($run->laid->run->id, $joined, true) ? [] : Parts::of(
                    $run, $input->pointerTo($run),
                ) as $part) {
                    yield $part;
                }
                yield from Parts::over($run->laid);
            }
            if ($isAll) {
                yield from JobBodies::parts($input->job, $chord, $body);
            }
            if ($with !== null) {
                yield from Parts::around($input->job->site, JobBodies::isNotMade($input->job));
            }
        };

        return new Outcome(static::format()::write($input->job->name, Parts::atLeastOne($parts()), $chord), $solved);
    }
}
