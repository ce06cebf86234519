<?php

declare(strict_types=1);

namespace App\Http;

use App\Editing\EditResult;
use App\Editing\JobState;
use App\Models\Job;
use Illuminate\Http\JsonResponse;

/** Answers with the state of a job. */
final readonly class JobResponse
{
    public function __construct(private JobState $state)
    {
    }

    /** @param  int|null  $since  the revision that the asking window has seen; it needs only what is new since then */
    public function kept(EditResult $kept, ?int $since): JsonResponse
    {
        return ($this->state->change($kept, $since) ?? $this->state->whole($kept->job))->response();
    }

    public function of(Job $job, int $status = 200): JsonResponse
    {
        return $this->state->whole($job)->response()->setStatusCode($status);
    }
}
