<?php

declare(strict_types=1);

namespace App\Editing;

use stdClass;

/**
 * Merges the changes of two windows to one item: what only one of them changed is taken from it, and where both changed
 * the same key differently there is a clash for a person to decide.
 */
final class ItemMerge
{
    /** Stands for a missing key. */
    private const MISSING = "\0missing";

    /** @var list<array{pointer: string, yours: mixed, theirs: mixed}> */
    private array $clashes = [];

    private function __construct(private readonly bool $mineWins)
    {
    }

    /**
     * @param  mixed  $was  the item that the change was made from
     * @param  mixed  $mine  what it was changed to; null deletes it
     * @param  mixed  $theirs  the item as it stands now; null when it is gone
     * @param  bool  $mineWins  whose change holds where both changed the same
     * @return array{mixed, list<array{pointer: string, yours: mixed, theirs: mixed}>} the item, and the clashes
     */
    public static function of(mixed $was, mixed $mine, mixed $theirs, bool $mineWins): array
    {
        $merge = new self($mineWins);
        $merged = $merge->merged($was, $mine, $theirs, '');

        return [$merged, $merge->clashes];
    }

    private function merged(mixed $was, mixed $mine, mixed $theirs, string $pointer): mixed
    {
        if (self::isSame($mine, $was) || self::isSame($mine, $theirs)) {
            return $theirs;
        }
        if (self::isSame($theirs, $was)) {
            return $mine;
        }
        if ($was instanceof stdClass && $mine instanceof stdClass && $theirs instanceof stdClass) {
            return $this->mergedObject($was, $mine, $theirs, $pointer);
        }
        if (
            is_array($was) &&
            is_array($mine) &&
            is_array($theirs) &&
            count($was) === count($mine) &&
            count($mine) === count($theirs)
        ) {
            return array_map(
                fn (int $i): mixed => $this->merged($was[$i], $mine[$i], $theirs[$i], $pointer.'/'.$i),
                array_keys(array_values($mine)),
            );
        }
        $shown = static fn (mixed $value): mixed => $value === self::MISSING ? null : $value;
        $this->clashes[] = ['pointer' => $pointer, 'yours' => $shown($mine), 'theirs' => $shown($theirs)];

        return $this->mineWins ? $mine : $theirs;
    }

    private function mergedObject(stdClass $was, stdClass $mine, stdClass $theirs, string $pointer): stdClass
    {
        $merged = new stdClass;
        $keys = array_keys(get_object_vars($theirs) + get_object_vars($mine) + get_object_vars($was));
        foreach ($keys as $key) {
            $value = $this->merged(
                $was->{$key} ?? self::MISSING,
                $mine->{$key} ?? self::MISSING,
                $theirs->{$key} ?? self::MISSING,
                $pointer.'/'.$key,
            );
            if ($value !== self::MISSING) {
                $merged->{$key} = $value;
            }
        }

        return $merged;
    }

    /** Whether two values of a job file are equal: 12 and 12.0 are, 12 and "12" are not. */
    public static function isSame(mixed $a, mixed $b): bool
    {
        if ($a instanceof stdClass && $b instanceof stdClass) {
            [$a, $b] = [get_object_vars($a), get_object_vars($b)];
        }
        if (is_array($a) && is_array($b)) {
            return array_diff_key($a, $b) === [] &&
                array_diff_key($b, $a) === [] &&
                array_filter(
                    array_keys($a),
                    static fn (int|string $key): bool => ! self::isSame($a[$key], $b[$key]),
                ) === [];
        }

        return (is_int($a) || is_float($a)) && (is_int($b) || is_float($b)) ? (float) $a === (float) $b : $a === $b;
    }
}
