<?php

declare(strict_types=1);

namespace Bowline\Console;

use Bowline\Body\Mesh;
use Bowline\Body\RunBody;
use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdits;
use Bowline\Exchange\BenderWriter;
use Bowline\Exchange\BendSheet;
use Bowline\Exchange\BroughtIn;
use Bowline\Exchange\CsvTables;
use Bowline\Exchange\Dxf\DxfWriter;
use Bowline\Exchange\JobArchive;
use Bowline\Exchange\SolutionWriter;
use Bowline\Exchange\StlWriter;
use Bowline\Exchange\WritableBody;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Bowline\Job\Node;
use Bowline\Routing\LaidRun;
use Bowline\Solving\SolvedRun;
use Bowline\Solving\Solver;
use stdClass;

/** `bin/bowline`: solves a job file and writes what can be taken away, without the web. */
final class CommandLine
{
    private const USAGE = <<<'TEXT'
        bowline solve FILE [--run ID]                    the solution as JSON
        bowline bends FILE --run ID                      the bend table as CSV
        bowline vertices FILE --run ID                   the vertex table as CSV
        bowline dxf FILE [--run ID]                      centrelines as DXF
        bowline sheet FILE --run ID [--paper a4|letter]  the bend sheet as PDF
        bowline benders FILE --run ID                    which benders can bend it, as JSON
        bowline stl FILE [--run ID] [--chord MM]         the bodies as binary STL
        bowline change FILE --run ID --change JSON       the job file with a run changed (schema/laying.json)
        bowline bring-in FILE --lines DRAWING --stock ID the job file with the lines of a DXF, or of the CSV of a
                                                         bend table or of vertices, as runs; remarks on standard error
        Exit: 0 no violation, 1 violations, 2 the file or the command is wrong.

        TEXT;

    /** Chord tolerances that can be asked for, mm. */
    private const FINEST_CHORD = 0.0001;

    private const COARSEST_CHORD = 1000.0;

    private const OPTIONS = ['run', 'chord', 'paper', 'change', 'lines', 'stock'];

    /**
     * @param  list<string>  $arguments
     * @param  resource  $out
     * @param  resource  $err
     * @return int the exit code
     */
    public static function run(array $arguments, $out, $err): int
    {
        [$words, $options] = self::parse($arguments);
        if (count($words) !== 2 || array_diff(array_keys($options), self::OPTIONS) !== []) {
            fwrite($err, self::USAGE);

            return 2;
        }
        [$command, $file] = $words;
        try {
            $job = self::job($file);
            if ($command === 'change' || $command === 'bring-in') {
                fwrite($out, $command === 'change' ? self::changed($job, $options) : self::broughtIn($job, $options, $err));

                return 0;
            }
            $solved = self::solve($job, $options['run'] ?? null);
            fwrite($out, self::output($command, $job, $solved, $options));
        } catch (JobError $error) {
            fwrite($err, sprintf("%s: %s\n", $error->pointer, strtr($error->getMessage(), "\r\n", '  ')));

            return 2;
        } catch (EditError $error) {
            fwrite($err, $error->getMessage()."\n");

            return 2;
        }
        foreach ($solved as $run) {
            if ($run->status() === 'violation') {
                return 1;
            }
        }

        return 0;
    }

    /** @throws JobError when it is neither a job file nor an archive of one */
    private static function job(string $file): Job
    {
        $text = self::read($file);

        return JobArchive::isOne($text) ? Job::read(JobArchive::open($file)) : Job::fromJson($text);
    }

