<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Geometry\Tolerance;
use Bowline\Job\JobError;
use Bowline\Job\StockKind;
use Bowline\Job\Units;

/**
 * Reads and writes a stock catalogue as CSV: a row a size, columns by their heading. Lengths are in mm, or in inches
 * where the heading ends in `_in`. A row with an error is refused by itself, with the reason.
 */
final readonly class CatalogueRows
{
    public const LENGTHS = ['od', 'wall', 'radius', 'min_radius', 'min_straight'];

    /** Columns of hoses and cables, empty for others: kg/m, N·m², and changes of length under pressure in %. */
    public const FLEXIBLE = ['moving_radius', 'mass', 'stiffness', 'pressure_shortest', 'pressure_longest'];

    /** Column of the layers from the bore outwards, as "name outside diameter" separated by semicolons. */
    public const LAYERS = 'layers';

    private const TEXTS = ['part_number', 'kind', 'name', 'standard'];

    private const HEADS = [
        'od' => 'od_mm',
        'wall' => 'wall_mm',
        'radius' => 'radius_mm',
        'min_radius' => 'min_radius_mm',
        'min_straight' => 'min_straight_mm',
        'density' => 'density_kg_m3',
        'moving_radius' => 'moving_radius_mm',
        'mass' => 'mass_kg_m',
        'stiffness' => 'stiffness_n_m2',
        'pressure_shortest' => 'pressure_shortest_percent',
        'pressure_longest' => 'pressure_longest_percent',
    ];

    private const MOST_ROWS = 20000;

    /** Most rows that are refused one by one; a table with more is not a catalogue. */
    private const MOST_REFUSED = 2000;

    /** Largest length, density or mass, in the units of the catalogue. */
    private const LARGEST = 1e6;

    /**
     * @param  list<array<string, string|float|null>>  $rows  by column; lengths in mm, density in kg/m³
     * @param  list<int>  $lines  in which line of the file each row is
     * @param  list<array{line: int, text: string, why: string}>  $refused
     */
    private function __construct(
        public array $rows,
        public array $lines,
        public array $refused,
    ) {
    }

    /** @throws JobError when there is no heading to go by */
    public static function read(string $text): self
    {
        $table = TableReader::withHeading($text);
        $columns = self::columns(array_shift($table)->cells ?? []);
        $rows = $lineOf = $refused = $seen = [];
        foreach ($table as $record) {
            try {
                $row = self::row($record, $columns);
                $part = (string) $row['part_number'];
                if (isset($seen[$part])) {
                    throw JobError::at('', sprintf('part number %s is in line %d already', $part, $seen[$part]));
                }
                if (count($rows) >= self::MOST_ROWS) {
                    throw JobError::at('', sprintf('more than %d rows', self::MOST_ROWS));
                }
                $seen[$part] = $record->line;
                $rows[] = $row;
                $lineOf[] = $record->line;
            } catch (JobError $error) {
                if (count($refused) >= self::MOST_REFUSED) {
                    throw JobError::at(
                        '',
                        sprintf(
                            'line %d and %d before it cannot be taken (the first, line %d: %s); is this a catalogue?',
                            $record->line,
                            count($refused),
                            $refused[0]['line'],
                            $refused[0]['why'],
                        ),
                    );
                }
                $refused[] = $record->refused($error->getMessage());
            }
        }

        return new self($rows, $lineOf, $refused);
    }

    /** @param  iterable<array<string, string|float|null>>  $rows */
    public static function write(iterable $rows): string
    {
        $keys = [...self::TEXTS, ...self::LENGTHS, 'density', ...self::FLEXIBLE, self::LAYERS];
        $csv = implode(',', array_map(static fn (string $key): string => self::HEADS[$key] ?? $key, $keys))."\r\n";
        foreach ($rows as $row) {
            $csv .= implode(',', array_map(static function (string $key) use ($row): string {
                $cell = $row[$key] ?? '';

                return is_string($cell) ? CsvCell::text($cell) : CsvCell::quoted((string) $cell);
            }, $keys))."\r\n";
        }

        return $csv;
    }

    /**
     * Checks a row like one that was read from a file.
     *
     * @param  array<mixed>  $row
     *
     * @throws JobError
     */
    public static function check(array $row): void
    {
        $number = static fn (string $key): float => is_numeric($row[$key] ?? null) ? (float) $row[$key] : 0.0;
        $wrong = match (true) {
            trim(is_string($row['part_number'] ?? null) ? $row['part_number'] : '') === '' => [
                'part_number',
                'the part number is missing',
            ],
            StockKind::tryFrom(is_string($row['kind'] ?? null) ? $row['kind'] : '') === null => [
                'kind',
                'the kind is one of tube, pipe, hose, cable, wire, rod',
            ],
            trim(is_string($row['name'] ?? null) ? $row['name'] : '') === '' => ['name', 'the name is missing'],
            $number('od') <= 0.0 => ['od', 'the outside diameter must be more than 0'],
            $number('wall') < 0.0 || $number('wall') > $number('od') / 2 => [
                'wall',
                'the wall must be from 0 to half of the outside diameter',
            ],
            $number('radius') <= 0.0 => ['radius', 'the bend radius must be more than 0'],
            $number('min_radius') < 0.0 || $number('min_radius') > $number('radius') => [
                'min_radius',
                'the least radius must be from 0 to the bend radius',
            ],
            $number('min_straight') < 0.0 => ['min_straight', 'the straight between bends must not be negative'],
            $number('density') <= 0.0 => ['density', 'the density must be more than 0'],
            isset($row['moving_radius']) && $number('moving_radius') < $number('min_radius') => [
                'moving_radius',
                'where it moves the least radius must not be less than where it rests',
            ],
            isset($row['mass']) && $number('mass') <= 0.0 => ['mass', 'the mass of a metre must be more than 0'],
            isset($row['stiffness']) && $number('stiffness') <= 0.0 => [
                'stiffness',
                'the stiffness must be more than 0',
            ],
            isset($row['pressure_shortest']) !== isset($row['pressure_longest']) => [
                'pressure_shortest',
                'how its length changes under pressure is told by both, the shortest and the longest',
            ],
            $number('pressure_shortest') <= -100.0 || $number('pressure_longest') < $number('pressure_shortest') => [
                'pressure_longest',
                'under pressure it gets at most so much shorter (negative), and no more than that longer',
            ],
            self::readLayers(
                is_string($row[self::LAYERS] ?? null) ? $row[self::LAYERS] : '',
                $number('od'),
            ) === null => [
                'layers',
                'layers are told as “name diameter”, from the bore outwards and no larger than the outside, with '.
                'a semicolon between',
            ],
            default => null,
        };
        if ($wrong !== null) {
            throw JobError::at('/'.$wrong[0], $wrong[1]);
        }
    }

    /**
     * Returns the layers of a cell.
     *
     * @return list<array{name: string, od: float}>|null null when it cannot be read
     */
    public static function readLayers(string $cell, float $outside): ?array
    {
        $layers = [];
        $last = 0.0;
        foreach (array_map(trim(...), explode(';', $cell)) as $one) {
            if ($one === '') {
                continue;
            }
            if (
                preg_match('/^(.+?)\s+(\d+(?:\.\d+)?)$/u', $one, $match) !== 1 ||
                (float) $match[2] <= $last ||
                (float) $match[2] > $outside + Tolerance::NOTHING
            ) {
                return null;
            }
            $layers[] = ['name' => $match[1], 'od' => $last = (float) $match[2]];
        }

        return $layers;
    }

    /**
     * @param  list<string>  $heads
     * @return array<string, array{int, float}> where each column is, and what its numbers are multiplied by
     *
     * @throws JobError
     */
    private static function columns(array $heads): array
    {
        $columns = [];
        foreach ($heads as $index => $head) {
            $name = strtolower($head);
            $factor = str_ends_with($name, '_in') ? Units::INCH : 1.0;
            $columns[(string) preg_replace('/_(mm|in|kg_m3|kg_m|n_m2|percent)$/', '', $name)] = [$index, $factor];
        }
        foreach ([...self::TEXTS, ...self::LENGTHS, 'density'] as $needed) {
            if (! isset($columns[$needed]) && $needed !== 'standard' && $needed !== 'wall') {
                throw JobError::at('', sprintf('the first line must name the columns; “%s” is missing', $needed));
            }
        }

        return $columns;
    }

    /**
     * @param  array<string, array{int, float}>  $columns
     * @return array<string, string|float|null>
     *
     * @throws JobError
     */
    private static function row(TableRow $record, array $columns): array
    {
        $cell = static fn (string $key): string => $record->cell($columns[$key][0] ?? null);
        $row = [];
        foreach (self::TEXTS as $key) {
            $row[$key] = mb_substr(CsvCell::asItWas($cell($key)), 0, $key === 'name' ? 200 : 100);
        }
        $row[self::LAYERS] = mb_substr(CsvCell::asItWas($cell(self::LAYERS)), 0, 400);
        foreach ([...self::LENGTHS, 'density', ...self::FLEXIBLE] as $key) {
            $said = $cell($key);
            if ($said === '' && ($key === 'wall' || in_array($key, self::FLEXIBLE, true))) {
                $row[$key] = $key === 'wall' ? 0.0 : null;

                continue;
            }
            $number = $record->number($columns[$key][0] ?? null);
            if ($number === null) {
                throw JobError::at(
                    '/'.$key,
                    sprintf('the %s is no number: “%s”', str_replace('_', ' ', $key), mb_substr($said, 0, 20)),
                );
            }
            $row[$key] = $number * $columns[$key][1];
            if (! is_finite($row[$key]) || abs($row[$key]) > self::LARGEST) {
                throw JobError::at(
                    '/'.$key,
                    sprintf(
                        'the %s is too large to be used: “%s”',
                        str_replace('_', ' ', $key),
                        mb_substr($said, 0, 20),
                    ),
                );
            }
        }
        self::check($row);

        return $row;
    }
}
