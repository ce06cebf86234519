<?php

declare(strict_types=1);

namespace Bowline\Exchange;

/**
 * Reads a table from CSV (RFC 4180) with commas, semicolons or tabs, or pasted from a spreadsheet. Empty rows are
 * skipped.
 */
final class TableReader
{
    /** Most lines of a cell; one with more has lost its closing quote. */
    private const MOST_LINES_A_CELL = 50;

    /**
     * Reads a table whose heading decides the separator of all rows.
     *
     * @return list<TableRow>
     */
    public static function withHeading(string $text): array
    {
        return self::rows($text, true);
    }

    /**
     * Reads rows with or without a heading, each with its own separator.
     *
     * @return list<TableRow>
     */
    public static function loose(string $text): array
    {
        return self::rows($text, false);
    }

    /**
     * Reads rows by the words of their heading, in any order; without a heading the columns are the usual ones.
     *
     * @param  array<string, string>  $words  the keys of columns by what a heading may call them, in small letters
     * @param  list<string>  $usual  the keys of columns of rows without a heading
     * @param  list<string>  $needed  keys without which a first row is no heading
     * @return list<array{TableRow, list<string|null>}> each row with the keys of its columns, null for an unknown one
     */
    public static function byColumns(string $text, array $words, array $usual, array $needed): array
    {
        $rows = self::loose($text);
        $columns = array_map(
            static fn (string $cell): ?string => $words[mb_strtolower($cell)] ?? null, $rows[0]->cells ?? [],
        );
        $hasHeading = array_diff($needed, $columns) === [];

        return array_map(
            static fn (TableRow $row): array => [$row, $hasHeading ? $columns : $usual],
            array_slice($rows, $hasHeading ? 1 : 0),
        );
    }

    /** @return list<TableRow> */
    private static function rows(string $text, bool $hasHeading): array
    {
        $text = str_replace(["\r\n", "\r"], "\n", preg_replace('/^\xEF\xBB\xBF/', '', $text) ?? $text);
        $separator = null;
        $rows = [];
        foreach (self::records($text) as [$line, $record]) {
            if (trim($record) === '') {
                continue;
            }
            $separator = $hasHeading ? $separator ?? self::separator($record) : self::separator($record);
            $cells = array_map(
                static fn (?string $cell): string => trim((string) $cell),
                str_getcsv($record, $separator, '"', ''),
            );
            if (implode('', $cells) !== '') {
                $rows[] = new TableRow($line, $record, $cells);
            }
        }

        return $rows;
    }

    private static function separator(string $record): string
    {
        return match (true) {
            str_contains($record, "\t") => "\t",
            str_contains($record, ';') => ';',
            default => ',',
        };
    }

    /**
     * Splits CSV into records: a line break between quotes belongs to its cell. A quote without a closing one ends with
     * its line, so that it does not swallow the rest of the file.
     *
     * @return list<array{int, string}> number of the first line, from 1, and text of each record
     */
    private static function records(string $text): array
    {
        $records = [];
        $lines = explode("\n", $text);
        for ($i = 0; $i < count($lines); $i++) {
            $record = $lines[$i];
            $next = $i;
            while (
                substr_count($record, '"') % 2 === 1 &&
                $next + 1 < count($lines) &&
                $next - $i < self::MOST_LINES_A_CELL
            ) {
                $record .= "\n".$lines[++$next];
            }
            $isClosed = substr_count($record, '"') % 2 === 0;
            $records[] = [$i + 1, $isClosed ? $record : $lines[$i]];
            $i = $isClosed ? $next : $i;
        }

        return $records;
    }
}
