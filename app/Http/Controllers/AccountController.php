<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\RequestBody;
use App\Models\User;
use App\People\Passwords;
use App\People\People;
use App\People\SignIn;
use App\People\TokenScope;
use App\People\Totp;
use App\People\Trail;
use App\People\TrailKind;
use Bowline\Drawing\Sheet\QrCode;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Hash;
use Laravel\Sanctum\PersonalAccessToken;

/** What somebody changes of themselves: the password, the second factor, sessions, and tokens of scripts. */
final readonly class AccountController
{
    /** Days for which a token holds at most. */
    private const TOKEN_DAYS = 366;

    public function __construct(private SignIn $signIn)
    {
    }

    public function signOutEverywhere(Request $request): Response
    {
        self::person()->signOutEverywhere();
        $this->signIn->leave($request);

        return response()->noContent();
    }

    /** Changes the password; all other sessions, and tokens, are ended. */
    public function password(Request $request): Response
    {
        $body = RequestBody::of($request, 'changePassword');
        $user = self::sure($body->get('now'));
        $user->forceFill(['password' => Passwords::checked($body->get('password'))])->save();
        $user->signOutEverywhere();
        $this->signIn->enter($request, $user);
        $user->tellOf('Your password was changed.');

        return response()->noContent();
    }

    /** Begins a second factor: it is asked for once a code of it was given. */
    public function beginSecondFactor(Request $request): JsonResponse
    {
        $user = self::sure(RequestBody::of($request, 'ownPassword')->get('password'));
        if ($user->second_factor_at !== null) {
            throw JobError::at('', 'there is a second factor already; take that off first');
        }
        $secret = Totp::secret();
        $user->forceFill(['second_factor' => $secret])->save();

        return response()->json([
            'secret' => $secret, 'modules' => QrCode::modules(Totp::address($user, $secret)),
        ]);
    }

    public function confirmSecondFactor(Request $request): JsonResponse
    {
        $user = self::person();
        $code = RequestBody::of($request, 'secondFactorCode')->get('code');
        if ($user->second_factor === null || $user->second_factor_at !== null || ! Totp::take($user, $code->text())) {
            throw $code->error('this is not the code that it shows now');
        }
        $codes = Totp::recoveryCodes();
        $user->forceFill([
            'second_factor_at' => now(), 'recovery_codes' => array_map(Totp::hashOf(...), $codes),
        ])->save();
        $user->tellOf('A second factor was put on.');
        Trail::note(TrailKind::Account, 'Put on a second factor');

        return response()->json(['recovery_codes' => $codes]);
    }

    public function removeSecondFactor(Request $request): Response
    {
        $user = self::sure(RequestBody::of($request, 'ownPassword')->get('password'));
        $user->forceFill(['second_factor' => null, 'second_factor_at' => null, 'recovery_codes' => null])->save();
        $user->tellOf('The second factor was taken off.');
        Trail::note(TrailKind::Account, 'Took off the second factor');

        return response()->noContent();
    }

    public function tokens(): JsonResponse
    {
        return response()->json(['tokens' => self::person()->tokens()->orderBy('id')->get()->map(
            static fn (PersonalAccessToken $token): array => self::token($token),
        )->all()]);
    }

    /** Makes a token; its text is told this once. */
    public function makeToken(Request $request): JsonResponse
    {
        $body = RequestBody::of($request, 'newToken');
        $days = $body->get('days')->value;
        $scopes = array_map(static fn (Node $scope): string => $scope->text(), $body->list('scopes'));
        $name = trim($body->get('name')->text());
        $made = self::person()->createToken(
            $name, $scopes, now()->addDays(min(self::TOKEN_DAYS, is_int($days) ? $days : 1)),
        );
        Trail::note(TrailKind::Account, 'Made a token: '.$name, null, ['scopes' => $scopes]);

        return response()->json([
            ...self::token($made->accessToken), 'text' => $made->plainTextToken,
        ], 201);
    }

    public function revokeToken(int $token): Response
    {
        self::person()->tokens()->whereKey($token)->delete();
        Trail::note(TrailKind::Account, 'Took back a token');

        return response()->noContent();
    }

    /** @return array<string, mixed> */
    private static function token(PersonalAccessToken $token): array
    {
        return [
            'id' => $token->id, 'name' => $token->name,
            'scopes' => array_values(array_filter(
                array_column(TokenScope::cases(), 'value'),
                static fn (string $scope): bool => in_array($scope, $token->abilities ?? [], true),
            )),
            'last_used_at' => $token->last_used_at?->toIso8601String(),
            'expires_at' => $token->expires_at?->toIso8601String(),
        ];
    }

    private static function person(): User
    {
        return People::user() ?? throw new AuthenticationException;
    }

    /** Returns whoever has signed in once they have shown that they know the password, too. */
    private static function sure(Node $password): User
    {
        $user = self::person();

        return Hash::check($password->text(), (string) $user->password)
            ? $user
            : throw $password->error('this is not your password');
    }
}
