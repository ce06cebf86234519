<?php

declare(strict_types=1);

use App\Http\TrustedProxies;
use App\Models\User;
use App\People\Invitations;
use App\People\Mail\PlainMail;
use App\People\Role;
use App\People\Totp;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Mail;
use Illuminate\Testing\TestResponse;
use Spatie\Activitylog\Models\Activity;

beforeEach(function (): void {
    peopleOn();
    Mail::fake();
});

function signIn(User $user, string $password = PASSWORD): TestResponse
{
    return test()->postJson('/api/sign-in', ['email' => $user->email, 'password' => $password]);
}

/** Turns the second factor of somebody on, and returns its recovery codes. */
function secondFactor(User $user): array
{
    $codes = Totp::recoveryCodes();
    $user->forceFill([
        'second_factor' => Totp::secret(), 'second_factor_at' => now(),
        'recovery_codes' => array_map(Totp::hashOf(...), $codes),
    ])->save();

    return $codes;
}

function codeOf(User $user, int $later = 0): string
{
    return Totp::code((string) $user->second_factor, intdiv(now()->getTimestamp(), 30) + $later);
}

/** Returns the link of the mail that was sent last. */
function mailedLink(string $to): string
{
    $link = '';
    Mail::assertSent(PlainMail::class, static function (PlainMail $mail) use ($to, &$link): bool {
        preg_match('#http\S+#', $mail->hasTo($to) ? $mail->render() : '', $found);
        $link = html_entity_decode($found[0] ?? $link);

        return true;
    });

    return (string) parse_url($link, PHP_URL_PATH).'?'.parse_url($link, PHP_URL_QUERY);
}

it('signs in with the password, and out again', function (): void {
    $user = person(Role::Designer);
    test()->getJson('/api/jobs')->assertUnauthorized()->assertJson(['message' => 'Sign in first.']);
    $before = session()->getId();
    signIn($user)->assertOk()->assertJson(['code_needed' => false, 'person' => ['email' => $user->email]]);
    // A session of its own, so that nobody has put theirs under it.
    expect(session()->getId())->not->toBe($before);
    test()->getJson('/api/me')->assertJson(['people' => true, 'person' => ['name' => $user->name], 'team' => 'Yard']);
    test()->getJson('/api/jobs')->assertOk();
    test()->postJson('/api/sign-out', [])->assertNoContent();
    test()->getJson('/api/jobs')->assertUnauthorized();
});

it('signs nobody in with a token, which has no session', function (): void {
    $user = person(Role::Owner);
    test()->flushSession();
    test()->withToken($user->createToken('script', ['read'])->plainTextToken);
    $invited = tap(person(Role::Viewer), static fn (User $one) => $one->forceFill(['password' => null])->save());
    $link = parse_url(Invitations::link($invited), PHP_URL_PATH).'?'
        .parse_url(Invitations::link($invited), PHP_URL_QUERY);
    signIn($user)->assertUnprocessable()->assertJsonPath('pointer', '');
    test()->postJson('/api/sign-in/code', ['code' => '123456'])->assertUnprocessable();
    test()->postJson('/api/sign-out', [])->assertNoContent();
    test()->postJson('/api'.$link, ['password' => PASSWORD])->assertUnprocessable()->assertJsonPath('pointer', '');
    expect($invited->refresh()->password)->toBeNull();
    test()->postJson('/api/shared/'.str_repeat('a', 40), [])->assertNotFound();
});

it('keeps passwords by argon2id alone', function (): void {
    // As a server is told it; tests have less work of it.
    config(['hashing' => require config_path('hashing.php')]);
    Hash::forgetDrivers();
    $kept = (string) person(Role::Viewer)->getAttributes()['password'];
    expect($kept)->toStartWith('$argon2id$v=19$m=19456,t=2,p=1$')->and(password_verify(PASSWORD, $kept))->toBeTrue();
});

it('says the same of a wrong password, an unknown address, and whoever may not come in', function (): void {
    $user = person(Role::Designer);
    $out = person(Role::Designer);
    $out->forceFill(['disabled_at' => now()])->save();
    $invited = person(Role::Designer);
    $invited->forceFill(['password' => null])->save();
    foreach ([[$user->email, 'wrong'], ['nobody@example.org', PASSWORD], [$out->email, PASSWORD],
        [$invited->email, PASSWORD]] as [$email, $password]) {
        test()->postJson('/api/sign-in', ['email' => $email, 'password' => $password])->assertUnprocessable()
            ->assertExactJson([
                'message' => 'this e-mail address and password do not go together', 'pointer' => '/password',
            ]);
    }
});

