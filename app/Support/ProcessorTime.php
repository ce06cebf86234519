<?php

declare(strict_types=1);

namespace App\Support;

/** The processor time that this process has taken; what else a request takes is waiting for others. */
final class ProcessorTime
{
    /** Returns it since the process began, ms. */
    public static function now(): float
    {
        $told = getrusage();
        $used = $told === false ? [] : array_filter($told, is_int(...));
        $milliseconds = static fn (string $kind): float => ($used["ru_{$kind}.tv_sec"] ?? 0) * 1e3
            + ($used["ru_{$kind}.tv_usec"] ?? 0) / 1e3;

        return $milliseconds('utime') + $milliseconds('stime');
    }
}
