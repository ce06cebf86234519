<?php

declare(strict_types=1);

namespace Bowline\Exchange;

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
}
