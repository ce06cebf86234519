<?php

declare(strict_types=1);

namespace App\Queue;

use Bowline\Job\JobError;
use Illuminate\Contracts\Debug\ExceptionHandler;
use Illuminate\Queue\MaxAttemptsExceededException;
use Illuminate\Queue\TimeoutExceededException;
use Illuminate\Support\Facades\App;
use Illuminate\Support\Facades\Log;
use Throwable;

/** Why work on the queue has ended without an answer. */
final class Failure
{
    /**
     * Returns the reason as a sentence for whoever waits for the work: what is wrong with the job, or whether it is of
     * use to try again. An error of the program is logged.
     *
     * @param  Throwable|null  $error  what the queue says of it; null where it says nothing
     * @param  int  $timeout  most that the work may take, s
     */
    public static function words(?Throwable $error, int $timeout): string
    {
        return match (true) {
            $error instanceof JobError => ucfirst(rtrim($error->getMessage(), '.')).'.',
            $error instanceof TimeoutExceededException => sprintf(
                'It took longer than %d minutes.', intdiv($timeout, 60),
            ),
            $error instanceof MaxAttemptsExceededException => 'It was begun several times, and broken off each time.',
            $error === null => 'It was broken off.',
            default => self::logged($error),
        };
    }

    /** Logs an error that the queue does not: one that a request would answer with words of its own (Problems). */
    private static function logged(Throwable $error): string
    {
        if (! App::make(ExceptionHandler::class)->shouldReport($error)) {
            Log::error('Work on the queue was ended by an error: '.$error->getMessage(), ['exception' => $error]);
        }

        return 'An error of the program ended it; the log of the server says which.';
    }
}
