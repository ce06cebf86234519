<?php

declare(strict_types=1);

namespace App\Http;

use App\Jobs\JobState;
use App\Jobs\Kept;
use App\Models\Job;
use Illuminate\Http\Response;

/** Answers with the state of a job. */
final readonly class JobResponse
{
    public function __construct(private JobState $state)
    {
    }

    /** @param  int|null  $since  the revision that the asking window has seen; it needs only what is new since then */
    public function kept(Kept $kept, ?int $since): Response
    {
        return new Response($this->state->change($kept, $since) ?? $this->state->json($kept->job), 200, ['Content-Type' => 'application/json']);
    }

    public function of(Job $job, int $status = 200): Response
    {
        return new Response($this->state->json($job), $status, ['Content-Type' => 'application/json']);
    }
}
