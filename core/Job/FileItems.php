<?php

declare(strict_types=1);

namespace Bowline\Job;

use stdClass;

/** The lists of a job file. */
final class FileItems
{
    /** Returns a copy of a file with an item in place of the one in a list that has its id. */
    public static function replaced(stdClass $file, string $list, stdClass $item): stdClass
    {
        $copy = clone $file;
        $copy->{$list} = array_map(
            static fn (mixed $other): mixed => $other instanceof stdClass && $other->id === $item->id ? $item : $other,
            is_array($file->{$list} ?? null) ? array_values($file->{$list}) : [],
        );

        return $copy;
    }
}