it('reads no large bodies of whoever has not signed in', function (): void {
    $body = json_encode(['email' => 'a@example.org', 'password' => str_repeat('x', 100_001)], JSON_THROW_ON_ERROR);
    $send = static fn () => test()->call('POST', '/api/sign-in', [], [], [], [
        'CONTENT_TYPE' => 'application/json', 'HTTP_CONTENT_LENGTH' => (string) strlen($body),
    ], $body)->assertStatus(413);
    $send();
});

it('slows down whoever tries passwords', function (): void {
    $user = person(Role::Designer);
    for ($i = 0; $i < 5; $i++) {
        signIn($user, "wrong $i")->assertUnprocessable();
    }
    signIn($user)->assertTooManyRequests()->assertHeader('Retry-After');
    // Others come in, and so does everybody a minute later.
    signIn(person(Role::Viewer))->assertOk();
    test()->travel(61)->seconds();
    signIn($user)->assertOk();
});

it('believes of no sender but a proxy that it is told of for whom a request comes', function (
    string $told, bool $isBelieved,
): void {
    putenv('BOWLINE_PROXIES='.$told);
    TrustProxies::at(TrustedProxies::told());
    try {
        $statuses = [];
        foreach (range(1, 7) as $number) {
            $statuses[] = test()->withServerVariables(['REMOTE_ADDR' => '10.0.0.1'])
                ->withHeaders(['X-Forwarded-For' => "192.0.2.$number"])
                ->postJson('/api/sign-in', ['email' => 'nobody@example.org', 'password' => PASSWORD])->status();
        }
        // Five tries a minute of one sender.
        expect($statuses[6])->toBe($isBelieved ? 422 : 429);
    } finally {
        putenv('BOWLINE_PROXIES');
        TrustProxies::at([]);
    }
})->with([['', false], ['10.0.0.2', false], ['10.0.0.2, 10.0.0.1', true]]);

it('asks for a code where there is a second factor, and takes each code once', function (): void {
    test()->freezeTime();
    $user = person(Role::Owner);
    [$recovery] = secondFactor($user);
    signIn($user)->assertOk()->assertExactJson(['code_needed' => true, 'person' => null]);
    test()->getJson('/api/jobs')->assertUnauthorized();
    test()->postJson('/api/sign-in/code', ['code' => '000000'])->assertUnprocessable()
        ->assertJsonPath('pointer', '/code');
    $code = codeOf($user);
    test()->postJson('/api/sign-in/code', ['code' => $code])->assertOk();
    test()->getJson('/api/jobs')->assertOk();
    test()->postJson('/api/sign-out', []);
    signIn($user);
    test()->postJson('/api/sign-in/code', ['code' => $code])->assertUnprocessable();
    test()->postJson('/api/sign-in/code', ['code' => strtoupper($recovery)])->assertOk();
    test()->postJson('/api/sign-out', []);
    signIn($user);
    test()->postJson('/api/sign-in/code', ['code' => $recovery])->assertUnprocessable();
    // The password has to be given again after five minutes.
    test()->travel(301)->seconds();
    test()->postJson('/api/sign-in/code', ['code' => codeOf($user)])->assertUnprocessable()
        ->assertJsonPath('pointer', '/password');
});

it('slows down whoever tries codes', function (): void {
    $user = person(Role::Owner);
    secondFactor($user);
    signIn($user);
    for ($i = 0; $i < 5; $i++) {
        test()->postJson('/api/sign-in/code', ['code' => "00000$i"])->assertUnprocessable();
    }
    test()->postJson('/api/sign-in/code', ['code' => codeOf($user)])->assertTooManyRequests();
});

it('puts a second factor on once a code of it was given, and takes it off with the password', function (): void {
    $user = person(Role::Designer);
    by($user);
    test()->postJson('/api/me/second-factor', ['password' => 'wrong'])->assertUnprocessable();
    $begun = test()->postJson('/api/me/second-factor', ['password' => PASSWORD])->assertOk();
    expect($begun->json('modules'))->not->toBe([]);
    signIn($user)->assertJson(['code_needed' => false]);
    test()->postJson('/api/me/second-factor/confirmed', ['code' => '12'])->assertUnprocessable();
    $codes = test()->postJson('/api/me/second-factor/confirmed', ['code' => codeOf($user->refresh())])->assertOk()
        ->json('recovery_codes');
    expect($codes)->toHaveCount(8);
    signIn($user)->assertJson(['code_needed' => true]);
    test()->postJson('/api/sign-in/code', ['code' => $codes[0]])->assertOk();
    test()->postJson('/api/me/second-factor/off', ['password' => PASSWORD])->assertNoContent();
    signIn($user)->assertJson(['code_needed' => false]);
    // The secret is not kept as it is.
    by($user);
    $secret = test()->postJson('/api/me/second-factor', ['password' => PASSWORD])->json('secret');
    expect((string) $user->refresh()->getRawOriginal('second_factor'))->not->toContain($secret);
});

