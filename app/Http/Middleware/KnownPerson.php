<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Job;
use App\Models\User;
use App\People\Ability;
use App\People\CurrentPerson;
use App\People\JobPolicy;
use App\People\People;
use App\People\RouteAccess;
use App\People\SignIn;
use App\People\TokenScope;
use App\People\Trail;
use App\People\TrailKind;
use Closure;
use Illuminate\Http\Exceptions\PostTooLargeException;
use Illuminate\Http\Request;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use Laravel\Sanctum\PersonalAccessToken;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/**
 * Where people sign in: finds who sends a request, and refuses what they may not do, by RouteAccess. Files that are
 * taken away are noted in the trail.
 */
final readonly class KnownPerson
{
    /** Most that is read of whoever has not signed in, bytes. */
    private const MOST_BYTES = 100_000;

    public function __construct(private CurrentPerson $current)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        if (! People::areOn()) {
            return $next($request);
        }
        $this->current->user = $this->sender($request);
        if ($this->current->user === null && (int) $request->headers->get('Content-Length') > self::MOST_BYTES) {
            throw new PostTooLargeException;
        }
        $route = $request->route();
        $ability = $route instanceof Route ? RouteAccess::of($route) : null;
        $job = self::job($request);
        $refused = $ability === null
            ? response()->json(['message' => 'Nobody may do this.'], 403)
            : $this->refused($ability, $job);
        if ($refused !== null) {
            return $refused;
        }
        $response = $next($request);
        // Nothing of a team stays behind in a browser, but what is named by its content.
        if (! str_contains($response->headers->get('Cache-Control') ?? '', 'immutable')) {
            $response->headers->set('Cache-Control', 'no-store, private');
        }
        if ($response->isSuccessful() && str_starts_with(
            $response->headers->get('Content-Disposition') ?? '', 'attachment',
        )) {
            Trail::note(TrailKind::Export, 'Took away '.Str::after($request->path(), 'api/'), $job, [
                'query' => $request->query->all(),
            ]);
        }

        return $response;
    }

    /** Returns whoever has signed in with this browser, or to whom the token belongs; null for nobody. */
    private function sender(Request $request): ?User
    {
        $bearer = $request->bearerToken();
        if ($bearer === null) {
            $this->current->shared = SignIn::shared($request);

            return SignIn::user($request);
        }
        $token = PersonalAccessToken::findToken($bearer);
        $user = $token?->tokenable;
        if ($token === null || ! $user instanceof User || ! $user->mayComeIn()
            || ($token->expires_at !== null && $token->expires_at->isPast())) {
            return null;
        }
        $token->forceFill(['last_used_at' => now()])->save();
        $this->current->scopes = array_values(array_filter($token->abilities ?? [], is_string(...)));

        return $user;
    }

    /**
     * Returns the job of the address, a deleted one too: some bring that back.
     *
     * @throws NotFoundHttpException when there is none
     */
    private static function job(Request $request): ?Job
    {
        $job = $request->route('job');

        return match (true) {
            $job === null, $job instanceof Job => $job,
            default => Job::withTrashed()->find((int) (is_scalar($job) ? $job : 0)) ?? throw new NotFoundHttpException,
        };
    }

    private function refused(Ability $ability, ?Job $job): ?Response
    {
        $user = $this->current->user;
        if ($ability === Ability::Anyone) {
            return null;
        }
        if ($user === null && $job !== null && $this->isShared($job, $ability)) {
            return null;
        }
        if ($user === null) {
            return response()->json(['message' => 'Sign in first.'], 401);
        }
        if ($this->current->scopes !== null && ! TokenScope::anyAllows($this->current->scopes, $ability)) {
            return response()->json(['message' => 'The token does not reach so far.'], 403);
        }
        if ($job === null) {
            if ($user->lacksSecondFactor($ability)) {
                $message = 'To lead the team you need a second factor. Put it on under “Your account”.';

                return response()->json(['message' => $message], 403);
            }

            return $user->mayInTeam($ability) ? null : self::forbidden();
        }
        if (Gate::forUser($user)->allows(Str::camel($ability->value), $job)) {
            return null;
        }

        // Whoever has nothing to do with a job is not told that it is there.
        return JobPolicy::roleIn($user, $job) === null ? throw new NotFoundHttpException : self::forbidden();
    }

    /** Whether the job was opened in this browser by its link, which is still good. */
    private function isShared(Job $job, Ability $ability): bool
    {
        $of = JobPolicy::working($job);

        return in_array($ability, [Ability::See, Ability::SeeIssued], true) && $of->share_hash !== null
            && ($this->current->shared[$of->id] ?? null) === $of->share_hash;
    }

    private static function forbidden(): Response
    {
        return response()->json(['message' => 'Your role does not let you do this. Ask an owner of the job.'], 403);
    }
}
