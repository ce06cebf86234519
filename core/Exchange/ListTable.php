<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Job\Words;

/** A list: headings, and rows of cells that are numbers in the units of the job or words. */
final readonly class ListTable
{
    /**
     * @param  list<string>  $headings  as in CSV: in small letters, with the unit behind
     * @param  list<list<string|float|int|null>>  $rows
     */
    public function __construct(
        public array $headings,
        public array $rows,
    ) {
    }

    public function csv(): string
    {
        return CsvTables::csv([$this->headings, ...array_map(
            static fn (array $row): array => array_map(
                static fn (string|float|int|null $cell): string => is_string($cell)
                    ? CsvCell::text($cell)
                    : ($cell === null ? '' : CsvTables::number($cell)),
                $row,
            ),
            $this->rows,
        )]);
    }

    /** @return list<list<string>> the rows to be read on paper, numbers with two decimals at most */
    public function texts(): array
    {
        return array_map(static fn (array $row): array => array_map(self::text(...), $row), $this->rows);
    }

    /** @return list<int> the columns that have words in them */
    public function wordColumns(): array
    {
        $columns = [];
        foreach ($this->rows as $row) {
            foreach ($row as $i => $cell) {
                if (is_string($cell)) {
                    $columns[$i] = $i;
                }
            }
        }

        return array_values($columns);
    }

    /** Returns a heading to be read on paper: "Cut length, mm" for "cut_length_mm". */
    public static function headingWords(string $heading): string
    {
        $words = preg_replace(['/_(mm|in|kg)$/', '/_percent$/'], [', $1', ', %'], $heading) ?? $heading;

        return ucfirst(str_replace('_', ' ', $words));
    }

    private static function text(string|float|int|null $cell): string
    {
        return is_string($cell) ? $cell : ($cell === null ? '' : Words::number((float) $cell, 2));
    }
}
