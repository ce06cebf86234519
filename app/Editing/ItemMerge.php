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
        $byIds = array_map(self::byId(...), [$was, $mine, $theirs]);
        if ($byIds[0] !== null && $byIds[1] !== null && $byIds[2] !== null) {
            return $this->mergedItems($byIds[0], $byIds[1], $byIds[2], $pointer);
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

    /**
     * Merges lists of items by their ids, so that others may be added or taken out at the same time.
     *
     * @param  array<string, stdClass>  $was
     * @param  array<string, stdClass>  $mine
     * @param  array<string, stdClass>  $theirs
     * @return list<mixed> theirs in their order, then those that are only mine
     */
    private function mergedItems(array $was, array $mine, array $theirs, string $pointer): array
    {
        $merged = [];
        foreach (array_keys($theirs + $mine) as $number => $id) {
            $value = $this->merged(
                $was[$id] ?? self::MISSING, $mine[$id] ?? self::MISSING, $theirs[$id] ?? self::MISSING,
                $pointer.'/'.$number,
            );
            if ($value !== self::MISSING) {
                $merged[] = $value;
            }
        }

        return $merged;
    }

    /** @return array<string, stdClass>|null null where it is no list of items with ids of their own */
    private static function byId(mixed $list): ?array
    {
        $items = [];
        foreach (is_array($list) ? $list : [null] as $item) {
            $id = $item instanceof stdClass ? $item->id ?? null : null;
            if (! $item instanceof stdClass || ! is_string($id) || isset($items[' '.$id])) {
                return null;
            }
            // No id begins with a blank: as keys of an array numbers would not stay texts.
            $items[' '.$id] = $item;
        }

        return $items;
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
