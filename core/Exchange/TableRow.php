<?php

declare(strict_types=1);

namespace Bowline\Exchange;

/** A row of a table as text. */
final readonly class TableRow
{
    /** Characters of a row that are quoted with the reason for refusing it. */
    private const SHOWN = 80;

    /**
     * @param  int  $line  of the text that it begins in, from 1
     * @param  string  $text  as it stands there
     * @param  list<string>  $cells  without spaces around them
     */
    public function __construct(
        public int $line,
        public string $text,
        public array $cells,
    ) {
    }

    public function cell(?int $column): string
    {
        return $column === null ? '' : $this->cells[$column] ?? '';
    }

    /**
     * Returns a cell as a number; a minus sign, a degree sign and a decimal comma are understood.
     *
     * @return float|null null when the cell is not a number
     */
    public function number(?int $column): ?float
    {
        $cell = str_replace(['−', ' ', '°'], ['-', '', ''], $this->cell($column));
        $cell = substr_count($cell, ',') === 1 ? str_replace(',', '.', $cell) : $cell;

        return is_numeric($cell) ? (float) $cell : null;
    }

    /** @return array{line: int, text: string, why: string} what is said of a row that cannot be read */
    public function refused(string $why): array
    {
        return ['line' => $this->line, 'text' => mb_substr(trim($this->text), 0, self::SHOWN), 'why' => $why];
    }
}
