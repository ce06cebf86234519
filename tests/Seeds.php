<?php

declare(strict_types=1);

namespace Tests;

/**
 * Which of many random cases a run of the tests looks at: the first part of them, so that bin/test stays quick, or all
 * of them with BOWLINE_ALL_SEEDS=yes.
 */
final class Seeds
{
    /** Part of the cases that an ordinary run looks at. */
    private const PART = 0.1;

    /** @return non-empty-list<int> */
    public static function of(int $from, int $to): array
    {
        return range($from, $from + self::most($to - $from + 1) - 1);
    }

    /** Returns how many of a number of cases are looked at. */
    public static function most(int $all): int
    {
        return self::areAll() ? $all : max(1, (int) ceil($all * self::PART));
    }

    /**
     * Returns the first few of some cases, or all.
     *
     * @template T
     *
     * @param  non-empty-list<T>  $cases
     * @param  positive-int  $few
     * @return non-empty-list<T>
     */
    public static function someOf(array $cases, int $few): array
    {
        return self::areAll() ? $cases : [$cases[0], ...array_slice($cases, 1, $few - 1)];
    }

    /** Whether all are looked at, and bodies as finely as can be waited for. */
    public static function areAll(): bool
    {
        return getenv('BOWLINE_ALL_SEEDS') === 'yes';
    }
}
