<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Accepts only query parameters that are plain text, once each and without control characters. */
final class PlainQuery
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        foreach ($request->query->all() as $name => $value) {
            if ($value === null) {
                // Laravel turns an empty text into null.
                continue;
            }
            if (
                ! is_string($value) ||
                preg_match('/[\x00-\x08]/', $value) === 1 ||
                ! mb_check_encoding($value, 'UTF-8')
            ) {
                return response()->json(
                    [
                        'message' => sprintf('“%s” must be a text', mb_substr($name, 0, 40)),
                        'pointer' => '/'.mb_substr($name, 0, 40),
                    ],
                    422,
                );
            }
        }

        return $next($request);
    }
}
