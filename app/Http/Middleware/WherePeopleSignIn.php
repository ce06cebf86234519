<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\People\People;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Addresses that are there only where people sign in. */
final class WherePeopleSignIn
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        return People::areOn() ? $next($request) : throw new NotFoundHttpException;
    }
}
