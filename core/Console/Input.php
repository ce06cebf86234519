<?php

declare(strict_types=1);

namespace Bowline\Console;

use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Routing\Run;
use Bowline\Solving\SolvedRun;
use Bowline\Solving\Solver;

/** The input of a command: a job, and the options it takes. */
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

    /** Returns the JSON pointer of a run in the job. */
    public function pointerTo(SolvedRun $solved): string
    {
        return '/runs/'.array_search($solved->laid->run->id, array_keys($this->job->runs), true);
    }

    /**
     * Returns the run named by --run, or the only one, solved.
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
