<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Editing\Change;
use App\Editing\KeptSolution;
use App\Models\Job;
use App\Models\Step;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;

/** What has changed in the state of a job since a revision (schema/api.json, `jobChange`). */
final class JobChangeResource extends StateResource
{
    /**
     * @param  list<Change>  $changes  items as they are now in `after`
     * @param  list<array<string, mixed>>  $places  of all that was changed and what stands on it (schema/places.json)
     * @param  array<string, KeptSolution>  $solutions  of the runs that follow from it, by id
     * @param  int  $seen  the revision
     */
    public function __construct(
        Job $job,
        private readonly array $changes,
        private readonly array $places,
        array $solutions,
        private readonly int $seen,
    ) {
        parent::__construct($job, $solutions);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'change' => true,
            ...parent::toArray($request),
            'new_steps' => StepResource::collection($this->newSteps())->resolve($request),
            'items' => array_map(
                static fn (Change $change): array => ['list' => $change->list, 'item' => $change->after],
                $this->changes,
            ),
            'places' => $this->places,
        ];
    }

    /**
     * Returns the steps from the first that was done, undone or redone since then: of these some may have gone, too.
     *
     * @return Collection<int, Step>
     */
    private function newSteps(): Collection
    {
        $first = $this->resource->steps()->where('revision', '>', $this->seen)->min('number');

        return $this->resource->steps()->where('number', '>=', $first ?? $this->resource->step)->orderBy('number')
            ->get(StepResource::COLUMNS);
    }
}
