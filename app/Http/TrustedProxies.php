<?php

declare(strict_types=1);

namespace App\Http;

/** Proxies in front of the server whose word is taken for whom a request comes from (BOWLINE_PROXIES). */
final class TrustedProxies
{
    /** @return list<string> addresses or networks; none unless they are told, separated by commas */
    public static function told(): array
    {
        $told = array_map(trim(...), explode(',', (string) getenv('BOWLINE_PROXIES')));

        return array_values(array_filter($told, static fn (string $one): bool => $one !== ''));
    }
}
