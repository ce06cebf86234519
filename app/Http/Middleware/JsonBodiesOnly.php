<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\BodySize;
use Closure;
use Illuminate\Http\Exceptions\PostTooLargeException;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Accepts bodies only with the media type of JSON or of file bytes: browsers do not let pages of other origins send
 * these without a preflight.
 */
final class JsonBodiesOnly
{
    private const ALLOWED = ['application/json', 'application/octet-stream'];

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $type = strtolower(trim(explode(';', $request->headers->get('Content-Type') ?? '')[0]));
        if (! $request->isMethodSafe() && ! in_array($type, self::ALLOWED, true)) {
            return response()->json(['message' => 'Send JSON, with its content type.'], 415);
        }
        if (BodySize::isTooLarge($request) && ! $request->is('api/jobs/open')) {
            throw new PostTooLargeException;
        }

        return $next($request);
    }
}
