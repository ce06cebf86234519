<?php

declare(strict_types=1);

namespace Bowline\Job;

/** Ids for new items, made from what people call them. */
final class FreshId
{
    private const LONGEST = 60;

    /** @param  list<string>  $taken  ids that are there already */
    public static function of(string $name, array $taken): string
    {
        $base = trim((string) preg_replace('/[^a-z0-9]+/', '-', mb_strtolower($name)), '-');
        $base = $base === '' ? 'item' : mb_substr($base, 0, self::LONGEST);
        $id = $base;
        for ($n = 2; in_array($id, $taken, true); $n++) {
            $id = $base.'-'.$n;
        }

        return $id;
    }
}
