<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Team;
use App\Models\User;
use App\People\Mail\PlainMail;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\URL;

/** Invitations into a team: a signed link by which somebody chooses a password. */
final class Invitations
{
    /**
     * Makes somebody who has no password yet, and sends the link.
     *
     * @throws JobError when the address is none, or somebody has it
     */
    public function send(Team $team, Role $role, string $name, Node $email, string $from): User
    {
        $address = mb_strtolower(trim($email->text()));
        if (filter_var($address, FILTER_VALIDATE_EMAIL) === false) {
            throw $email->error('this is no e-mail address');
        }
        if (User::query()->where('email', $address)->exists()) {
            throw $email->error('somebody has this e-mail address already');
        }
        $user = User::query()->create([
            'team_id' => $team->id, 'role' => $role, 'name' => trim($name), 'email' => $address, 'password' => null,
        ]);
        $this->mail($user, $from);

        return $user;
    }

    public function mail(User $user, string $from): void
    {
        Mail::to($user->email)->send(new PlainMail('You are invited to Bowline', 'mail.invitation', [
            'name' => $user->name, 'from' => $from, 'team' => $user->team()->firstOrFail()->name,
            'days' => (string) Config::integer('people.invitation_days'), 'link' => self::link($user),
        ]));
    }

    /** Returns the address of the page at which the invitation is accepted. */
    public static function link(User $user): string
    {
        $signed = URL::temporarySignedRoute(
            'invitation', now()->addDays(Config::integer('people.invitation_days')), ['user' => $user->id], false,
        );

        // The page has the same query, and hands it to the API.
        return url('/invitations/'.$user->id).'?'.parse_url($signed, PHP_URL_QUERY);
    }
}
