<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\RequestBody;
use App\Models\Job;
use App\Models\TypedEntry;
use Bowline\Job\Entry;
use Bowline\Job\Node;
use Bowline\Job\Units;
use Bowline\Job\Values;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Evaluates what is typed into a number field: a number, inches, arithmetic, named values. */
final class EntryController
{
    public function __invoke(Request $request, Job $job): JsonResponse
    {
        $body = RequestBody::of($request, 'entry');
        $typed = $body->get('text')->text();
        $entry = Entry::read(
            $typed,
            Values::read(new Node($job->named_values)),
            $body->find('is_length')?->value === true ? Units::read(new Node($job->header())) : null,
        );
        $field = $body->find('field')?->text();
        if ($field !== null) {
            // Stored by field, and shown again while the field has this value.
            TypedEntry::query()->updateOrCreate(
                ['job_id' => $job->id, 'field' => $field],
                ['typed' => trim($typed), 'value' => $entry->value],
            );
        }

        return response()->json(['number' => $entry->number, 'value' => $entry->value]);
    }
}
