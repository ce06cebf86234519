<?php

declare(strict_types=1);

namespace App\Http;

use App\Jobs\JobState;
use App\Models\Job;
use Illuminate\Http\Response;

/** Answers with the state of a job. */
final readonly class JobResponse
{
    public function __construct(private JobState $state)
    {
    }

    public function of(Job $job, int $status = 200): Response
    {
        return new Response($this->state->json($job), $status, ['Content-Type' => 'application/json']);
    }
}
