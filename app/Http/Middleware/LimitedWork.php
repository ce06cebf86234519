<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Support\WorkTime;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Config;
use Symfony\Component\HttpFoundation\Response;

/**
 * Limits requests that change nothing: answered within BOWLINE_REQUEST_SECONDS or refused in plain words, and abandoned
 * when the client has gone.
 */
final class LimitedWork
{
    /**
     * @param  Closure(Request): Response  $next
     * @param  string  $limit  key of the time in seconds (config/bowline.php)
     */
    public function handle(Request $request, Closure $next, string $limit = 'request_seconds'): Response
    {
        return WorkTime::limit(
            Config::float('bowline.'.$limit),
            static fn (WorkTime $time): Response => $time->run(static fn (): Response => $next($request)),
        );
    }
}
