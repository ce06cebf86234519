<?php

declare(strict_types=1);

use App\Models\Team;
use App\Models\User;
use App\People\Role;

const PASSWORD = 'three dry oak planks';

/** Lets people sign in, as bin/bowline-admin people on does. */
function peopleOn(): void
{
    config(['people.on' => true, 'app.url' => 'http://localhost']);
}

/** Somebody of a team, who has accepted the invitation. */
function person(Role $role, string $team = 'Yard', ?string $email = null): User
{
    static $number = 0;
    $number++;

    return User::query()->create([
        'team_id' => Team::query()->firstOrCreate(['name' => $team])->id, 'role' => $role,
        'name' => ucfirst($role->value)." $number", 'email' => $email ?? "$role->value$number@example.org",
        'password' => PASSWORD,
    ]);
}

/** Sends what follows with the browser of somebody; of nobody who has signed in where it is null. */
function by(?User $user, array $more = []): void
{
    test()->flushSession();
    $user?->refresh();
    test()->withSession([...$user === null ? [] : ['user' => $user->id, 'epoch' => $user->sessions_epoch], ...$more]);
}