    /** @throws JobError when it cannot be read */
    private static function read(string $file): string
    {
        $text = is_file($file) ? file_get_contents($file) : false;

        return $text === false ? throw JobError::at('', sprintf('the file %s cannot be read', $file)) : $text;
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
    private static function output(string $command, Job $job, array $solved, array $options): string
    {
        $one = static fn (): SolvedRun => count($solved) === 1 ? $solved[0] : throw JobError::at('/runs', 'name one run with --run');

        return match ($command) {
            'solve' => self::json(self::solution($job, $solved, ! isset($options['run']))),
            'bends' => CsvTables::bends($one()),
            'vertices' => CsvTables::vertices($one()),
            'sheet' => BendSheet::pdf($job, $one(), $options['paper'] ?? 'a4', date('Y-m-d')),
            'dxf' => DxfWriter::write(array_map(static fn (SolvedRun $run): LaidRun => $run->laid, $solved)),
            'benders' => self::json(BenderWriter::write($job, $one()->laid)),
            'stl' => StlWriter::write(array_map(
                static fn (SolvedRun $run): Mesh => WritableBody::of($run, '/runs/'.array_search($run->laid->run->id, array_keys($job->runs), true))->mesh(self::chord($options)), $solved,
            ), 'Bowline'),
            default => throw JobError::at('', sprintf('there is no command “%s”', $command)),
        };
    }

    /**
     * @param  list<SolvedRun>  $solved
     * @return array<string, mixed>
     *
     * @throws JobError
     */
    private static function solution(Job $job, array $solved, bool $all): array
    {
        $written = SolutionWriter::write($solved);
        if ($all && $job->site->sets !== []) {
            $written['sets'] = SolutionWriter::sets($job, array_combine(
                array_map(static fn (SolvedRun $run): string => $run->laid->run->id, $solved),
                array_map(static fn (SolvedRun $run): float => $run->laid->length(), $solved),
            ));
        }

        return $written;
    }

    /**
     * @param  array<string, string>  $options
     *
     * @throws JobError
     * @throws EditError
     */
    private static function changed(Job $job, array $options): string
    {
        $id = $options['run'] ?? throw JobError::at('/runs', 'name one run with --run');
        $run = $job->runs[$id] ?? throw JobError::at('/runs', sprintf('there is no run “%s”', $id));
        $change = json_decode($options['change'] ?? '');
        if (! $change instanceof stdClass) {
            throw JobError::at('', 'say what to change with --change, as a JSON object');
        }
        $item = RunEdits::apply(RunDraft::of($run->route->lay($run)), new Node($change), $job->site)->run();
        $after = clone $job->source;
        $after->runs = array_map(
            static fn (Node $one): stdClass => $one->get('id')->text() === $id ? $item : $one->object(), (new Node($job->source))->list('runs'),
        );
        // What is wrong by now is said, and not written.
        Job::read($after);

        return JobFile::encode($after);
    }

    /**
     * @param  array<string, string>  $options
     * @param  resource  $err
     *
     * @throws JobError
     */
    private static function broughtIn(Job $job, array $options, $err): string
    {
        $name = $options['lines'] ?? throw JobError::at('', 'name the drawing with --lines');
        $stock = $options['stock'] ?? array_key_first($job->site->stock) ?? throw JobError::at('/stock', 'the job has no stock to make runs of');
        if (! isset($job->site->stock[$stock])) {
            throw JobError::at('/stock', sprintf('there is no stock “%s”', $stock));
        }
        [$routes, $remarks] = BroughtIn::of(self::read($name), $job->site->values, $job->site->units);
        foreach ($remarks as $remark) {
            fwrite($err, $remark."\n");
        }
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

        return JobFile::encode($after);
    }

    /** @param  array<mixed>  $data */
    private static function json(array $data): string
    {
        return json_encode($data, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)."\n";
    }

    /** @param  array<string, string>  $options */
    private static function chord(array $options): float
    {
        $said = $options['chord'] ?? (string) RunBody::CHORD;
        $chord = is_numeric($said) ? (float) $said : 0.0;

        return $chord >= self::FINEST_CHORD && $chord <= self::COARSEST_CHORD ? $chord : throw JobError::at('', sprintf(
            '--chord is a number from %s to %s mm', self::FINEST_CHORD, self::COARSEST_CHORD,
        ));
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
