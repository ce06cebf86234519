<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Bending\BendPath;
use Bowline\Job\JobError;
use Bowline\Job\Units;

/**
 * Reads a bend table from CSV: a row a bend with straight, rotation, angle and radius; the last straight in a row
 * called “tail”, or in a row with a straight alone. A heading names the columns and the unit of lengths, mm or in;
 * without one the columns are in that order, in the units of the job. A row that cannot be read is refused with the
 * reason.
 */
final readonly class BendRows
{
    private const MOST_ROWS = 500;

    /** Smallest angle of a bend that counts as a reversal, degrees (job-file.md). */
    private const REVERSAL = 179.5;

    /** Largest straight, angle or radius, in the units of the table. */
    private const LARGEST = 1e7;

    /** Words of a heading and the column of each. */
    private const HEADINGS = [
        'straight' => 'straight',
        'rotation' => 'rotation',
        'angle' => 'angle',
        'radius' => 'radius',
    ];

    private const IN_ORDER = ['straight' => 0, 'rotation' => 1, 'angle' => 2, 'radius' => 3];

    /**
     * @param  list<array{line: int, text: string, why: string}>  $refused
     */
    private function __construct(
        public BendPath $path,
        public array $refused,
    ) {
    }

    public static function read(string $text, Units $units): self
    {
        $columns = self::IN_ORDER;
        $first = 0;
        $bends = $refused = [];
        $tail = 0.0;
        $factor = $units->isInch ? Units::INCH : 1.0;
        foreach (TableReader::loose($text) as $row) {
            $heading = $bends === [] ? self::heading($row->cells) : null;
            if ($heading !== null) {
                $columns = $heading;
                $factor =
                    preg_match('/straight\W*_?\W*(mm|in)\b/i', $row->text, $unit) === 1
                        ? (strtolower($unit[1]) === 'in'
                            ? Units::INCH
                            : 1.0)
                        : $factor;
                $first = min($heading);

                continue;
            }
            $name = $first > 0 ? strtolower($row->cell(0)) : '';
            if ($name === 'length' || $name === 'cut length') {
                continue;
            }
            try {
                if (count($bends) >= self::MOST_ROWS) {
                    throw JobError::at('', sprintf('more than %d bends', self::MOST_ROWS));
                }
                $straight = self::number($row, $columns['straight'], 'straight') * $factor;
                if ($straight < 0.0) {
                    throw JobError::at('', 'a straight cannot be less than 0');
                }
                if ($name === 'tail' || $row->cell($columns['angle']) === '') {
                    $tail = $straight;

                    continue;
                }
                $bends[] = self::bend($row, $columns, $straight, $factor);
            } catch (JobError $error) {
                $refused[] = $row->refused($error->getMessage());
            }
        }

        return new self(new BendPath($bends, $tail), $refused);
    }

    /**
     * @param  array{straight: int, rotation: int, angle: int, radius: int}  $columns
     * @return array{straight: float, rotation: float, angle: float, radius: float}
     *
     * @throws JobError
     */
    private static function bend(TableRow $row, array $columns, float $straight, float $factor): array
    {
        $angle = self::number($row, $columns['angle'], 'angle');
        $radius = self::number($row, $columns['radius'], 'radius') * $factor;
        if ($angle <= 0.0 || $angle >= self::REVERSAL) {
            throw JobError::at('', sprintf('an angle is more than 0 and less than %s degrees', self::REVERSAL));
        }
        if ($radius <= 0.0) {
            throw JobError::at('', 'the bend radius must be more than 0');
        }

        return [
            'straight' => $straight,
            'rotation' => deg2rad(self::number($row, $columns['rotation'], 'rotation')),
            'angle' => deg2rad($angle),
            'radius' => $radius,
        ];
    }

    /**
     * @param  list<string>  $cells
     * @return array{straight: int, rotation: int, angle: int, radius: int}|null
     */
    private static function heading(array $cells): ?array
    {
        $found = [];
        foreach ($cells as $column => $cell) {
            foreach (self::HEADINGS as $word => $key) {
                if (str_starts_with(strtolower($cell), $word)) {
                    $found[$key] ??= $column;
                }
            }
        }

        return isset($found['straight'], $found['rotation'], $found['angle'], $found['radius']) ? $found : null;
    }

    /** @throws JobError when a cell has no number that can be one of a run */
    private static function number(TableRow $row, int $column, string $what): float
    {
        $number = $row->number($column);

        return $number !== null && abs($number) < self::LARGEST
            ? $number
            : throw JobError::at('', sprintf('the %s is no number', $what));
    }
}
