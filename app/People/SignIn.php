<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Job;
use App\Models\User;
use Bowline\Job\JobError;
use Illuminate\Cache\RateLimiter;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\Hash;

/** Signing in with a browser: who has, trying a password and a code, and out again. */
final readonly class SignIn
{
    private const USER = 'user';

    private const EPOCH = 'epoch';

    /** Who has given the right password and has to give a code, and until when. */
    private const WAITING = 'second_factor_of';

    private const WAITING_SECONDS = 300;

    private const SHARED = 'shared';

    /** A hash that no password has: as much work as that of somebody who is there. */
    private const NOBODY = '$argon2id$v=19$m=19456,t=2,p=1$aEdldXpnOHE5WTI2RHlZLw$'
        .'KDb+yZ+R8H8BYv7jreEJPwxdlV+WOISPxefw1zNY0Lk';

    public function __construct(private RateLimiter $limiter)
    {
    }

    /** Returns who has signed in with the browser of a request. */
    public static function user(Request $request): ?User
    {
        $id = $request->hasSession() ? $request->session()->get(self::USER) : null;
        $user = is_int($id) ? User::query()->find($id) : null;

        return $user !== null && $user->mayComeIn() && $request->session()->get(self::EPOCH) === $user->sessions_epoch
            ? $user
            : null;
    }

    /** @return array<int, string> hashes of links that were opened with the browser, by the ids of their jobs */
    public static function shared(Request $request): array
    {
        $shared = $request->hasSession() ? $request->session()->get(self::SHARED) : null;
        $hashes = [];
        foreach (is_array($shared) ? $shared : [] as $job => $hash) {
            if (is_int($job) && is_string($hash)) {
                $hashes[$job] = $hash;
            }
        }

        return $hashes;
    }

    public static function share(Request $request, Job $job): void
    {
        $request->session()->put(self::SHARED, [$job->id => (string) $job->share_hash] + self::shared($request));
    }

    /**
     * Tries a password.
     *
     * @return User|null null where a code is needed yet
     *
     * @throws JobError when it is wrong, or was tried too often
     */
    public function withPassword(Request $request, string $email, string $password): ?User
    {
        self::needsBrowser($request);
        $email = mb_strtolower(trim($email));
        $keys = [
            'sign-in:'.hash('sha256', $email.'|'.$request->ip()) => Config::integer('people.tries'),
            'sign-in:'.$request->ip() => Config::integer('people.tries_of_sender'),
        ];
        $this->refuseTooMany($keys);
        $user = User::query()->where('email', $email)->first();
        // As long with an address that nobody has as with one that somebody has.
        $isRight = Hash::check($password, $user->password ?? self::NOBODY);
        if ($user === null || ! $isRight || ! $user->mayComeIn()) {
            $this->count($keys);
            Trail::note(TrailKind::SignIn, 'A sign-in was refused', null, [
                'email' => $email, 'from' => $request->ip(),
            ], $user);
            throw JobError::at('/password', 'this e-mail address and password do not go together');
        }
        if ($user->second_factor_at !== null) {
            $request->session()->put(self::WAITING, [$user->id, now()->getTimestamp() + self::WAITING_SECONDS]);

            return null;
        }
        $this->enter($request, $user);

        return $user;
    }

    /**
     * Tries the code of whoever has given the right password.
     *
     * @throws JobError
     */
    public function withCode(Request $request, string $code): User
    {
        self::needsBrowser($request);
        $waiting = $request->session()->get(self::WAITING);
        [$id, $until] = is_array($waiting) ? [...$waiting, 0, 0] : [0, 0];
        $user = is_int($id) && $until >= now()->getTimestamp() ? User::query()->find($id) : null;
        if ($user === null || ! $user->mayComeIn()) {
            $request->session()->forget(self::WAITING);
            throw JobError::at('/password', 'sign in with the password again');
        }
        $keys = ['sign-in-code:'.$user->id => Config::integer('people.tries')];
        $this->refuseTooMany($keys);
        if (! Totp::take($user, $code)) {
            $this->count($keys);
            Trail::note(TrailKind::SignIn, 'A code was refused', null, ['from' => $request->ip()], $user);
            throw JobError::at('/code', 'this code does not hold (any more); wait for the next');
        }
        $this->enter($request, $user);

        return $user;
    }

    /**
     * Signs somebody in with the browser of a request, in a session of its own.
     *
     * @throws JobError when it is a script
     */
    public function enter(Request $request, User $user): void
    {
        self::needsBrowser($request);
        $shared = self::shared($request);
        $request->session()->invalidate();
        $request->session()->put([
            self::USER => $user->id, self::EPOCH => $user->sessions_epoch, self::SHARED => $shared,
        ]);
        People::current()->user = $user;
        Trail::note(TrailKind::SignIn, 'Signed in', null, ['from' => $request->ip()], $user);
    }

    public function leave(Request $request): void
    {
        Trail::note(TrailKind::SignIn, 'Signed out');
        $request->session()->invalidate();
        People::current()->user = null;
    }

    /** @throws JobError when a token was sent: it has no session */
    private static function needsBrowser(Request $request): void
    {
        if (! $request->hasSession()) {
            throw JobError::at('', 'with a token nobody signs in: send the request without');
        }
    }

    /** @param  array<string, int>  $keys  and how often each may be tried in a minute */
    private function refuseTooMany(array $keys): void
    {
        foreach ($keys as $key => $most) {
            if ($this->limiter->tooManyAttempts($key, $most)) {
                throw new TooManyTries($this->limiter->availableIn($key));
            }
        }
    }

    /** @param  array<string, int>  $keys */
    private function count(array $keys): void
    {
        foreach (array_keys($keys) as $key) {
            $this->limiter->hit($key, 60);
        }
    }
}
