<?php

declare(strict_types=1);

namespace Bowline\Job;

/** Ids for new items, made from their names. */
final class FreshId
{
    private const LONGEST = 60;

    /** Endings of HTML's names for letters with a diacritic, behind the letter: `uuml`, `ccaron`. */
    private const MARKS = 'acute|breve|caron|cedil|circ|dblac|dot|grave|macr|midot|ogon|ring|slash|strok|tilde|uml';

    /** @param  list<string>  $taken  ids that are there already */
    public static function of(string $name, array $taken): string
    {
        $plain = (string) preg_replace_callback(
            '/[^\x00-\x7f]/u',
            static fn (array $match): string => self::withoutMark($match[0]),
            mb_strtolower($name),
        );
        $base = trim((string) preg_replace('/[^a-z0-9]+/', '-', $plain), '-');
        $base = $base === '' ? 'item' : mb_substr($base, 0, self::LONGEST);
        $id = $base;
        for ($n = 2; in_array($id, $taken, true); $n++) {
            $id = $base.'-'.$n;
        }

        return $id;
    }

    /**
     * Returns "u" for "ü"; any letter that is not a Latin one with a diacritic unchanged. PHP has no such table without
     * an extension.
     */
    private static function withoutMark(string $letter): string
    {
        $name = htmlentities($letter, ENT_NOQUOTES | ENT_HTML5, 'UTF-8');

        return preg_match('/^&([a-z])(?:'.self::MARKS.');$/', $name, $match) === 1 ? $match[1] : $letter;
    }
}
