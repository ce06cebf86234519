<?php

declare(strict_types=1);

namespace App\People;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Codes of a second factor: RFC 6238 (HMAC-SHA-1, six digits, 30 s), by which any authenticator works. Written here
 * because no package of it is to be had where Bowline is built; tests/Feature/People/TotpTest.php has the vectors of
 * the RFC.
 */
final class Totp
{
    private const STEP = 30;

    private const DIGITS = 6;

    /** Steps by which the clock of an authenticator may be off, either way. */
    private const DRIFT = 1;

    /** Alphabet of base 32 (RFC 4648). */
    private const BASE_32 = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    private const RECOVERY_CODES = 8;

    /** Returns a secret of 160 bits, as RFC 4226 recommends, in base 32. */
    public static function secret(): string
    {
        $text = '';
        foreach (str_split(random_bytes(32)) as $byte) {
            $text .= self::BASE_32[ord($byte) % 32];
        }

        return $text;
    }

    /** @param  string  $secret  in base 32 */
    public static function code(string $secret, int $step, int $digits = self::DIGITS): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), self::bytes($secret), true);
        $offset = ord($hash[19]) & 0xF;
        $number = (ord($hash[$offset]) & 0x7F) << 24 | ord($hash[$offset + 1]) << 16 | ord($hash[$offset + 2]) << 8
            | ord($hash[$offset + 3]);

        return str_pad((string) ($number % 10 ** $digits), $digits, '0', STR_PAD_LEFT);
    }

    /** Returns the step of a code that holds now; null where it does not. */
    public static function stepOf(string $secret, string $code, ?int $now = null): ?int
    {
        $step = intdiv($now ?? now()->getTimestamp(), self::STEP);
        for ($drift = -self::DRIFT; $drift <= self::DRIFT; $drift++) {
            if (hash_equals(self::code($secret, $step + $drift), $code)) {
                return $step + $drift;
            }
        }

        return null;
    }

    /** Takes a code of an authenticator, or a recovery code, of somebody: each once. */
    public static function take(User $user, string $typed): bool
    {
        $code = strtolower(str_replace([' ', '-'], '', $typed));

        return DB::transaction(static function () use ($user, $code): bool {
            // Nobody else takes the same code meanwhile: the transaction locks the database (ImmediateConnection).
            $user->refresh();
            $step = self::stepOf((string) $user->second_factor, $code);
            if ($step !== null && $step > $user->second_factor_step) {
                $user->forceFill(['second_factor_step' => $step])->save();

                return true;
            }
            $left = $user->recovery_codes ?? [];
            $kept = array_values(array_filter(
                $left, static fn (string $one): bool => ! hash_equals($one, hash('sha256', $code)),
            ));
            if (count($kept) < count($left)) {
                $user->forceFill(['recovery_codes' => $kept])->save();

                return true;
            }

            return false;
        });
    }

    /** Returns what authenticators scan. */
    public static function address(User $user, string $secret): string
    {
        return sprintf('otpauth://totp/%s?secret=%s&issuer=Bowline', rawurlencode('Bowline:'.$user->email), $secret);
    }

    /** @return list<string> codes that are used once each, where the authenticator is lost */
    public static function recoveryCodes(): array
    {
        return array_map(
            static fn (): string => strtolower(Str::random(5).'-'.Str::random(5)), range(1, self::RECOVERY_CODES),
        );
    }

    /** Returns the hash by which a recovery code is kept. It has 50 bits and more of chance: no salt is needed. */
    public static function hashOf(string $recoveryCode): string
    {
        return hash('sha256', str_replace('-', '', $recoveryCode));
    }

    private static function bytes(string $base32): string
    {
        $bits = '';
        foreach (str_split($base32) as $letter) {
            $bits .= str_pad(decbin((int) strpos(self::BASE_32, $letter)), 5, '0', STR_PAD_LEFT);
        }

        return implode('', array_map(
            static fn (string $byte): string => chr((int) bindec($byte)),
            array_filter(str_split($bits, 8), static fn (string $byte): bool => strlen($byte) === 8),
        ));
    }
}
