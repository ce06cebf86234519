<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Bending\BendPath;
use Bowline\Job\JobError;
use Bowline\Job\Units;

/**
 * A bend table as CSV, back into what it bends: a row a bend with straight, rotation, angle and radius; the last
 * straight in a row called “tail”, or as a row with a straight alone. A heading tells which column is which and
 * whether lengths are in mm or in; without one the columns are in that order, in the job's units. A row that
 * cannot be read is refused with the reason.
 */
final readonly class BendRows
{
    private const MOST_ROWS = 500;

    /** Words of a heading, and the column each means. */
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
        foreach (explode("\n", str_replace(["\r\n", "\r"], "\n", $text)) as $index => $line) {
            $cells = array_map(
                trim(...),
                explode(str_contains($line, "\t") ? "\t" : (str_contains($line, ';') ? ';' : ','), $line),
            );
            if (implode('', $cells) === '') {
                continue;
            }
            $heading = $bends === [] ? self::heading($cells) : null;
            if ($heading !== null) {
                $columns = $heading;
                $factor =
                    preg_match('/straight\W*_?\W*(mm|in)\b/i', $line, $unit) === 1
                        ? (strtolower($unit[1]) === 'in'
                            ? Units::INCH
                            : 1.0)
                        : $factor;
                $first = min($heading);

                continue;
            }
            $name = $first > 0 ? strtolower($cells[0]) : '';
            if ($name === 'length' || $name === 'cut length') {
                continue;
            }
            try {
                if (count($bends) >= self::MOST_ROWS) {
                    throw JobError::at('', sprintf('more than %d bends', self::MOST_ROWS));
                }
                $straight = self::number($cells, $columns['straight'], 'straight') * $factor;
                if ($straight < 0.0) {
                    throw JobError::at('', 'a straight cannot be less than 0');
                }
                if ($name === 'tail' || ($cells[$columns['angle']] ?? '') === '') {
                    $tail = $straight;

                    continue;
                }
                $bends[] = self::bend($cells, $columns, $straight, $factor);
            } catch (JobError $error) {
                $refused[] = [
                    'line' => $index + 1,
                    'text' => mb_substr(trim($line), 0, 80),
                    'why' => $error->getMessage(),
                ];
            }
        }

        return new self(new BendPath($bends, $tail), $refused);
    }

    /**
     * @param  list<string>  $cells
     * @param  array{straight: int, rotation: int, angle: int, radius: int}  $columns
     * @return array{straight: float, rotation: float, angle: float, radius: float}
     *
     * @throws JobError
     */
    private static function bend(array $cells, array $columns, float $straight, float $factor): array
    {
        $angle = self::number($cells, $columns['angle'], 'angle');
        $radius = self::number($cells, $columns['radius'], 'radius') * $factor;
        if ($angle <= 0.0 || $angle >= 179.5) {
            throw JobError::at('', 'an angle is more than 0 and less than 179.5 degrees');
        }
        if ($radius <= 0.0) {
            throw JobError::at('', 'the bend radius must be more than 0');
        }

        return [
            'straight' => $straight,
            'rotation' => deg2rad(self::number($cells, $columns['rotation'], 'rotation')),
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

    /**
     * @param  list<string>  $cells
     *
     * @throws JobError
     */
    private static function number(array $cells, int $column, string $what): float
    {
        $cell = str_replace(['−', ' ', '°'], ['-', '', ''], $cells[$column] ?? '');
        $cell = substr_count($cell, ',') === 1 ? str_replace(',', '.', $cell) : $cell;

        return is_numeric($cell) && abs((float) $cell) < 1e7
            ? (float) $cell
            : throw JobError::at('', sprintf('the %s is no number', $what));
    }
}
