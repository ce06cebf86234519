<?php

declare(strict_types=1);

namespace App\Queue;

use Bowline\Job\JobError;
use Illuminate\Queue\MaxAttemptsExceededException;
use Illuminate\Queue\TimeoutExceededException;
use Throwable;

/** Why work on the queue has ended without an answer. */
final class Failure
{
    /**
     * Returns the reason as a sentence for whoever waits for the work: what is wrong with the job, or whether it is of
     * use to try again.
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
            default => 'An error of the program ended it; the log of the server says which.',
        };
    }
}