it('lets nobody lead a team without a second factor, where that is asked', function (bool $isAsked): void {
    config(['people.leads_by_second_factor' => $isAsked]);
    $owner = person(Role::Owner);
    $other = person(Role::Viewer);
    by($owner);
    $status = $isAsked ? 403 : 200;
    $invited = ['name' => 'New', 'email' => 'new@example.org', 'role' => 'viewer'];
    expect(in_array('lead', test()->getJson('/api/me')->json('may'), true))->toBe(! $isAsked);
    $asked = [
        test()->getJson('/api/trail'), test()->get('/api/trail.csv'),
        test()->postJson("/api/people/$other->id", ['role' => 'designer']),
    ];
    foreach ($asked as $answer) {
        expect($answer->status())->toBe($status);
    }
    test()->postJson('/api/people', $invited)->assertStatus($isAsked ? 403 : 201);
    expect(str_contains((string) $asked[2]->json('message'), 'second factor'))->toBe($isAsked);
    // All else of an owner's is as it was, and with the factor all of it.
    test()->getJson('/api/people')->assertOk();
    test()->getJson('/api/jobs')->assertOk();
    $owner->forceFill(['second_factor' => Totp::secret(), 'second_factor_at' => now()])->save();
    by($owner);
    test()->getJson('/api/trail')->assertOk();
    test()->postJson("/api/people/$other->id", ['role' => 'checker'])->assertOk();
    // Who does not lead is not told of one.
    by($other);
    expect(test()->getJson('/api/trail')->assertForbidden()->json('message'))->not->toContain('second factor');
})->with([true, false]);

it('invites by a signed link, which is good once and for a week', function (): void {
    $owner = person(Role::Owner);
    by($owner);
    test()->postJson('/api/people', ['name' => 'Ida Voss', 'email' => 'Ida@Example.org', 'role' => 'designer'])
        ->assertCreated()->assertJson(['invited' => true, 'email' => 'ida@example.org']);
    test()->postJson('/api/people', ['name' => 'Ida', 'email' => 'ida@example.org', 'role' => 'viewer'])
        ->assertUnprocessable()->assertJsonPath('pointer', '/email');
    $link = '/api'.mailedLink('ida@example.org');
    by(null);
    test()->getJson($link)->assertOk()->assertExactJson(['name' => 'Ida Voss', 'email' => 'ida@example.org']);
    test()->getJson(str_replace('signature=', 'signature=0', $link))->assertUnprocessable();
    foreach (['too short', 'password1234', 'aaaaaaaaaaaaaaaa', 'Sunshine-2026', '1q2w3e4r5t6y'] as $password) {
        test()->postJson($link, ['password' => $password])->assertUnprocessable()
            ->assertJsonPath('pointer', '/password');
    }
    test()->travel(8)->days();
    test()->postJson($link, ['password' => PASSWORD])->assertUnprocessable();
    test()->travelBack();
    test()->postJson($link, ['password' => PASSWORD])->assertOk()->assertJson(['person' => ['name' => 'Ida Voss']]);
    test()->getJson('/api/jobs')->assertOk();
    test()->postJson($link, ['password' => 'another long one'])->assertUnprocessable();
});

it('chooses a new password by a link that is sent, which ends all sessions and tokens', function (): void {
    $user = person(Role::Designer);
    $token = $user->createToken('script', ['read'])->plainTextToken;
    by(null);
    foreach ([$user->email, 'nobody@example.org'] as $email) {
        test()->postJson('/api/password/forgotten', ['email' => $email])->assertNoContent();
    }
    Mail::assertSentCount(1);
    $told = static fn (PlainMail $mail): bool => str_contains($mail->render(), 'A new password was chosen');
    parse_str((string) parse_url(mailedLink($user->email), PHP_URL_QUERY), $query);
    $body = ['email' => $user->email, 'token' => $query['token'], 'password' => 'four wet oak planks'];
    test()->postJson('/api/password/new', [...$body, 'token' => 'guessed'])->assertUnprocessable();
    Mail::assertNotSent(PlainMail::class, $told);
    test()->postJson('/api/password/new', $body)->assertNoContent();
    Mail::assertSent(PlainMail::class, $told);
    test()->postJson('/api/password/new', $body)->assertUnprocessable();
    signIn($user)->assertUnprocessable();
    signIn($user, 'four wet oak planks')->assertOk();
    test()->flushSession();
    test()->withToken($token)->getJson('/api/jobs')->assertUnauthorized();
});

