<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Job\JobError;
use Bowline\Job\StockKind;
use Bowline\Job\Units;

/**
 * A stock catalogue as CSV, both ways: a row a size, columns told by their heading. Lengths are in mm, or in inches
 * where the heading says `_in`. A row that cannot be taken is refused by itself, with the reason.
 */
final readonly class CatalogueRows
{
    public const LENGTHS = ['od', 'wall', 'radius', 'min_radius', 'min_straight'];

    private const TEXTS = ['part_number', 'kind', 'name', 'standard'];

    private const MOST_ROWS = 20000;

    /**
     * @param  list<array<string, string|float>>  $rows  by column; lengths in mm, density in kg/m³
     * @param  list<array{line: int, text: string, why: string}>  $refused
     */
    private function __construct(
        public array $rows,
        public array $refused,
    ) {
    }

    /** @throws JobError when there is no heading to go by */
    public static function read(string $text): self
    {
        $lines = explode("\n", str_replace(["\r\n", "\r"], "\n", preg_replace('/^\xEF\xBB\xBF/', '', $text) ?? $text));
        $separator = str_contains($lines[0], ';') ? ';' : (str_contains($lines[0], "\t") ? "\t" : ',');
        $columns = self::columns(str_getcsv(array_shift($lines), $separator, '"', ''));
        $rows = $refused = $seen = [];
        foreach ($lines as $index => $line) {
            if (trim($line) === '') {
                continue;
            }
            try {
                $row = self::row(str_getcsv($line, $separator, '"', ''), $columns);
                $number = (string) $row['part_number'];
                if (isset($seen[$number])) {
                    throw JobError::at('', sprintf('part number %s is in line %d already', $number, $seen[$number]));
                }
                if (count($rows) >= self::MOST_ROWS) {
                    throw JobError::at('', sprintf('more than %d rows', self::MOST_ROWS));
                }
                $seen[$number] = $index + 2;
                $rows[] = $row;
            } catch (JobError $error) {
                $refused[] = ['line' => $index + 2, 'text' => mb_substr(trim($line), 0, 80), 'why' => $error->getMessage()];
            }
        }

        return new self($rows, $refused);
    }

    /** @param  iterable<array<string, string|float>>  $rows */
    public static function write(iterable $rows): string
    {
        $csv = implode(',', [...self::TEXTS, ...array_map(static fn (string $key): string => $key.'_mm', self::LENGTHS), 'density_kg_m3'])."\r\n";
        foreach ($rows as $row) {
            $csv .= implode(',', array_map(static function (string $key) use ($row): string {
                $cell = (string) $row[$key];

                return strpbrk($cell, ",\"\r\n") === false ? $cell : '"'.str_replace('"', '""', $cell).'"';
            }, [...self::TEXTS, ...self::LENGTHS, 'density']))."\r\n";
        }

        return $csv;
    }

    /**
     * What is wrong with a row, as it would be with one of a file.
     *
     * @param  array<mixed>  $row
     *
     * @throws JobError
     */
    public static function check(array $row): void
    {
        $number = static fn (string $key): float => is_numeric($row[$key] ?? null) ? (float) $row[$key] : 0.0;
        $wrong = match (true) {
            trim(is_string($row['part_number'] ?? null) ? $row['part_number'] : '') === '' => ['part_number', 'the part number is missing'],
            StockKind::tryFrom(is_string($row['kind'] ?? null) ? $row['kind'] : '') === null => ['kind', 'the kind is one of tube, pipe, hose, cable, wire, rod'],
            trim(is_string($row['name'] ?? null) ? $row['name'] : '') === '' => ['name', 'the name is missing'],
            $number('od') <= 0.0 => ['od', 'the outside diameter must be more than 0'],
            $number('wall') < 0.0 || $number('wall') > $number('od') / 2 => ['wall', 'the wall must be from 0 to half of the outside diameter'],
            $number('radius') <= 0.0 => ['radius', 'the bend radius must be more than 0'],
            $number('min_radius') < 0.0 || $number('min_radius') > $number('radius') => ['min_radius', 'the least radius must be from 0 to the bend radius'],
            $number('min_straight') < 0.0 => ['min_straight', 'the straight between bends must not be negative'],
            $number('density') <= 0.0 => ['density', 'the density must be more than 0'],
            default => null,
        };
        if ($wrong !== null) {
            throw JobError::at('/'.$wrong[0], $wrong[1]);
        }
    }

    /**
     * @param  list<string|null>  $heads
     * @return array<string, array{int, float}> where each column is, and what its numbers are multiplied by
     *
     * @throws JobError
     */
    private static function columns(array $heads): array
    {
        $columns = [];
        foreach ($heads as $index => $head) {
            $name = strtolower(trim((string) $head));
            $factor = str_ends_with($name, '_in') ? Units::INCH : 1.0;
            $columns[(string) preg_replace('/_(mm|in|kg_m3)$/', '', $name)] = [$index, $factor];
        }
        foreach ([...self::TEXTS, ...self::LENGTHS, 'density'] as $needed) {
            if (! isset($columns[$needed]) && $needed !== 'standard' && $needed !== 'wall') {
                throw JobError::at('', sprintf('the first line must name the columns; “%s” is missing', $needed));
            }
        }

        return $columns;
    }

    /**
     * @param  list<string|null>  $cells
     * @param  array<string, array{int, float}>  $columns
     * @return array<string, string|float>
     *
     * @throws JobError
     */
    private static function row(array $cells, array $columns): array
    {
        $cell = static fn (string $key): string => trim($cells[$columns[$key][0] ?? -1] ?? '');
        $row = [];
        foreach (self::TEXTS as $key) {
            $row[$key] = mb_substr($cell($key), 0, $key === 'name' ? 200 : 100);
        }
        foreach ([...self::LENGTHS, 'density'] as $key) {
            $said = $cell($key);
            if ($said === '' && $key === 'wall') {
                $row[$key] = 0.0;

                continue;
            }
            $plain = substr_count($said, ',') === 1 ? str_replace(',', '.', $said) : $said;
            if (! is_numeric($plain)) {
                throw JobError::at('/'.$key, sprintf('the %s is no number: “%s”', str_replace('_', ' ', $key), mb_substr($said, 0, 20)));
            }
            $row[$key] = (float) $plain * $columns[$key][1];
        }
        self::check($row);

        return $row;
    }
}
