<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Job;
use App\Models\User;

/** The trail of who did what, kept by spatie/laravel-activitylog; the database refuses to change or delete of it. */
final class Trail
{
    /**
     * Notes something, where people sign in.
     *
     * @param  string  $event  "edit", "export", "sign-in" …
     * @param  array<string, mixed>  $details
     */
    public static function note(
        string $event,
        string $words,
        ?Job $job = null,
        array $details = [],
        ?User $by = null,
    ): void {
        if (! People::areOn()) {
            return;
        }
        $user = $by ?? People::user();
        $entry = activity()->event($event)->withProperties([
            ...$details, 'team' => $job->team_id ?? $user->team_id ?? 0, 'by' => $user->name ?? 'a link',
            'job' => $job?->name,
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
