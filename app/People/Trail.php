<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Job;
use App\Models\User;

/** The trail of who did what, kept by spatie/laravel-activitylog; the database refuses to change or delete of it. */
final class Trail
{
    /** Returns the name of the log of a team. */
    public static function ofTeam(int $team): string
    {
        return "team $team";
    }

    /**
     * Notes something, where people sign in.
     *
     * @param  array<string, mixed>  $details
     */
    public static function note(
        TrailKind $kind,
        string $words,
        ?Job $job = null,
        array $details = [],
        ?User $by = null,
    ): void {
        if (! People::areOn()) {
            return;
        }
        $user = $by ?? People::user();
        $entry = activity(self::ofTeam($job->team_id ?? $user->team_id ?? 0))->event($kind->value)->withProperties([
            ...$details, 'by' => $user->name ?? 'nobody who has signed in', 'job' => $job?->name,
        ]);
        if ($job !== null) {
            $entry->performedOn($job);
        }
        if ($user !== null) {
            $entry->causedBy($user);
        }
        $entry->log($words);
    }
}
