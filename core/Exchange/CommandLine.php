<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\RunBody;
use Bowline\Exchange\Dxf\DxfWriter;
use Bowline\Job\Job;
use Bowline\Job\JobError;
use Bowline\Routing\LaidRun;
use Bowline\SolvedRun;
use Bowline\Solver;

/** `bin/bowline`: solves a job file and writes what can be taken away, without the web. */
final class CommandLine
{
    private const USAGE = <<<'TEXT'
        bowline solve FILE [--run ID]                 the solution as JSON
        bowline bends FILE --run ID                   the bend table as CSV
        bowline vertices FILE --run ID                the vertex table as CSV
        bowline dxf FILE [--run ID]                  centrelines as DXF
        bowline benders FILE [--run ID]              which benders can bend it, as JSON
        bowline stl FILE [--run ID] [--chord MM]      the bodies as binary STL

        Exit: 0 no violation, 1 violations, 2 the file or the command is wrong.

        TEXT;

    /**
     * @param  list<string>  $arguments
     * @param  resource  $out
     * @param  resource  $err
     * @return int the exit code
     */
    public static function run(array $arguments, $out, $err): int
    {
        [$words, $options] = self::parse($arguments);
        if (count($words) !== 2 || array_diff(array_keys($options), ['run', 'chord']) !== []) {
            fwrite($err, self::USAGE);

            return 2;
        }
        [$command, $file] = $words;
        $json = is_file($file) ? file_get_contents($file) : false;
        if ($json === false) {
            fwrite($err, sprintf("the file %s cannot be read\n", $file));

            return 2;
        }
        try {
            $solved = self::solve(Job::fromJson($json), $options['run'] ?? null);
            fwrite($out, self::output($command, $solved, $options));
        } catch (JobError $error) {
            fwrite($err, sprintf("%s: %s\n", $error->pointer, strtr($error->getMessage(), "\r\n", '  ')));

            return 2;
        }
        foreach ($solved as $run) {
            if ($run->status() === 'violation') {
                return 1;
            }
        }

        return 0;
    }

    /**
     * @return list<SolvedRun>
     *
     * @throws JobError
     */
    private static function solve(Job $job, ?string $only): array
    {
        $solver = new Solver($job);
        if ($only === null) {
            return $solver->all();
        }

        return [$solver->run($job->runs[$only] ?? throw JobError::at('/runs', sprintf('there is no run “%s”', $only)))];
    }

    /**
     * @param  list<SolvedRun>  $solved
     * @param  array<string, string>  $options
     *
     * @throws JobError
     */
    private static function output(string $command, array $solved, array $options): string
    {
        $one = static fn (): SolvedRun => count($solved) === 1 ? $solved[0] : throw JobError::at('/runs', 'name one run with --run');

        return match ($command) {
            'solve' => json_encode(SolutionWriter::write($solved), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)."\n",
            'bends' => CsvTables::bends($one()),
            'vertices' => CsvTables::vertices($one()),
            'dxf' => DxfWriter::write(array_map(static fn (SolvedRun $run): LaidRun => $run->laid, $solved)),
            'benders' => json_encode(BenderWriter::write($one()->laid), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)."\n",
            'stl' => StlWriter::write(array_map(
                static fn (SolvedRun $run) => RunBody::of($run->laid)->mesh(self::chord($options)), $solved,
            ), 'Bowline'),
            default => throw JobError::at('', sprintf('there is no command “%s”', $command)),
        };
    }

    /** @param  array<string, string>  $options */
    private static function chord(array $options): float
    {
        $chord = (float) ($options['chord'] ?? RunBody::CHORD);

        return $chord > 0.0 ? $chord : throw JobError::at('', 'the chord tolerance must be more than 0');
    }

    /**
     * @param  list<string>  $arguments
     * @return array{list<string>, array<string, string>}
     */
    private static function parse(array $arguments): array
    {
        $words = $options = [];
        while ($arguments !== []) {
            $argument = array_shift($arguments);
            if (! str_starts_with($argument, '--')) {
                $words[] = $argument;
            } elseif (str_contains($argument, '=')) {
                [$name, $value] = explode('=', substr($argument, 2), 2);
                $options[$name] = $value;
            } else {
                $options[substr($argument, 2)] = array_shift($arguments) ?? '';
            }
        }

        return [$words, $options];
    }
}
