<?php

declare(strict_types=1);

use App\Queue\Failure;
use App\Support\WorkBrokenOff;
use Bowline\Job\JobError;
use Illuminate\Queue\MaxAttemptsExceededException;
use Illuminate\Queue\TimeoutExceededException;
use Illuminate\Support\Facades\Log;

it('says why work has ended without an answer', function (?Throwable $error, int $timeout, string $words): void {
    expect(Failure::words($error, $timeout))->toBe($words);
})->with([
    'what is wrong with the job' => [JobError::at('/runs/0', 'there is no port “a”'), 300, 'There is no port “a”.'],
    'a whole sentence' => [JobError::at('', 'Wait until it has come to lie.'), 300, 'Wait until it has come to lie.'],
    'too long' => [
        new TimeoutExceededException('App\Bodies\FindBody has timed out.'), 300, 'It took longer than 5 minutes.',
    ],
    'as long as it may take' => [new TimeoutExceededException, 600, 'It took longer than 10 minutes.'],
    'killed each time' => [
        new MaxAttemptsExceededException, 300, 'It was begun several times, and broken off each time.',
    ],
    'nobody knows' => [null, 300, 'It was broken off.'],
]);

it('tells nothing of the inside of the program, and logs what the queue does not', function (
    Throwable $error, int $times,
): void {
    Log::shouldReceive('error')->times($times)
        ->with('Work on the queue was ended by an error: '.$error->getMessage(), ['exception' => $error]);
    expect(Failure::words($error, 300))->toBe('An error of the program ended it; the log of the server says which.');
})->with([
    'the queue logs it' => [new RuntimeException('SQLSTATE[HY000] in /srv/bowline/app'), 0],
    'one that is not reported where it ends a request' => [WorkBrokenOff::timeUp(), 1],
]);
