<?php

declare(strict_types=1);

namespace Bowline\Drawing;

use Bowline\Bending\BendRow;
use Bowline\Comparison\BendChange;
use Bowline\Comparison\Change;
use Bowline\Comparison\JobComparison;
use Bowline\Comparison\RunComparison;
use Bowline\Comparison\SpoolChange;
use Bowline\Comparison\SpoolWork;
use Bowline\Drawing\Plan\Plan;
use Bowline\Drawing\Sheet\Canvas;
use Bowline\Drawing\Sheet\Paper;
use Bowline\Drawing\Sheet\Table;
use Bowline\Drawing\Sheet\TextMetrics;
use Bowline\Drawing\Sheet\TitleBlock;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\Units;
use Bowline\Job\Words;
use Bowline\Solving\SolvedRun;

/** The sheet that tells the shop what has changed from one state of a job to another, run by run and bend by bend. */
final class ChangeSheet
{
    private const GAP = 4.0;

    private const WORDS = [
        'same' => 'same', 'moved' => 'moved only', 'changed' => 'changed', 'new' => 'new', 'gone' => 'gone',
    ];

    private readonly Units $units;

    private function __construct(private readonly Job $job, private readonly JobComparison $comparison)
    {
        $this->units = $job->site->units;
    }

    /**
     * @param  Job  $job  as it is now
     * @param  string  $before  what it is compared with, in words; $after likewise
     * @param  string  $date  empty for none
     * @return non-empty-list<Plan>
     *
     * @throws JobError when there is no such paper
     */
    public static function pages(
        Job $job,
        JobComparison $comparison,
        string $before,
        string $after,
        string $date,
    ): array {
        $settings = $job->sheets;
        $sheet = new self($job, $comparison);
        $block = new TitleBlock(
            $settings, 'Change sheet', sprintf('from %s to %s', $before, $after), $sheet->summary(), $job->name, $date,
            $sheet->units, '',
        );
        $paper = Paper::usual($settings->paper);
        $inside = $paper->height - 2 * TitleBlock::MARGIN - $block->height() - self::GAP;
        $tables = array_values(array_filter([$sheet->runs(), $sheet->bends(), $sheet->spools()]));
        $pages = Table::divided($tables, $inside, self::GAP);
        // A job without runs still has a sheet that says so.
        $pages = $pages === [] ? [[]] : $pages;
        $metrics = new TextMetrics;

        return array_map(static function (array $tables, int $i) use ($paper, $block, $metrics, $pages): Plan {
            $canvas = new Canvas($paper, $metrics);
            [$left, , $right, $top] = $block->draw($canvas, 'tables', $i + 1, count($pages));
            Table::drawAll($tables, $canvas, $left + 3.0, $top - self::GAP, $right - $left - 6.0, self::GAP);

            return $canvas->plan('Change sheet');
        }, $pages, array_keys($pages));
    }

    private function summary(): string
    {
        $counts = array_count_values(array_map(
            static fn (RunComparison $run): string => $run->change->value, $this->comparison->runs,
        ));
        $words = [];
        foreach (self::WORDS as $change => $word) {
            if (isset($counts[$change])) {
                $words[] = $counts[$change].' '.$word;
            }
        }

        return $words === [] ? 'no runs' : implode(', ', $words);
    }

    private function runs(): Table
    {
        $unit = $this->units->word();
        $rows = array_map(fn (RunComparison $run): array => [
            $run->name(), self::WORDS[$run->change->value],
            $run->moved === null || $run->change === Change::Same ? '' : $this->units->column($run->moved),
            ...$this->pair($run, fn (SolvedRun $one): string => $this->units->column($one->bendTable->length)),
            ...$this->pair($run, fn (SolvedRun $one): string => $this->units->column($one->bendTable->cutLength)),
            ...$this->pair($run, static fn (SolvedRun $one): string => Words::number($one->mass(), 3)),
        ], $this->comparison->runs);

        return new Table(
            'Runs',
            [
                'Run', 'What', "Off by, $unit", "Length, $unit", 'now', "Cut, $unit", 'now', 'Mass, kg', 'now',
            ],
            $rows, [34.0, 18.0, 14.0, 15.0, 15.0, 15.0, 15.0, 12.0, 12.0], [1],
        );
    }

    private function bends(): ?Table
    {
        $unit = $this->units->word();
        $rows = [];
        foreach ($this->comparison->runs as $run) {
            foreach ($run->bends as $bend) {
                $rows[] = [
                    $run->name(), self::numbers($bend), ['added' => 'added', 'removed' => 'taken out',
                        'changed' => 'changed'][$bend->word()],
                    $this->figures($bend, fn (BendRow $row): string => $this->units->column($row->straight)),
                    $this->figures($bend, static fn (BendRow $row): string => self::degrees($row->rotation)),
                    $this->figures($bend, static fn (BendRow $row): string => self::degrees($row->angle)),
                    $this->figures($bend, fn (BendRow $row): string => $this->units->column($row->radius)),
                ];
            }
        }

        return $rows === [] ? null : new Table(
            'Bends', ['Run', 'Bend', 'What', "Straight, $unit", 'Rotation', 'Angle', "Radius, $unit"], $rows,
            [30.0, 12.0, 16.0, 26.0, 30.0, 26.0, 22.0], [2],
        );
    }

    private function spools(): ?Table
    {
        $rows = [];
        foreach ($this->comparison->runs as $run) {
            foreach ($run->change === Change::Same ? [] : $run->spools as $spool) {
                $rows[] = [$spool->mark, $run->name(), self::work($spool)];
            }
        }

        return $rows === [] ? null : new Table('Spools', ['Spool', 'Run', 'What to do'], $rows, [20, 30, 70], [1, 2]);
    }

    private static function work(SpoolChange $spool): string
    {
        $was = $spool->was === null || $spool->was === $spool->mark ? '' : sprintf(' (it was %s)', $spool->was);

        return match ($spool->work) {
            SpoolWork::Keep => 'keep: it is made as it was'.$was,
            SpoolWork::Bend => 'bend another from the same stock, with the same ends'.$was,
            SpoolWork::Make => 'make anew',
        };
    }

    private static function numbers(BendChange $bend): string
    {
        $numbers = array_unique(array_map(
            static fn (int $number): int => $number + 1,
            array_filter([$bend->was, $bend->is], static fn (?int $number): bool => $number !== null),
        ));

        return implode(' → ', $numbers);
    }

    /**
     * Returns a figure of a bend as it was and as it is, once where it has not changed.
     *
     * @param  callable(BendRow): string  $figure
     */
    private function figures(BendChange $bend, callable $figure): string
    {
        $before = $bend->before === null ? null : $figure($bend->before);
        $after = $bend->after === null ? null : $figure($bend->after);

        return $before === $after || $after === null || $before === null
            ? $after ?? $before ?? ''
            : $before.' → '.$after;
    }

    private static function degrees(float $angle): string
    {
        return str_replace('-', '−', number_format(rad2deg($angle), 2, '.', '')).'°';
    }

    /**
     * @param  callable(SolvedRun): string  $figure
     * @return array{string, string}
     */
    private function pair(RunComparison $run, callable $figure): array
    {
        return [
            $run->before === null ? '' : $figure($run->before), $run->after === null ? '' : $figure($run->after),
        ];
    }
}
