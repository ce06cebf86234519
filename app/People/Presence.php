<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Job;
use App\Models\User;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;

/** Windows in which jobs are open, by who has them and what is picked in each. */
final class Presence
{
    /** How far clocks may differ, s. */
    private const CLOCK = 5;

    /** One call in so many forgets windows that are long gone. */
    private const FORGETS = 100;

    /** Notes that somebody has a window of a job. */
    public function note(Job $job, User $user, string $window, mixed $picked): void
    {
        DB::table('job_presences')->upsert([[
            'job_id' => $job->id, 'window' => $window, 'user_id' => $user->id,
            'picked' => json_encode($picked, JSON_THROW_ON_ERROR), 'seen_at' => now(),
        ]], ['job_id', 'window']);
        if (random_int(1, self::FORGETS) === 1) {
            DB::table('job_presences')->where('seen_at', '<', now()->subHour())->delete();
        }
    }

    /** Notes that a window of somebody was closed. */
    public function forget(Job $job, User $user, string $window): void
    {
        DB::table('job_presences')->where('job_id', $job->id)->where('user_id', $user->id)->where('window', $window)
            ->delete();
    }

    /**
     * Returns who else is in a job, each once, with what they have picked in the window that they used last.
     *
     * @return list<array{name: mixed, window: mixed, picked: mixed}>
     */
    public function others(Job $job, User $user): array
    {
        $since = now()->subSeconds(Config::integer('people.present_seconds'));

        return array_values(DB::table('job_presences')->join('users', 'users.id', '=', 'job_presences.user_id')
            ->where('job_id', $job->id)->where('user_id', '!=', $user->id)->where('seen_at', '>=', $since)
            // Whoever was seen later than now was here before the clock was set back.
            ->where('seen_at', '<=', now()->addSeconds(self::CLOCK))
            ->orderByDesc('seen_at')->orderByDesc('job_presences.id')
            ->get(['users.id', 'users.name', 'job_presences.window', 'job_presences.picked'])
            ->unique('id')->sortBy('name')
            ->map(static fn (object $row): array => [
                'name' => $row->name, 'window' => $row->window,
                'picked' => is_string($row->picked) ? json_decode($row->picked, true) : null,
            ])->all());
    }
}
