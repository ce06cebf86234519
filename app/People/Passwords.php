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

    /** Parts of passwords that are tried first, in small letters. */
    private const COMMON = [
        'password', 'passwort', '12345678', 'qwertyui', 'letmein', 'bowline', 'iloveyou', 'admin123',
    ];

    /** @throws JobError */
    public static function checked(Node $node): string
    {
        $password = $node->text();
        $plain = mb_strtolower($password);
        $isCommon = array_filter(
            self::COMMON, static fn (string $one): bool => str_contains($plain, $one)
                && mb_strlen($password) < mb_strlen($one) + 8,
        ) !== [];

        return match (true) {
            mb_strlen($password) < self::LEAST => throw $node->error(sprintf(
                'a password has %d characters at least; a few words are easy to keep in mind', self::LEAST,
            )),
            mb_strlen($password) > self::MOST => throw $node->error(sprintf(
                'a password has %d characters at most', self::MOST,
            )),
            $isCommon, count(array_unique(mb_str_split($plain))) < 5 => throw $node->error(
                'this password is one of those that are tried first; take another',
            ),
            default => $password,
        };
    }
}
