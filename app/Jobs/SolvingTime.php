<?php

declare(strict_types=1);

namespace App\Jobs;

use Bowline\Job\Run;
use Bowline\SolvedRun;
use Bowline\Solver;
use Illuminate\Support\Facades\Config;

/**
 * How long reading a job may go on solving runs: BOWLINE_SOLVING_SECONDS in all. A run that is being solved when the
 * time is up is broken off by an alarm, which counts whole seconds.
 */
final class SolvingTime
{
    private readonly float $until;

    private bool $isSolving = false;

    /** @param  float  $seconds  from now */
    public function __construct(float $seconds)
    {
        $this->until = microtime(true) + $seconds;
    }

    public static function ofRequest(): self
    {
        return new self(Config::float('bowline.solving_seconds'));
    }

    /** @return SolvedRun|null null when the time was up before it was solved */
    public function solve(Solver $solver, Run $run): ?SolvedRun
    {
        $left = $this->until - microtime(true);
        if ($left <= 0.0) {
            return null;
        }
        // A process has one alarm. The queue worker uses it for its own time limit, so tasks of the queue must not solve through this class.
        $wasAsync = pcntl_async_signals(true);
        pcntl_signal(SIGALRM, function (): void {
            if ($this->isSolving) {
                throw new SolvingTimeUp;
            }
        });
        $this->isSolving = true;
        pcntl_alarm((int) ceil($left));
        try {
            return $solver->run($run);
        } catch (SolvingTimeUp) {
            return null;
        } finally {
            $this->isSolving = false;
            pcntl_alarm(0);
            pcntl_async_signals($wasAsync);
        }
    }
}
