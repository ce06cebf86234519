<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\RequestBody;
use App\Models\Job;
use App\People\People;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;

/** Who else is in a job, and what they have picked in the window they used last; windows ask it each second. */
final class PresenceController
{
    public function __invoke(Request $request, Job $job): JsonResponse
    {
        $body = RequestBody::of($request, 'presence');
        $user = People::user();
        $window = $body->get('window')->text();
        if ($user !== null) {
            DB::table('job_presences')->upsert([[
                'job_id' => $job->id, 'window' => $window, 'user_id' => $user->id,
                'picked' => json_encode($body->find('picked')?->value, JSON_THROW_ON_ERROR), 'seen_at' => now(),
            ]], ['job_id', 'window']);
        }
        $since = now()->subSeconds(Config::integer('people.present_seconds'));
        // Rows of those who are long gone: not at each call.
        if (random_int(1, 100) === 1) {
            DB::table('job_presences')->where('seen_at', '<', now()->subHour())->delete();
        }

        return response()->json([
            'revision' => $job->revision, 'step' => $job->step,
            // Whoever has come by a link is not told who works on it.
            'others' => $user === null ? [] : DB::table('job_presences')->join('users', 'users.id', '=', 'job_presences.user_id')
                ->where('job_id', $job->id)->where('user_id', '!=', $user->id)->where('seen_at', '>=', $since)
                ->orderByDesc('seen_at')->orderByDesc('job_presences.id')
                ->get(['users.id', 'users.name', 'job_presences.window', 'job_presences.picked'])
                ->unique('id')->sortBy('name')->values()
                ->map(static fn (object $row): array => [
                    'name' => $row->name, 'window' => $row->window,
                    'picked' => is_string($row->picked) ? json_decode($row->picked, true) : null,
                ])->all(),
        ]);
    }
}
