<?php

declare(strict_types=1);

namespace Bowline\Exchange;

/** Texts as cells of CSV (RFC 4180). */
final class CsvCell
{
    /**
     * A cell that begins like this is a formula to a spreadsheet. Leading apostrophes are matched too, so that those of
     * the text itself can be told apart.
     */
    private const RUNS = "/^'*[=+\\-@\t\r]/";

    /** Returns a text as a cell: harmless in a spreadsheet, and in quotes where it needs them. */
    public static function text(string $text): string
    {
        return self::quoted(preg_match(self::RUNS, $text) === 1 ? "'".$text : $text);
    }

    /** Returns a cell in quotes where a comma, a quote or the end of a line is in it. */
    public static function quoted(string $cell): string
    {
        return strpbrk($cell, ",\"\r\n") === false ? $cell : '"'.str_replace('"', '""', $cell).'"';
    }

    /** Returns the text of a cell as it was before it was made harmless. */
    public static function asItWas(string $cell): string
    {
        return str_starts_with($cell, "'") && preg_match(self::RUNS, substr($cell, 1)) === 1 ? substr($cell, 1) : $cell;
    }
}
