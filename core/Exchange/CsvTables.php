<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Job\Units;
use Bowline\Solving\SolvedRun;

/**
 * Writes the tables of a run as CSV (RFC 4180): in the units of its job, inches as decimals; degrees; a decimal point
 * and no thousands separator. The headings name the units.
 */
final class CsvTables
{
    /** Decimals, enough to bend the same run again to 1e-6 mm. */
    private const DECIMALS = 9;

    /** Returns a row a bend, then the straight behind the last one, the length and the cut length. */
    public static function bends(SolvedRun $solved): string
    {
        $table = $solved->bendTable;
        $units = $solved->laid->run->units;
        $unit = $units->word();
        $rows = [
            [
                'bend',
                'straight_'.$unit,
                'rotation_deg',
                'angle_deg',
                'set_angle_deg',
                'radius_'.$unit,
                'arc_'.$unit,
            ],
        ];
        foreach ($table->rows as $index => $row) {
            $rows[] = [
                (string) ($index + 1),
                self::length($row->straight, $units),
                self::number(rad2deg($row->rotation)),
                self::number(rad2deg($row->angle)),
                self::number(rad2deg($row->setAngle)),
                self::length($row->radius, $units),
                self::length($row->arc, $units),
            ];
        }
        foreach (
            ['tail' => $table->tail, 'length' => $table->length, 'cut length' => $table->cutLength] as $name => $length
        ) {
            $rows[] = [$name, self::length($length, $units), '', '', '', '', ''];
        }

        return self::csv($rows);
    }

    /** Returns a row a vertex, corner to corner. */
    public static function vertices(SolvedRun $solved): string
    {
        $units = $solved->laid->run->units;
        $unit = $units->word();
        $rows = [['vertex', 'x_'.$unit, 'y_'.$unit, 'z_'.$unit, 'radius_'.$unit]];
        $radius = [];
        foreach ($solved->laid->bends as $bend) {
            $radius[$bend->vertex] = self::length($bend->radius, $units);
        }
        foreach ($solved->laid->vertices as $index => $vertex) {
            $rows[] = [
                (string) $index,
                ...array_map(static fn (float $part): string => self::length($part, $units), $vertex->at->toArray()),
                $radius[$index] ?? '',
            ];
        }

        return self::csv($rows);
    }

    private static function length(float $length, Units $units): string
    {
        return self::number($units->amount($length));
    }

    /** Returns a number with as many decimals as it has, nine at most. */
    public static function number(float $number): string
    {
        $text = rtrim(rtrim(number_format($number, self::DECIMALS, '.', ''), '0'), '.');

        return $text === '-0' ? '0' : $text;
    }

    /** @param  list<list<string>>  $rows  plain words and numbers, which need no quoting, or quoted already */
    public static function csv(array $rows): string
    {
        return implode('', array_map(static fn (array $row): string => implode(',', $row)."\r\n", $rows));
    }
}
