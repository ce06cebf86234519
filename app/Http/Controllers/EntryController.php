<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Body;
use App\Models\Job;
use Bowline\Job\Entry;
use Bowline\Job\Node;
use Bowline\Job\Values;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Reads what somebody typed into a number field: a number, inches, arithmetic, named values. */
final class EntryController
{
    public function __invoke(Request $request, Job $job): JsonResponse
    {
        $text = Body::of($request, 'entry')->get('text')->text();
        $entry = Entry::read($text, Values::read(new Node($job->named_values)));

        return response()->json(['number' => $entry->number, 'value' => $entry->value]);
    }
}
