<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Step;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * A step as schema/api.json describes it.
 *
 * @property-read Step $resource
 */
final class StepResource extends JsonResource
{
    /** What has to be read of a step. */
    public const COLUMNS = ['number', 'name', 'made_at', 'token', 'made_by'];

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'number' => $this->resource->number,
            'name' => $this->resource->name,
            'made_at' => $this->resource->made_at->toIso8601String(),
            'token' => $this->resource->token,
            'by' => $this->resource->made_by,
        ];
    }
}
