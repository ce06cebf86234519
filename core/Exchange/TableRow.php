<?php

declare(strict_types=1);

namespace Bowline\Exchange;

/** A row of a table as text. */
final readonly class TableRow
{
    /** Characters of a row that are shown with the reason why it was refused. */
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
     * A number as people write it: with a true minus, a degree sign, or a decimal comma.
     *
     * @return float|null null when the cell has none
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
