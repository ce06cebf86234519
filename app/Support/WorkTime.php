<?php

declare(strict_types=1);

namespace App\Support;

use Closure;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Config;

/**
 * Limits the computing time of a request. An alarm checks once a second whether the time is up or the client has gone,
 * and interrupts what runs inside `run`; nothing else is interrupted, so that no write is left half done. A process has
 * one alarm. The queue worker uses it for its own limit, so queued jobs must not use this class.
 *
 * PHP-FPM has no alarms (no pcntl). There nothing can be interrupted and gone on with: PHP ends the request when its
 * time is up (answered by Problems), and what it was at is remembered, so that it is left to the queue the next time.
 */
final class WorkTime
{
    /** Least that a request without alarms may compute, s: it is ended altogether. */
    private const LEAST_GUARD = 10.0;

    /** For how long work is left to the queue that has ended a request, s. */
    private const REMEMBERED = 3600;

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
        if (! self::hasAlarm()) {
            return self::guarded($seconds, static fn (): mixed => $use($time));
        }
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

    /** Whether a computation can be interrupted; not in PHP-FPM. */
    public static function hasAlarm(): bool
    {
        return function_exists('pcntl_alarm') && Config::boolean('bowline.has_alarm');
    }

    /**
     * Calls a function, during which PHP ends the request when it has computed for so long.
     *
     * @template T
     *
     * @param  Closure(): T  $use
     * @return T
     */
    private static function guarded(float $seconds, Closure $use): mixed
    {
        $outer = (int) ini_get('max_execution_time');
        set_time_limit((int) ceil(max($seconds, self::LEAST_GUARD)));
        try {
            return $use();
        } finally {
            set_time_limit($outer);
        }
    }

    /**
     * @template T
     *
     * @param  Closure(): T  $work  which only computes: it may be broken off anywhere
     * @param  string|null  $marker  names the work where it can be left to the queue
     * @return T
     *
     * @throws WorkBrokenOff when the time is up, before or meanwhile, or whoever asked has gone; without alarms also
     *     where the same work has ended a request before
     */
    public function run(Closure $work, ?string $marker = null): mixed
    {
        if ($marker !== null && ! self::hasAlarm()) {
            return $this->remembered($work, 'computing:'.$marker);
        }
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

    /**
     * @template T
     *
     * @param  Closure(): T  $work
     * @return T
     *
     * @throws WorkBrokenOff
     */
    private function remembered(Closure $work, string $key): mixed
    {
        if (microtime(true) >= $this->until || ! Cache::add($key, true, self::REMEMBERED)) {
            throw WorkBrokenOff::timeUp();
        }
        try {
            return $work();
        } finally {
            // Not reached when PHP ends the request: then it stays remembered.
            Cache::forget($key);
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
