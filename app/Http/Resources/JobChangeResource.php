<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Editing\Change;
use App\Editing\KeptSolution;
use App\Models\Job;
use Illuminate\Http\Request;

/** What one edit changed in the state of a job (schema/api.json, `jobChange`). */
final class JobChangeResource extends StateResource
{
    /**
     * @param  list<Change>  $changes
     * @param  list<array<string, mixed>>  $places  of all that was changed and what stands on it (schema/places.json)
     * @param  array<string, KeptSolution>  $solutions  of the runs that follow from it, by id
     */
    public function __construct(
        Job $job,
        private readonly array $changes,
        private readonly array $places,
        array $solutions,
    ) {
        parent::__construct($job, $solutions);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $step = $this->resource->steps()->where('number', $this->resource->step)->firstOrFail();

        return [
            'change' => true,
            ...parent::toArray($request),
            'new_step' => (new StepResource($step))->resolve($request),
            'items' => array_map(
                static fn (Change $change): array => ['list' => $change->list, 'item' => $change->after],
                $this->changes,
            ),
            'places' => $this->places,
        ];
    }
}
