<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\Action;
use App\Editing\JobEdits;
use App\Http\JobResponse;
use App\Http\RequestBody;
use App\Models\Job;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Stores the changes of one action of a user. */
final class EditController
{
    public function __invoke(Request $request, Job $job, JobEdits $edits, JobResponse $response): JsonResponse
    {
        $body = RequestBody::of($request, 'edits');
        $since = $body->find('since')?->value;

        return $response->kept($edits->apply($job, Action::read($body)), is_int($since) ? $since : null);
    }
}
