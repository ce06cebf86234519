<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Editing\KeptSolution;
use App\Editing\OwnUndo;
use App\Models\Job;
use App\Models\TypedEntry;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use stdClass;

/**
 * The common part of the whole state of a job and of a change of it.
 *
 * @property-read Job $resource
 */
abstract class StateResource extends JsonResource
{
    public static $wrap;

    /** @param  array<string, KeptSolution>  $solutions  by the id of the run */
    public function __construct(Job $job, private readonly array $solutions)
    {
        parent::__construct($job);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'revision' => $this->resource->revision,
            'saved_at' => $this->resource->updated_at->toIso8601String(),
            'step' => $this->resource->step,
            'undo' => OwnUndo::next($this->resource),
            'entries' => $this->entries(),
            'solutions' => array_values(
                array_map(static fn (KeptSolution $one): stdClass => $one->decoded(), $this->solutions),
            ),
            'remembered' => $this->resource->remembered,
        ];
    }

    public function jsonOptions(): int
    {
        return JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES;
    }

    /** Returns the typed texts by field. */
    private function entries(): stdClass
    {
        return (object) $this->resource->entries()
            ->get()
            ->mapWithKeys(
                static fn (TypedEntry $entry): array => [
                    $entry->field => ['typed' => $entry->typed, 'value' => $entry->value],
                ],
            )
            ->all();
    }
}
