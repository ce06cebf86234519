<?php

declare(strict_types=1);

namespace App\Http;

use App\Editing\EditResult;
use App\Editing\JobState;
use App\Http\Resources\JobChangeResource;
use App\Http\Resources\JobResource;
use App\Models\Job;
use App\People\People;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Gate;

/** Answers with the state of a job. */
final readonly class JobResponse
{
    public function __construct(private JobState $state)
    {
    }

    /** @param  int|null  $since  the revision that the asking window has seen; it needs only what is new since then */
    public function kept(EditResult $kept, ?int $since): JsonResponse
    {
        return ($this->state->change($kept, $since) ?? $this->newest($kept->job, $since))->response();
    }

    /** @param  int|null  $since  likewise */
    public function since(Job $job, ?int $since): JsonResponse
    {
        $newest = $this->newest($job, $since);
        $response = $newest->response();
        $isNews = $since !== null && $newest instanceof JobChangeResource;
        if ($isNews && $newest->isWorkedOut() && self::onlyLooks($job)) {
            Live::keep($job, $since, (string) $response->getContent());
        }

        return $response;
    }

    /** Whether what is answered holds for all who only look: nobody of them has a step of their own to take back. */
    private static function onlyLooks(Job $job): bool
    {
        return ! People::areOn() || ! Gate::forUser(People::user())->allows('change', $job);
    }

    private function newest(Job $job, ?int $since): JobChangeResource|JobResource
    {
        return ($since === null ? null : $this->state->since($job, $since)) ?? $this->state->whole($job);
    }

    public function of(Job $job, int $status = 200): JsonResponse
    {
        return $this->state->whole($job)->response()->setStatusCode($status);
    }
}
