<?php

declare(strict_types=1);

namespace App\Support;

use Closure;

/**
 * Limits the computing time of a request. An alarm checks once a second whether the time is up or the client has gone,
 * and interrupts what runs inside `run`; nothing else is interrupted, so that no write is left half done. A process has
 * one alarm. The queue worker uses it for its own limit, so queued jobs must not use this class.
 */
final class WorkTime
{
    private readonly float $until;

    private bool $isRunning = false;

    private ?WorkBrokenOff $reason = null;

    private function __construct(float $seconds, private readonly ClientConnection $client)
    {
        $this->until = microtime(true) + $seconds;
    }

    /**
     * Calls a function with a time limit that starts now.
     *
     * @template T
     *
     * @param  float  $seconds  checked in whole seconds
     * @param  Closure(self): T  $use
     * @return T
     */
    public static function limit(float $seconds, Closure $use, ?ClientConnection $client = null): mixed
    {
        $time = new self($seconds, $client ?? ClientConnection::ofRequest());
        $wasAsync = pcntl_async_signals(true);
        pcntl_signal(SIGALRM, $time->look(...));
        pcntl_alarm(1);
        try {
            return $use($time);
        } finally {
            pcntl_alarm(0);
            pcntl_signal(SIGALRM, SIG_DFL);
            pcntl_async_signals($wasAsync);
        }
    }

    /**
     * @template T
     *
     * @param  Closure(): T  $work  which only computes: it may be broken off anywhere
     * @return T
     *
     * @throws WorkBrokenOff when the time is up, before or meanwhile, or whoever asked has gone
     */
    public function run(Closure $work): mixed
    {
        if ($this->reason === null && microtime(true) >= $this->until) {
            $this->reason = WorkBrokenOff::timeUp();
        }
        if ($this->reason !== null) {
            throw $this->reason;
        }
        $this->isRunning = true;
        try {
            return $work();
        } finally {
            $this->isRunning = false;
        }
    }

    /** @throws WorkBrokenOff */
    private function look(): void
    {
        // An alarm slightly before its second still counts for it.
        $this->reason ??= match (true) {
            microtime(true) >= $this->until - 0.05 => WorkBrokenOff::timeUp(),
            $this->client->hasGone() => WorkBrokenOff::clientGone(),
            default => null,
        };
        if ($this->reason === null) {
            pcntl_alarm(1);
        } elseif ($this->isRunning) {
            throw $this->reason;
        }
    }
}
