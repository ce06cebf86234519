<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Bodies are JSON and say so, or bytes of a file. There is no login on a local server; asking for this content type keeps
 * pages from other origins from writing here, since browsers do not let them send it unasked.
 */
final class JsonBodiesOnly
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $isAllowed = $request->isJson() || $request->header('Content-Type') === 'application/octet-stream';
        if (! $request->isMethodSafe() && ! $isAllowed) {
            return response()->json(['message' => 'Send JSON, with its content type.'], 415);
        }

        return $next($request);
    }
}
