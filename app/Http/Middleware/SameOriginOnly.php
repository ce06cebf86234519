<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\SafeHeaders;
use App\Http\TrustedHosts;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * A local server has no login, so the sender decides: requests to a host name that is not Bowline's are refused with
 * 421, and requests that change something are refused with 403 when a page of another origin sends them. Browsers say
 * so in Sec-Fetch-Site and Origin, which pages cannot change; other programs send neither.
 */
final class SameOriginOnly
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $this->refused($request) ?? $next($request);
        foreach (SafeHeaders::ALL as $name => $value) {
            $response->headers->set($name, $value);
        }
        $response->headers->remove('X-Powered-By');

        return $response;
    }

    private function refused(Request $request): ?Response
    {
        $host = $request->headers->get('Host');
        if (! TrustedHosts::trusts($host)) {
            return response()->json(
                ['message' => 'Bowline does not answer to this name. Use 127.0.0.1 or localhost.'],
                421,
            );
        }
        if ($request->getMethod() !== $request->getRealMethod()) {
            return response()->json(['message' => 'A request is what its method says, and no other.'], 405);
        }
        if ($request->isMethodSafe()) {
            return null;
        }
        $site = $request->headers->get('Sec-Fetch-Site');
        $origin = $request->headers->get('Origin');
        $isForeign = ($site !== null && ! in_array($site, ['same-origin', 'none'], true))
            || ($origin !== null && $origin !== $request->getScheme().'://'.$host);

        return $isForeign ? response()->json(['message' => 'Only Bowline’s own page may change a job.'], 403) : null;
    }
}
