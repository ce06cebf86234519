<?php

declare(strict_types=1);

namespace App\Models;

use App\People\Ability;
use App\People\Mail\PlainMail;
use App\People\Role;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\Mail;
use Laravel\Sanctum\HasApiTokens;
use Laravel\Sanctum\PersonalAccessToken;

/**
 * Somebody who signs in.
 *
 * @property int $id
 * @property int $team_id
 * @property Role $role in all jobs of the team, where a job does not say otherwise
 * @property string $name
 * @property string $email in small letters
 * @property string|null $password hash; null until the invitation is accepted
 * @property string|null $second_factor secret of the codes, base 32
 * @property Carbon|null $second_factor_at since when a code is asked for
 * @property int $second_factor_step of the last code that was taken: none is taken twice
 * @property list<string>|null $recovery_codes hashes of those that are left
 * @property int $sessions_epoch sessions of an older one are ended
 * @property Carbon|null $disabled_at
 * @property Team $team
 */
final class User extends Authenticatable
{
    /** @use HasApiTokens<PersonalAccessToken> */
    use HasApiTokens;

    protected $table = 'users';

    protected $guarded = [];

    /** @var array<string, mixed> */
    protected $attributes = ['second_factor_step' => 0, 'sessions_epoch' => 0];

    protected $hidden = ['password', 'second_factor', 'recovery_codes', 'remember_token'];

    /** @return BelongsTo<Team, $this> */
    public function team(): BelongsTo
    {
        return $this->belongsTo(Team::class);
    }

    public function mayComeIn(): bool
    {
        return $this->disabled_at === null && $this->password !== null;
    }

    /** Ends all sessions and tokens. */
    public function signOutEverywhere(): void
    {
        $this->tokens()->delete();
        $this->forceFill(['sessions_epoch' => $this->sessions_epoch + 1])->save();
    }

    /** Tells somebody by mail of a change of how they sign in, in case it was not theirs. */
    public function tellOf(string $what): void
    {
        Mail::to($this->email)->send(new PlainMail('A change of how you sign in to Bowline', 'mail.changed', [
            'name' => $this->name, 'what' => $what,
        ]));
    }

    /** Called by Laravel's broker of passwords. */
    public function sendPasswordResetNotification(#[\SensitiveParameter] $token): void
    {
        Mail::to($this->email)->send(new PlainMail('Choose a new password for Bowline', 'mail.password', [
            'name' => $this->name,
            'link' => url('/new-password').'?'.http_build_query(['email' => $this->email, 'token' => $token]),
        ]));
    }

    /** Whether something in the team is theirs to do; to lead it may ask for a second factor. */
    public function mayInTeam(Ability $ability): bool
    {
        return $this->role->can($ability) && ! $this->lacksSecondFactor($ability);
    }

    /** Whether only a second factor is missing for it. */
    public function lacksSecondFactor(Ability $ability): bool
    {
        return $ability === Ability::Lead && $this->role->can($ability) && $this->second_factor_at === null
            && Config::boolean('people.leads_by_second_factor');
    }

    /** @return array<string, mixed> schema/api.json, `person` */
    public function forApi(): array
    {
        return [
            'id' => $this->id, 'name' => $this->name, 'email' => $this->email, 'role' => $this->role->value,
            'second_factor' => $this->second_factor_at !== null, 'invited' => $this->password === null,
            'disabled' => $this->disabled_at !== null,
        ];
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'role' => Role::class, 'password' => 'hashed', 'second_factor' => 'encrypted',
            'second_factor_at' => 'datetime', 'second_factor_step' => 'integer', 'recovery_codes' => 'array',
            'sessions_epoch' => 'integer', 'disabled_at' => 'datetime',
        ];
    }
}
