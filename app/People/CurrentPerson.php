<?php

declare(strict_types=1);

namespace App\People;

use App\Models\User;

/** Who sends the request, or for which team something works on the queue. One to a request (AppServiceProvider). */
final class CurrentPerson
{
    public ?User $user = null;

    /** @var list<string>|null scopes of the token that was sent; null where somebody has signed in with a browser */
    public ?array $scopes = null;

    /** @var array<int, string> hashes of links by which jobs are shared with this browser, by the ids of the jobs */
    public array $shared = [];

    private int $team = 0;

    /** Returns the id of the team; 0 where there is none, and on one desk. */
    public function team(): int
    {
        return $this->user->team_id ?? $this->team;
    }

    /** Works for a team until the end of a task. */
    public function workFor(int $team): void
    {
        $this->team = $team;
    }
}
