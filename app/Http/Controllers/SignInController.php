<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\RequestBody;
use App\Models\Job;
use App\Models\User;
use App\People\Ability;
use App\People\JobPolicy;
use App\People\Passwords;
use App\People\People;
use App\People\SignIn;
use App\People\Trail;
use App\People\TrailKind;
use Bowline\Job\JobError;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Password;
use Illuminate\Support\Str;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Signing in and out, passwords that are chosen anew, invitations, and jobs that are shared by a link. */
final readonly class SignInController
{
    /** What is told of a job to a window. */
    private const OF_JOB = [
        Ability::See, Ability::SeeIssued, Ability::MarkMade, Ability::Edit, Ability::Remark, Ability::Waive,
        Ability::Issue, Ability::Own,
    ];

    public function __construct(private SignIn $signIn)
    {
    }

    /** Returns who has signed in, and what they may do, in the job that the query names too. */
    public function me(Request $request): JsonResponse
    {
        if (! People::areOn()) {
            return response()->json(['people' => false, 'person' => null, 'team' => null, 'may' => []]);
        }
        $user = People::user();
        $job = $request->query->has('job') ? Job::query()->find((int) $request->query->getString('job')) : null;

        return response()->json([
            'people' => true, 'person' => $user?->forApi(), 'team' => $user?->team()->first()?->name,
            'may' => $job === null ? self::mayInTeam($user) : self::mayIn($job, $user),
        ]);
    }

    public function signIn(Request $request): JsonResponse
    {
        $body = RequestBody::of($request, 'signIn');
        $user = $this->signIn->withPassword($request, $body->get('email')->text(), $body->get('password')->text());

        return response()->json(['person' => $user?->forApi(), 'code_needed' => $user === null]);
    }

    public function code(Request $request): JsonResponse
    {
        $user = $this->signIn->withCode($request, RequestBody::of($request, 'secondFactorCode')->get('code')->text());

        return response()->json(['person' => $user->forApi(), 'code_needed' => false]);
    }

    public function signOut(Request $request): Response
    {
        if ($request->hasSession()) {
            $this->signIn->leave($request);
        }

        return response()->noContent();
    }

    /** Sends a link to a new password, and says the same whether somebody has the address or not. */
    public function forgotten(Request $request): Response
    {
        $email = mb_strtolower(trim(RequestBody::of($request, 'forgottenPassword')->get('email')->text()));
        Password::broker()->sendResetLink(['email' => $email, 'disabled_at' => null]);

        return response()->noContent();
    }

    public function newPassword(Request $request): Response
    {
        $body = RequestBody::of($request, 'newPassword');
        $password = Passwords::checked($body->get('password'));
        $status = Password::broker()->reset(
            [
                'email' => mb_strtolower($body->get('email')->text()), 'token' => $body->get('token')->text(),
                'password' => $password,
            ],
            static function (User $user) use ($password): void {
                $user->forceFill(['password' => $password])->save();
                $user->signOutEverywhere();
                $user->tellOf('A new password was chosen by the link that was sent to you.');
                Trail::note(TrailKind::SignIn, 'Chose a new password by a link', null, [], $user);
            },
        );

        return $status === Password::PASSWORD_RESET
            ? response()->noContent()
            : throw JobError::at('/token', 'this link does not hold (any more); ask for another');
    }

    /** Returns whom an invitation is for; its address is signed. */
    public function invitation(Request $request, int $user): JsonResponse
    {
        $invited = self::invited($request, $user);

        return response()->json(['name' => $invited->name, 'email' => $invited->email]);
    }

    public function accept(Request $request, int $user): JsonResponse
    {
        $invited = self::invited($request, $user);
        $invited->forceFill([
            'password' => Passwords::checked(RequestBody::of($request, 'acceptInvitation')->get('password')),
        ]);
        $this->signIn->enter($request, $invited);
        $invited->save();

        return response()->json(['person' => $invited->forApi(), 'code_needed' => false]);
    }

    /** Opens a job by the link by which it is shared. */
    public function shared(Request $request, string $link): JsonResponse
    {
        $job = People::areOn()
            ? Job::query()->where('share_hash', hash('sha256', $link))->first()
            : null;
        if ($job === null || ! $request->hasSession()) {
            throw new NotFoundHttpException;
        }
        SignIn::share($request, $job);

        return response()->json(['job' => $job->id]);
    }

    private static function invited(Request $request, int $user): User
    {
        $found = User::query()->whereNull('password')->whereNull('disabled_at')->find($user);

        return $found !== null && $request->hasValidSignature(false) === true
            ? $found
            : throw JobError::at('', 'this invitation does not hold (any more); ask for another');
    }

    /** @return list<string> */
    private static function mayInTeam(?User $user): array
    {
        return self::words(array_filter(
            [Ability::Browse, Ability::Library, Ability::Lead],
            static fn (Ability $one): bool => $user?->mayInTeam($one) === true,
        ));
    }

    /** @return list<string> */
    private static function mayIn(Job $job, ?User $user): array
    {
        if ($user === null) {
            return (People::current()->shared[$job->id] ?? '') === $job->share_hash
                ? self::words([Ability::See, Ability::SeeIssued])
                : [];
        }
        $gate = Gate::forUser($user);

        return [...self::mayInTeam($user), ...JobPolicy::roleIn($user, $job) === null ? [] : self::words(array_filter(
            self::OF_JOB, static fn (Ability $one): bool => $gate->allows(Str::camel($one->value), $job),
        ))];
    }

    /**
     * @param  array<Ability>  $abilities
     * @return list<string>
     */
    private static function words(array $abilities): array
    {
        return array_values(array_map(static fn (Ability $one): string => $one->value, $abilities));
    }
}
