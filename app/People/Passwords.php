<?php

declare(strict_types=1);

namespace App\People;

use Bowline\Job\JobError;
use Bowline\Job\Node;

/** What a password has to be: long, and none of those that are tried first. No rules about kinds of characters. */
final class Passwords
{
    public const LEAST = 12;

    public const MOST = 200;

    /** Passwords that are tried first, a line each, in small letters; written by bin/prepare. */
    private const LIST = 'app/common-passwords.txt';

    /** Parts of such, in small letters. */
    private const COMMON = [
        'password', 'passwort', '12345678', 'qwertyui', 'letmein', 'bowline', 'iloveyou', 'admin123',
    ];

    /** @throws JobError */
    public static function checked(Node $node): string
    {
        $password = $node->text();
        $plain = mb_strtolower($password);

        return match (true) {
            mb_strlen($password) < self::LEAST => throw $node->error(sprintf(
                'a password has %d characters at least; a few words are easy to keep in mind', self::LEAST,
            )),
            mb_strlen($password) > self::MOST => throw $node->error(sprintf(
                'a password has %d characters at most', self::MOST,
            )),
            self::isCommon($plain), count(array_unique(mb_str_split($plain))) < 5 => throw $node->error(
                'this password is one of those that are tried first; take another',
            ),
            default => $password,
        };
    }

    /** Whether it is tried first: most of it is common, or it is a common one between digits and signs. */
    private static function isCommon(string $plain): bool
    {
        foreach (self::COMMON as $one) {
            if (str_contains($plain, $one) && mb_strlen($plain) < mb_strlen($one) + 8) {
                return true;
            }
        }
        // "sunshine2026!" is "sunshine" to whoever guesses.
        $word = (string) preg_replace('/^[^\p{L}]+|[^\p{L}]+$/u', '', $plain);
        $file = storage_path(self::LIST);
        $common = is_file($file) ? (array) file($file, FILE_IGNORE_NEW_LINES) : [];

        return in_array($plain, $common, true) || ($word !== '' && in_array($word, $common, true));
    }
}
