<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\People\People;
use Closure;
use Illuminate\Cookie\Middleware\AddQueuedCookiesToResponse;
use Illuminate\Cookie\Middleware\EncryptCookies;
use Illuminate\Http\Request;
use Illuminate\Pipeline\Pipeline;
use Illuminate\Session\Middleware\StartSession;
use Symfony\Component\HttpFoundation\Response;

/** Starts a session where people sign in. On one desk there is none, and no cookie. */
final readonly class SessionOfPeople
{
    public function __construct(private Pipeline $pipeline)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        // A script with a token has no session either.
        if (! People::areOn() || $request->bearerToken() !== null) {
            return $next($request);
        }
        $response = $this->pipeline->send($request)->through([
            EncryptCookies::class, AddQueuedCookiesToResponse::class, StartSession::class,
        ])->then($next);
        assert($response instanceof Response);

        return $response;
    }
}
