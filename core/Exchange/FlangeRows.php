<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Job\End\FlangeReader;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Units;
use Bowline\Job\Values;
use stdClass;

/**
 * Reads and writes flanges of one's own as CSV: a row a flange, columns by their heading, in mm and degrees, or in
 * inches where a heading ends in `_in`. A row with an error is refused by itself, with the reason.
 */
final readonly class FlangeRows
{
    /** Columns of lengths by where they stand in a flange of a job file. */
    private const LENGTHS = [
        'od' => 'od', 'width' => 'width', 'height' => 'height', 'corner_radius' => 'corner_radius',
        'end_radius' => 'end_radius', 'thickness' => 'thickness', 'bore' => 'bore', 'bolt_circle' => 'holes.circle',
        'hole' => 'holes.diameter', 'face_diameter' => 'face.diameter', 'face_height' => 'face.height',
        'neck_diameter' => 'neck.diameter', 'neck_length' => 'neck.length', 'fillet' => 'neck.radius',
        'land' => 'neck.land',
    ];

    private const OTHERS = [
        'plate' => 'plate', 'holes' => 'holes.count', 'start_deg' => 'holes.start', 'face' => 'face.kind',
        'turn_deg' => 'turn',
    ];

    private const MOST_ROWS = 5000;

    /**
     * @param  list<stdClass>  $flanges  as in a job file, each with its part number
     * @param  list<array{line: int, text: string, why: string}>  $refused
     */
    private function __construct(
        public array $flanges,
        public array $refused,
    ) {
    }

    /** @throws JobError when there is no heading to go by, or there are too many rows */
    public static function read(string $text): self
    {
        $table = TableReader::withHeading($text);
        $heads = array_map(
            static fn (string $head): string => strtolower(trim($head)), array_shift($table)->cells ?? [],
        );
        if (! in_array('part_number', $heads, true)) {
            throw JobError::at(
                '', 'the first line has to name the columns: part_number, od_mm, thickness_mm, bore_mm …',
            );
        }
        if (count($table) > self::MOST_ROWS) {
            throw JobError::at('', sprintf('more than %d rows', self::MOST_ROWS));
        }
        $flanges = $refused = $seen = [];
        foreach ($table as $record) {
            try {
                $number = self::partNumber($record, $heads);
                $flange = self::flange($record, $heads, $number);
                if (isset($seen[$number])) {
                    throw JobError::at('', sprintf('part number %s comes twice', $number));
                }
                $seen[$number] = true;
                $flanges[] = $flange;
            } catch (JobError $error) {
                $refused[] = $record->refused($error->getMessage());
            }
        }

        return new self($flanges, $refused);
    }

    /**
     * @param  list<string>  $heads
     *
     * @throws JobError
     */
    private static function partNumber(TableRow $record, array $heads): string
    {
        $number = CsvCell::asItWas($record->cell((int) array_search('part_number', $heads, true)));

        return $number === '' ? throw JobError::at('', 'it has no part number') : $number;
    }

    /**
     * @param  list<string>  $heads
     *
     * @throws JobError
     */
    private static function flange(TableRow $record, array $heads, string $partNumber): stdClass
    {
        $flange = (object) ['type' => 'flange'];
        foreach ($heads as $column => $head) {
            $cell = CsvCell::asItWas($record->cell($column));
            $key = preg_replace('/_(mm|in)$/', '', $head) ?? $head;
            $path = self::LENGTHS[$key] ?? self::OTHERS[$head] ?? null;
            if ($cell === '' || $path === null) {
                continue;
            }
            $isText = in_array($path, ['plate', 'face.kind'], true);
            $number = $isText ? null : $record->number($column);
            if (! $isText && $number === null) {
                throw JobError::at('', sprintf('%s: “%s” is no number', $head, $cell));
            }
            $scale = str_ends_with($head, '_in') && isset(self::LENGTHS[$key]) ? Units::INCH : 1.0;
            self::set($flange, $path, $number === null ? $cell : $number * $scale);
        }
        $flange->part_number = $partNumber;
        FlangeReader::own(new Node($flange), Values::read(null));

        return $flange;
    }

    private static function set(stdClass $flange, string $path, string|float $value): void
    {
        $keys = explode('.', $path);
        $last = array_pop($keys);
        foreach ($keys as $key) {
            $flange->{$key} ??= new stdClass;
            $flange = $flange->{$key};
            assert($flange instanceof stdClass);
        }
        $flange->{$last} = is_float($value) && floor($value) === $value ? (int) $value : $value;
    }

    /** @param  iterable<stdClass>  $flanges  as in a job file */
    public static function write(iterable $flanges): string
    {
        $columns = ['part_number' => 'part_number'];
        foreach (self::LENGTHS as $key => $path) {
            $columns[$key.'_mm'] = $path;
        }
        $columns = [...$columns, ...self::OTHERS];
        $rows = [array_keys($columns)];
        foreach ($flanges as $flange) {
            $rows[] = array_values(array_map(static function (string $path) use ($flange): string {
                $node = new Node($flange);
                foreach (explode('.', $path) as $key) {
                    $node = $node?->find($key);
                }
                $value = $node?->value;

                return is_string($value) ? CsvCell::text($value) : (is_scalar($value) ? (string) $value : '');
            }, $columns));
        }

        return CsvTables::csv($rows);
    }
}
