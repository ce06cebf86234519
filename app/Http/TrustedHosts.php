<?php

declare(strict_types=1);

namespace App\Http;

/**
 * The names under which Bowline may be asked: those of this machine itself, and what BOWLINE_HOSTS adds, with commas
 * between. Any other name in the Host header belongs to somebody else, even where it resolves to this machine (DNS
 * rebinding). Plain PHP without the framework: bin/router.php asks it before anything else is read.
 */
final class TrustedHosts
{
    private const LOOPBACK = ['127.0.0.1', 'localhost', '[::1]'];

    /** @param  string|null  $host  the Host header, with its port or without */
    public static function trusts(?string $host): bool
    {
        $name = strtolower((string) preg_replace('/:\d{1,5}$/', '', $host ?? ''));
        $added = getenv('BOWLINE_HOSTS');
        $names = array_map(trim(...), explode(',', strtolower($added === false ? '' : $added)));

        return $name !== '' && in_array($name, [...self::LOOPBACK, ...$names], true);
    }
}
