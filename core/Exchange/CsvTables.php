<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\SolvedRun;

/** The tables of a run as CSV (RFC 4180): millimetres and degrees, a decimal point, no thousands. */
final class CsvTables
{
    /** Enough digits to bend the same run again to a thousandth of a micron. */
    private const DECIMALS = 9;

    /** A row a bend, then the straight after the last one, the length and the length to cut. */
    public static function bends(SolvedRun $solved): string
    {
        $table = $solved->bendTable;
        $rows = [['bend', 'straight_mm', 'rotation_deg', 'angle_deg', 'set_angle_deg', 'radius_mm', 'arc_mm']];
        foreach ($table->rows as $index => $row) {
            $rows[] = [
                (string) ($index + 1),
                ...array_map(self::number(...), [
                    $row->straight, rad2deg($row->rotation), rad2deg($row->angle), rad2deg($row->setAngle), $row->radius, $row->arc,
                ]),
            ];
        }
        foreach (['tail' => $table->tail, 'length' => $table->length, 'cut length' => $table->cutLength] as $name => $length) {
            $rows[] = [$name, self::number($length), '', '', '', '', ''];
        }

        return self::csv($rows);
    }

    /** A row a vertex, corner to corner. */
    public static function vertices(SolvedRun $solved): string
    {
        $rows = [['vertex', 'x_mm', 'y_mm', 'z_mm', 'radius_mm']];
        $radius = [];
        foreach ($solved->laid->bends as $bend) {
            $radius[$bend->vertex] = self::number($bend->radius);
        }
        foreach ($solved->laid->vertices as $index => $vertex) {
            $rows[] = [(string) $index, ...array_map(self::number(...), $vertex->at->toArray()), $radius[$index] ?? ''];
        }

        return self::csv($rows);
    }

    private static function number(float $number): string
    {
        $text = rtrim(rtrim(number_format($number, self::DECIMALS, '.', ''), '0'), '.');

        return $text === '-0' ? '0' : $text;
    }

    /** @param  list<list<string>>  $rows  plain words and numbers, which need no quoting */
    private static function csv(array $rows): string
    {
        return implode('', array_map(static fn (array $row): string => implode(',', $row)."\r\n", $rows));
    }
}
