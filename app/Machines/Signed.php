<?php

declare(strict_types=1);

namespace App\Machines;

use RuntimeException;

/** Values as they go through Redis: serialized, and signed so that nobody else's are read. */
final class Signed
{
    /** Bytes of a signature (HMAC with SHA-256). */
    private const LENGTH = 32;

    public static function pack(mixed $value): string
    {
        $text = (string) gzcompress(serialize($value), 1);

        return hash_hmac('sha256', $text, self::key(), true).$text;
    }

    /** @throws TaskGivenUp when it is signed by another key, or damaged */
    public static function unpack(string $signed): mixed
    {
        [$signature, $text] = [substr($signed, 0, self::LENGTH), substr($signed, self::LENGTH)];
        if (! hash_equals(hash_hmac('sha256', $text, self::key(), true), $signature)) {
            throw new TaskGivenUp('It is not signed by the key of these machines (BOWLINE_MACHINES_KEY).');
        }

        return unserialize((string) gzuncompress($text));
    }

    private static function key(): string
    {
        $key = config('machines.key') ?? config('app.key');

        return is_string($key) && $key !== '' ? $key : throw new RuntimeException('BOWLINE_MACHINES_KEY is not told.');
    }
}
