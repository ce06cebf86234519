<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Live;
use App\Http\RequestBody;
use App\Models\Job;
use App\People\People;
use App\People\Presence;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Who else is in a job: windows tell what is picked in them, and that they are closed, and ask it. */
final class PresenceController
{
    public function __invoke(Request $request, Job $job, Presence $presence): JsonResponse
    {
        $body = RequestBody::of($request, 'presence');
        $user = People::user();
        if ($user !== null) {
            $window = $body->get('window')->text();
            $body->find('gone')?->value === true
                ? $presence->forget($job, $user, $window)
                : $presence->note($job, $user, $window, $body->find('picked')?->value);
        }
        Live::refresh($job->id);

        return response()->json([
            'revision' => $job->revision, 'step' => $job->step, 'live' => Live::query($job),
            // Whoever has come by a link is not told who works on it.
            'others' => $user === null ? [] : $presence->others($job, $user),
        ]);
    }
}
