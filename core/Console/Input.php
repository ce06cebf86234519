<?php

declare(strict_types=1);

namespace Bowline\Console;

use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\Words;
use Bowline\Pathfinding\Scene;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use Bowline\Solving\HarnessSolver;
use Bowline\Solving\SolvedHarness;
use Bowline\Solving\SolvedRun;
use Bowline\Solving\Solver;

/** The input of a command: a job, and the options it takes. */
final readonly class Input
{
    /**
     * @param  array<string, string>  $options  by name
     * @param  Job|null  $other  second job of a command that takes two
     */
    public function __construct(
        public Job $job,
        private array $options,
        private ?Job $other = null,
    ) {
    }

    /** @throws JobError when the command took one job */
    public function other(): Job
    {
        return $this->other ?? throw JobError::at('', 'a second job file is missing');
    }

    public function option(string $name): ?string
    {
        return $this->options[$name] ?? null;
    }

    /**
     * Returns an option as a number, null when it is left out.
     *
     * @throws JobError
     */
    public function number(string $name, float $least): ?float
    {
        $said = $this->option($name);
        if ($said === null) {
            return null;
        }

        return is_numeric($said) && (float) $said >= $least
            ? (float) $said
            : throw JobError::at('', sprintf(
                '--%s is a number from %s up, not “%s”', $name, Words::number($least), $said,
            ));
    }

    /**
     * Returns the job with all of its runs as they are laid.
     *
     * @throws JobError
     */
    public function scene(): Scene
    {
        $runs = array_values($this->job->runs);

        return Scene::of(
            $this->job, array_map(static fn (Run $run): LaidRun => $run->route->lay($run), $runs),
            SolvedHarness::bundlesOf((new HarnessSolver($this->job))->all()),
        );
    }

    /**
     * Returns whether so many seconds are over since now.
     *
     * @return callable(): bool
     */
    public static function clock(float $seconds): callable
    {
        $end = hrtime(true) + $seconds * 1e9;

        return static fn (): bool => hrtime(true) > $end;
    }

    /**
     * Returns one of some words, the first when the option is left out.
     *
     * @param  non-empty-list<string>  $words
     *
     * @throws JobError
     */
    public function choice(string $name, array $words): string
    {
        $said = strtolower($this->option($name) ?? $words[0]);

        return in_array($said, $words, true) ? $said : throw JobError::at('', sprintf(
            '--%s is followed by %s, not “%s”', $name, implode(' or ', $words), $said,
        ));
    }

    /** @throws JobError when it is left out */
    public function required(string $name): string
    {
        return $this->options[$name] ?? throw JobError::at('', sprintf('--%s is missing', $name));
    }

    /**
     * Returns the run named by --run.
     *
     * @throws JobError
     */
    public function run(): Run
    {
        $id = $this->required('run');

        return $this->job->runs[$id] ?? throw JobError::at('/runs', sprintf('there is no run “%s”', $id));
    }

    /**
     * Returns all runs solved, or the one named by --run.
     *
     * @return list<SolvedRun>
     *
     * @throws JobError
     */
    public function solved(): array
    {
        $solver = new Solver($this->job);

        return $this->option('run') === null ? $solver->all() : [$solver->run($this->run())];
    }

    /**
     * Returns the runs of `solved`; with --spool the one spool of that mark as a run by itself.
     *
     * @return list<SolvedRun>
     *
     * @throws JobError when there is no such spool
     */
    public function solvedOrSpool(): array
    {
        $solved = $this->solved();
        $mark = $this->option('spool');
        if ($mark === null) {
            return $solved;
        }
        foreach ($solved as $run) {
            $spool = $run->spool($mark);
            if ($spool !== null) {
                return [$spool];
            }
        }
        throw JobError::at('/runs', sprintf('there is no spool “%s”', $mark));
    }

    /**
     * Returns the harness named by --harness, or the only one, solved.
     *
     * @throws JobError when there are several, or none
     */
    public function harness(): SolvedHarness
    {
        $id = $this->option('harness');
        $all = $this->job->harnesses;
        $one = $id === null && count($all) === 1 ? array_values($all)[0] : $all[$id ?? ''] ?? null;

        return (new HarnessSolver($this->job))->solved($one ?? throw JobError::at('/harnesses', match (true) {
            $all === [] => 'the job has no harness',
            $id === null => 'name one harness with --harness',
            default => sprintf('there is no harness “%s”', $id),
        }));
    }

    /** Returns the JSON pointer of a run, or of the run that a spool is of, in the job. */
    public function pointerTo(SolvedRun $solved): string
    {
        $laid = $solved->laid->part->run ?? $solved->laid;

        return '/runs/'.array_search($laid->run->id, array_keys($this->job->runs), true);
    }

    /**
     * Returns the run named by --run, or the only one, or the spool named by --spool, solved.
     *
     * @throws JobError when there are several
     */
    public function one(): SolvedRun
    {
        if ($this->option('run') === null && $this->option('spool') === null && count($this->job->runs) !== 1) {
            throw JobError::at('/runs', 'name one run with --run');
        }

        return $this->solvedOrSpool()[0];
    }
}