it('signs out everywhere, and wherever the password was changed elsewhere', function (): void {
    $user = person(Role::Designer);
    by($user);
    $here = session()->all();
    test()->postJson('/api/me/password', ['now' => 'wrong', 'password' => 'four wet oak planks'])
        ->assertUnprocessable()->assertJsonPath('pointer', '/now');
    test()->postJson('/api/me/password', ['now' => PASSWORD, 'password' => 'four wet oak planks'])->assertNoContent();
    test()->getJson('/api/jobs')->assertOk();
    // Another browser, which signed in before.
    test()->flushSession();
    test()->withSession($here)->getJson('/api/jobs')->assertUnauthorized();
    by($user);
    test()->postJson('/api/me/sign-out-everywhere', [])->assertNoContent();
    test()->getJson('/api/jobs')->assertUnauthorized();
});

it('locks somebody out at once, and keeps an owner', function (): void {
    $owner = person(Role::Owner);
    $user = person(Role::Designer);
    by($owner);
    test()->postJson("/api/people/$owner->id", ['role' => 'viewer'])->assertUnprocessable()
        ->assertJsonPath('pointer', '/role');
    test()->postJson("/api/people/$owner->id", ['disabled' => true])->assertUnprocessable();
    test()->postJson("/api/people/$user->id", ['role' => 'checker', 'disabled' => true])->assertOk()
        ->assertJson(['role' => 'checker', 'disabled' => true]);
    by($user);
    test()->getJson('/api/jobs')->assertUnauthorized();
    // Of another team nobody is there.
    by(person(Role::Owner, 'Other yard'));
    test()->postJson("/api/people/$user->id", ['role' => 'owner'])->assertNotFound();
    expect(test()->getJson('/api/people')->json('people'))->toHaveCount(1);
});

it('makes tokens whose text is told once, and takes them back', function (): void {
    by(person(Role::Designer));
    $made = test()->postJson('/api/me/tokens', ['name' => 'Night run', 'scopes' => ['read'], 'days' => 30])
        ->assertCreated();
    expect($made->json('text'))->toContain('bowline_');
    expect(test()->getJson('/api/me/tokens')->json('tokens.0'))->not->toHaveKey('text')
        ->toMatchArray(['name' => 'Night run', 'scopes' => ['read'], 'last_used_at' => null]);
    test()->postJson('/api/me/tokens', ['name' => 'All', 'scopes' => ['*'], 'days' => 30])->assertUnprocessable();
    $id = $made->json('id');
    by(person(Role::Owner));
    test()->deleteJson("/api/me/tokens/$id")->assertNoContent();
    test()->flushSession();
    $asked = static fn () => test()->withToken($made->json('text'))->getJson('/api/jobs');
    $asked()->assertOk();
    User::query()->orderBy('id')->firstOrFail()->tokens()->delete();
    $asked()->assertUnauthorized();
});

it('is turned on with a first owner, to whose team all belongs that was there', function (): void {
    config(['people.on' => false]);
    $job = demo();
    $marker = storage_path('app/people');
    $was = is_file($marker);
    test()->artisan('bowline:people', ['do' => 'on', 'email' => 'maud@example.org'])->assertFailed();
    test()->artisan('bowline:people', ['do' => 'on', 'email' => 'maud', 'name' => 'Maud Larsen'])->assertFailed();
    test()->artisan('bowline:people', [
        'do' => 'on', 'email' => 'maud@example.org', 'name' => 'Maud Larsen', 'team' => 'Cleat yard',
    ])->expectsOutputToContain('/invitations/')->assertSuccessful();
    expect(is_file($marker))->toBeTrue();
    test()->artisan('bowline:people', ['do' => 'off'])->assertSuccessful();
    expect(is_file($marker))->toBeFalse();
    if ($was) {
        touch($marker);
    }
    peopleOn();
    $owner = User::query()->firstOrFail();
    by(null);
    test()->postJson('/api'.parse_url(Invitations::link($owner), PHP_URL_PATH).'?'
        .parse_url(Invitations::link($owner), PHP_URL_QUERY), ['password' => PASSWORD])->assertOk();
    expect(test()->getJson('/api/jobs')->json('*.id'))->toBe([(int) basename($job)]);
    test()->getJson('/api/me?job='.basename($job))->assertJson(['team' => 'Cleat yard']);
    expect(Activity::query()->where('event', 'sign-in')->count())->toBe(1);
});
