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
        $response = $told->response();
        $this->storeChange($kept->job, $response, $since);

        return $response;
    }

    /** Answers with the whole job after its last change. */
    public function after(Job $job): JsonResponse
    {
        $response = $this->of($job);
        $this->storeChange($job, $response, null);

        return $response;
    }

    /** @param  int|null  $since  likewise */
    public function since(Job $job, ?int $since): JsonResponse
    {
        $response = $this->newest($job, $since)->response();
        if ($since !== null) {
            $this->storeChange($job, $response, $since);
        }

        return $response;
    }

    /**
     * Stores the last change of a job as a file for windows that do not edit, where files are served and it is missing.
     *
     * @param  JsonResponse  $response  what a window is answered that has seen revision `$since`; it is that change
     *     where only the last revision is missing there
     */
    private function storeChange(Job $job, JsonResponse $response, ?int $since): void
    {
        $before = $job->revision - 1;
        if ($before > 0 && Live::lacksChange($job)) {
            $last = $since === $before ? $response : $this->newest($job, $before)->response();
            Live::storeChange($job, People::areOn() ? self::withoutUndo($last) : (string) $last->getContent());
        }
    }

    /** Returns the JSON of a response without the step that whoever has asked can undo: others cannot. */
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
