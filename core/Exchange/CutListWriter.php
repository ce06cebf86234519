<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Bending\BendRow;
use Bowline\Bending\CutList;
use Bowline\Bending\CutPart;
use Bowline\Job\Units;
use Bowline\Routing\LaidRun;

/** Writes the cut list of a run that is made with elbows (schema/solution.json, `cutPart`; CSV). */
final class CutListWriter
{
    /**
     * @param  callable(BendRow, float): array<string, mixed>  $bend  writes a row of a bend table with its least radius
     * @return list<array<string, mixed>>|null null where it has no elbow
     */
    public static function write(LaidRun $laid, callable $bend): ?array
    {
        $least = $laid->run->stock->bend->leastRadius;
        $list = CutList::of($laid);

        return $list === null ? null : array_map(static fn (CutPart $part): array => [
            'kind' => $part->kind,
            'words' => $part->words,
            'length' => $part->length,
            'angle' => $part->angle === null ? null : rad2deg($part->angle),
            'radius' => $part->radius,
            'bends' => array_map(static fn (BendRow $row): array => $bend($row, $least), $part->bends),
        ], $list->parts);
    }

    /** Returns a row a piece: its number, what it is, and its length in the units of the job; null without elbows. */
    public static function csv(LaidRun $laid): ?string
    {
        $list = CutList::of($laid);
        $units = $laid->run->units;

        return $list === null ? null : CsvTables::csv([
            ['piece', 'kind', 'what', 'length_'.$units->word(), 'angle_deg', 'bends'],
            ...array_map(static fn (CutPart $part, int $index): array => [
                (string) ($index + 1), $part->kind, CsvCell::text($part->words),
                self::length($part->length, $units),
                $part->angle === null ? '' : CsvTables::number(rad2deg($part->angle)),
                (string) count($part->bends),
            ], $list->parts, array_keys($list->parts)),
        ]);
    }

    private static function length(?float $length, Units $units): string
    {
        return $length === null ? '' : CsvTables::number($units->amount($length));
    }
}
