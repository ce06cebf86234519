<?php

declare(strict_types=1);

namespace Bowline\Console;

use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Routing\Run;
use Bowline\Solving\SolvedRun;
use Bowline\Solving\Solver;

/** What a command is given: a job, and options that it takes. */
final readonly class Input
{
    /** @param  array<string, string>  $options  by name */
    public function __construct(
        public Job $job,
        private array $options,
    ) {
    }

    public function option(string $name): ?string
    {
        return $this->options[$name] ?? null;
    }

    /** @throws JobError when it is left out */
    public function required(string $name): string
    {
        return $this->options[$name] ?? throw JobError::at('', sprintf('--%s is missing', $name));
    }

    /**
     * The run that --run names.
     *
     * @throws JobError
     */
    public function run(): Run
    {
        $id = $this->required('run');

        return $this->job->runs[$id] ?? throw JobError::at('/runs', sprintf('there is no run “%s”', $id));
    }

    /**
     * All runs, or the one that --run names.
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
     * The run that --run names, or the only one there is.
     *
     * @throws JobError when there are several
     */
    public function one(): SolvedRun
    {
        if ($this->option('run') === null && count($this->job->runs) !== 1) {
            throw JobError::at('/runs', 'name one run with --run');
        }

        return $this->solved()[0];
    }
}
