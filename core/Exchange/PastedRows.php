<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Geometry\Vector;
use Bowline\Job\Entry;
use Bowline\Job\FileValue;
use Bowline\Job\JobError;
use Bowline\Job\Units;
use Bowline\Job\Values;
use stdClass;

/**
 * Reads corners pasted from a spreadsheet: a row a vertex (x, y, z and an optional radius), or a row a leg (direction,
 * length and an optional radius). Numbers are read as in any field; a heading gives at most the unit; a row that cannot
 * be read is refused by itself, with the reason.
 */
final readonly class PastedRows
{
    private const MOST_ROWS = 500;

    /**
     * @param  list<stdClass>  $stops  in the shape of the job file
     * @param  list<array{line: int, text: string, why: string}>  $refused
     */
    private function __construct(
        public array $stops,
        public array $refused,
    ) {
    }

    public static function read(string $text, Values $values, ?Units $units = null): self
    {
        $stops = $refused = [];
        $numbered = false;
        foreach (TableReader::loose($text) as $row) {
            $cells = self::cells($row);
            if ($stops === [] && $refused === [] && self::isHeading($cells)) {
                $units =
                    preg_match('/_(mm|in)\b/', $row->text, $said) === 1
                        ? ($said[1] === 'in'
                            ? Units::inches()
                            : Units::millimetres())
                        : $units;
                // Tables written by Bowline number their rows.
                $numbered = in_array(mb_strtolower($cells[0]), ['vertex', 'leg', 'corner', 'no', 'no.', '#'], true);

                continue;
            }
            try {
                if (count($stops) >= self::MOST_ROWS) {
                    throw JobError::at('', sprintf('more than %d rows', self::MOST_ROWS));
                }
                $stops[] = self::stop($numbered ? array_slice($cells, 1) : $cells, $values, $units);
            } catch (JobError $error) {
                $refused[] = $row->refused($error->getMessage());
            }
        }

        return new self($stops, $refused);
    }

    /** @return non-empty-list<string> cells of a row, without empty ones behind the last */
    private static function cells(TableRow $row): array
    {
        $cells = $row->cells;
        while (count($cells) > 1 && $cells[count($cells) - 1] === '') {
            array_pop($cells);
        }

        return $cells === [] ? [''] : $cells;
    }

    /** @param  list<string>  $cells */
    private static function isHeading(array $cells): bool
    {
        return self::direction($cells[0]) === null
            && array_filter($cells, static fn (string $cell): bool => preg_match('/\d/', $cell) === 1) === [];
    }

    /**
     * @param  list<string>  $cells
     *
     * @throws JobError
     */
    private static function stop(array $cells, Values $values, ?Units $units): stdClass
    {
        $direction = self::direction($cells[0] ?? '');
        $isLeg = $direction !== null;
        $needed = $isLeg ? 2 : 3;
        if (count($cells) < $needed || count($cells) > $needed + 1) {
            throw JobError::at('', 'x, y, z or direction, length are expected, and a radius if you like');
        }
        $numbers = array_map(
            static fn (string $cell): int|float|string => Entry::read($cell, $values, $units)->number,
            array_slice($cells, $isLeg ? 1 : 0, $isLeg ? 1 : 3),
        );
        if ($isLeg && Entry::read($cells[1], $values, $units)->value <= 0.0) {
            throw JobError::at('', 'the length of a leg must be more than 0');
        }
        $stop = (object) ($isLeg
            ? ['along' => $direction, 'length' => self::tidy($numbers[0])]
            : ['at' => array_map(self::tidy(...), $numbers)]);
        if (isset($cells[$needed])) {
            $radius = Entry::read($cells[$needed], $values, $units);
            if ($radius->value <= 0.0) {
                throw JobError::at('', 'the bend radius must be more than 0');
            }
            $stop->corner = (object) ['radius' => self::tidy($radius->number)];
        }

        return $stop;
    }

    private static function direction(string $cell): ?string
    {
        $name = mb_strtolower(str_replace(['−', '–', ' '], ['-', '-', ''], $cell));
        $name = strlen($name) === 1 ? '+'.$name : $name;

        return Vector::axis($name) === null ? null : $name;
    }

    private static function tidy(int|float|string $number): int|float|string
    {
        return is_string($number) ? $number : FileValue::roundForFile((float) $number);
    }
}
