<?php

declare(strict_types=1);

namespace Bowline\Console;

use Bowline\Editing\EditError;
use Bowline\Exchange\JobArchive;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use stdClass;

/** `bin/bowline`: solves a job file and writes files, without the web. */
final class CommandLine
{
    /** @var list<class-string<Command>> */
    public const COMMANDS = [
        Command\Solve::class,
        Command\Bends::class,
        Command\Cuts::class,
        Command\Vertices::class,
        Command\Walls::class,
        Command\Drillings::class,
        Command\Lists::class,
        Command\Wires::class,
        Command\Bundles::class,
        Command\BoardSheet::class,
        Command\Dxf::class,
        Command\Sheet::class,
        Command\IsometricDrawing::class,
        Command\ArrangementDrawing::class,
        Command\Pack::class,
        Command\Benders::class,
        Command\Step::class,
        Command\ThreeMf::class,
        Command\Glb::class,
        Command\Obj::class,
        Command\Stl::class,
        Command\Mass::class,
        Command\Cut::class,
        Command\Change::class, Command\BringIn::class,
        Command\Compare::class,
        Command\BendOnBench::class, Command\BenderDevice::class, Command\ArmDevice::class,
        Command\Lay::class,
        Command\LayAll::class,
    ];

    /**
     * @param  list<string>  $arguments
     * @param  resource  $out
     * @param  resource  $err
     * @return int the exit code: 0 no violation, 1 violations, or not all was laid, or two jobs differ, 2 the file or
     *     the command is wrong
     */
    public static function run(array $arguments, $out, $err): int
    {
        try {
            $help = self::help($arguments);
            if ($help !== null) {
                fwrite($out, $help);

                return 0;
            }
            [$command, $files, $options] = self::parse($arguments);
            $jobs = array_map(self::job(...), $files);
            $job = $jobs[0] ?? Job::read(self::nothing());
            $outcome = (new $command)->run(new Input($job, $options, $jobs[1] ?? null));
        } catch (UsageError|EditError $error) {
            fwrite($err, $error->getMessage()."\n");

            return 2;
        } catch (JobError $error) {
            fwrite($err, sprintf("%s: %s\n", $error->pointer, strtr($error->getMessage(), "\r\n", '  ')));

            return 2;
        }
        foreach ($outcome->remarks as $remark) {
            fwrite($err, $remark."\n");
        }
        fwrite($out, $outcome->text);
        if ($outcome->isShort) {
            return 1;
        }
        foreach ($outcome->solved as $run) {
            if ($run->status() === 'violation') {
                return 1;
            }
        }
        foreach ($outcome->harnesses as $harness) {
            if ($harness->isViolated()) {
                return 1;
            }
        }
        foreach ($outcome->clearances as $short) {
            if ($short->isViolation()) {
                return 1;
            }
        }

        return 0;
    }

    /**
     * @param  list<string>  $arguments
     * @return string|null null when nobody asks for help
     *
     * @throws UsageError
     */
    private static function help(array $arguments): ?string
    {
        if (array_intersect($arguments, ['--help', '-h']) === []) {
            return null;
        }
        $words = array_values(
            array_filter($arguments, static fn (string $argument): bool => ! str_starts_with($argument, '-')),
        );
        if ($words === []) {
            return self::usage();
        }
        $command = self::command($words[0]);
        $lines = [self::line($command), '', '  '.ucfirst($command::summary()).'.', ''];
        foreach ($command::options() as $option) {
            $lines[] = sprintf('  %-20s %s', sprintf('--%s %s', $option->name, $option->value), $option->summary);
        }

        return implode("\n", $lines)."\n";
    }

    private static function usage(): string
    {
        $lines = array_map(
            static fn (string $command): string => self::line($command)."\n    ".$command::summary(),
            self::COMMANDS,
        );

        return implode("\n", $lines).
            "\n\n".
            'FILE, BEFORE and AFTER are job files, or ones with their bodies beside them (.bowline). '.
            "bowline COMMAND --help says more of a command.\n".
            "Exit: 0 no violation, 1 violations, a difference, or not all laid, 2 the file or the command is wrong.\n";
    }

    /** @param  class-string<Command>  $command */
    private static function line(string $command): string
    {
        return implode(' ', [
            'bowline',
            $command::name(),
            ...self::files($command),
            ...array_map(static fn (Option $option): string => $option->usage(), $command::options()),
        ]);
    }

    /**
     * @param  class-string<Command>  $command
     * @return list<string> what stands for its files in the help
     */
    private static function files(string $command): array
    {
        return match (true) {
            is_subclass_of($command, NoJob::class) => [],
            is_subclass_of($command, TwoJobs::class) => ['BEFORE', 'AFTER'],
            default => ['FILE'],
        };
    }

    /**
     * @return class-string<Command>
     *
     * @throws UsageError
     */
    private static function command(string $name): string
    {
        foreach (self::COMMANDS as $command) {
            if ($command::name() === $name) {
                return $command;
            }
        }
        throw new UsageError(sprintf('There is no command “%s”. bowline --help lists those there are.', $name));
    }

    /**
     * @param  list<string>  $arguments
     * @return array{class-string<Command>, list<string>, array<string, string>} the command, its files, and
     *     the options by name
     *
     * @throws UsageError
     */
    private static function parse(array $arguments): array
    {
        if ($arguments === []) {
            throw new UsageError(rtrim(self::usage()));
        }
        $command = self::command(array_shift($arguments));
        $files = $options = [];
        while ($arguments !== []) {
            $argument = array_shift($arguments);
            if (! str_starts_with($argument, '--')) {
                $files[] = $argument;

                continue;
            }
            [$name, $value] = str_contains($argument, '=')
                ? explode('=', substr($argument, 2), 2)
                : [substr($argument, 2), null];
            $known = array_map(static fn (Option $option): string => $option->name, $command::options());
            if (! in_array($name, $known, true)) {
                throw new UsageError(
                    sprintf(
                        'bowline %s takes no --%s; it takes %s.',
                        $command::name(),
                        $name,
                        implode(', ', array_map(static fn (string $one): string => '--'.$one, $known)),
                    ),
                );
            }
            if (isset($options[$name])) {
                throw new UsageError(sprintf('--%s is given twice.', $name));
            }
            $options[$name] =
                $value ?? (array_shift($arguments) ?? throw new UsageError(sprintf('--%s needs a value.', $name)));
        }
        foreach ($command::options() as $option) {
            if ($option->isRequired && ! isset($options[$option->name])) {
                throw new UsageError(
                    sprintf(
                        'bowline %s needs %s: %s.',
                        $command::name(),
                        trim($option->usage(), '[]'),
                        $option->summary,
                    ),
                );
            }
        }
        $wanted = self::files($command);
        if (count($files) !== count($wanted)) {
            throw new UsageError(
                sprintf(
                    'bowline %s takes %s, and %s.',
                    $command::name(),
                    ['no job file', 'one job file', 'two job files'][count($wanted)],
                    match (count($files)) {
                        0 => 'none is named',
                        1 => 'one is named',
                        default => count($files).' are named',
                    },
                ),
            );
        }

        return [$command, $files, $options];
    }

    /** Returns an empty job, for commands that take none. */
    private static function nothing(): stdClass
    {
        return (object) ['format' => JobFile::FORMAT, 'version' => 1];
    }

    /** @throws JobError when it is neither a job file nor an archive of one */
    private static function job(string $file): Job
    {
        $text = FileText::of($file);

        return JobArchive::isOne($text) ? Job::read(JobArchive::open($file)) : Job::fromJson($text);
    }
}
