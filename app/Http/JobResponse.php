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
use stdClass;

/** Answers with the state of a job. */
final readonly class JobResponse
{
    public function __construct(private JobState $state)
    {
    }

    /** @param  int|null  $since  the revision that the asking window has seen; it needs only what is new since then */
    public function kept(EditResult $kept, ?int $since): JsonResponse
    {
        $told = $this->state->change($kept, $since) ?? $this->newest($kept->job, $since);

        return $this->keptForOthers($kept->job, $told->response(), $since);
    }

    /** Answers with the whole job after its last change. */
    public function after(Job $job): JsonResponse
    {
        return $this->keptForOthers($job, $this->of($job), null);
    }

    /** @param  int|null  $since  likewise */
    public function since(Job $job, ?int $since): JsonResponse
    {
        $response = $this->newest($job, $since)->response();

        return $since === null ? $response : $this->keptForOthers($job, $response, $since);
    }

    /**
     * Keeps what the last change of a job has made new for windows that only look, where files are served: what is
     * answered, if that is just this; else it is found.
     */
    private function keptForOthers(Job $job, JsonResponse $response, ?int $since): JsonResponse
    {
        $before = $job->revision - 1;
        if ($before > 0 && Live::wants($job)) {
            $last = $since === $before ? $response : $this->newest($job, $before)->response();
            Live::keep($job, People::areOn() ? self::withoutUndo($last) : (string) $last->getContent());
        }

        return $response;
    }

    /** Returns what is answered without what the asking person may take back, which nobody may who only looks. */
    private static function withoutUndo(JsonResponse $response): string
    {
        $said = $response->getData();
        assert($said instanceof stdClass);
        $said->undo = null;

        return json_encode($said, $response->getEncodingOptions() | JSON_THROW_ON_ERROR);
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
