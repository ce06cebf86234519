<?php

declare(strict_types=1);

namespace App\Http;

/**
 * The host names that Bowline answers to: those of this machine, and those in BOWLINE_HOSTS, separated by commas. Any
 * other name in the Host header belongs to someone else, even where it resolves to this machine (DNS rebinding). Plain
 * PHP, because bin/router.php asks it before the framework is loaded.
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
