<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Bending\BendRow;
use Bowline\Comparison\BendChange;
use Bowline\Comparison\JobComparison;
use Bowline\Comparison\RunComparison;
use Bowline\Comparison\SpoolChange;
use Bowline\Solving\SolvedRun;

/** Writes what differs between two states of a job (schema/solution.json, `comparison`): millimetres and degrees. */
final class ComparisonWriter
{
    /** @return array{runs: list<array<string, mixed>>} */
    public static function write(JobComparison $comparison): array
    {
        return ['runs' => array_map(self::run(...), $comparison->runs)];
    }

    /** @return array<string, mixed> */
    private static function run(RunComparison $run): array
    {
        return [
            'id' => $run->id,
            'name' => $run->name(),
            'change' => $run->change->value,
            'moved' => $run->moved,
            'at' => $run->at?->withoutNegativeZeros(),
            'bends' => array_map(self::bend(...), $run->bends),
            'length' => self::pair($run, static fn (SolvedRun $one): float => $one->bendTable->length),
            'cut_length' => self::pair($run, static fn (SolvedRun $one): float => $one->bendTable->cutLength),
            'mass' => self::pair($run, static fn (SolvedRun $one): float => $one->mass()),
            'remake' => $run->isRemade(),
            'spools' => array_map(static fn (SpoolChange $spool): array => [
                'mark' => $spool->mark, 'work' => $spool->work->value, 'was' => $spool->was,
            ], $run->spools),
        ];
    }

    /** @return array<string, mixed> a bend as it was and as it is, its number from 1 */
    private static function bend(BendChange $bend): array
    {
        /** @param  callable(BendRow): float  $figure */
        $pair = static fn (callable $figure): array => [
            $bend->before === null ? null : $figure($bend->before),
            $bend->after === null ? null : $figure($bend->after),
        ];

        return [
            'change' => $bend->word(),
            'was' => $bend->was === null ? null : $bend->was + 1,
            'bend' => $bend->is === null ? null : $bend->is + 1,
            'straight' => $pair(static fn (BendRow $row): float => $row->straight),
            'rotation' => $pair(static fn (BendRow $row): float => rad2deg($row->rotation)),
            'angle' => $pair(static fn (BendRow $row): float => rad2deg($row->angle)),
            'radius' => $pair(static fn (BendRow $row): float => $row->radius),
        ];
    }

    /**
     * @param  callable(SolvedRun): float  $figure
     * @return array{float|null, float|null} before and now
     */
    private static function pair(RunComparison $run, callable $figure): array
    {
        return [
            $run->before === null ? null : $figure($run->before), $run->after === null ? null : $figure($run->after),
        ];
    }
}
