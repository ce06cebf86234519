<?php

declare(strict_types=1);

namespace App\Http;

/**
 * Lets a window ask public/live.php about a job for a minute, signed with the key of the application. Plain PHP,
 * because that answers without the framework.
 */
final class LiveToken
{
    /** How long one holds, s; also for how long somebody who is locked out is still told the number of a revision. */
    public const SECONDS = 60;

    public static function of(int $job, int $now, string $key): string
    {
        $until = $now + self::SECONDS;

        return "$job.$until.".self::signature($job, $until, $key);
    }

    /** Returns the job of a token; null when it is not signed by the key, or does not hold any more. */
    public static function jobOf(string $token, int $now, string $key): ?int
    {
        if (preg_match('/^([0-9]{1,15})\.([0-9]{1,15})\.([0-9a-f]{64})$/D', $token, $parts) !== 1) {
            return null;
        }
        [$job, $until] = [(int) $parts[1], (int) $parts[2]];
        $isHeld = $until >= $now && $until <= $now + self::SECONDS;

        return $isHeld && hash_equals(self::signature($job, $until, $key), $parts[3]) ? $job : null;
    }

    private static function signature(int $job, int $until, string $key): string
    {
        return hash_hmac('sha256', "live $job $until", $key);
    }
}
