<?php

declare(strict_types=1);

namespace Bowline\Drawing;

use Bowline\Bending\Bender;
use Bowline\Bending\BenderCheck;
use Bowline\Bending\Benders;
use Bowline\Bending\BendRow;
use Bowline\Bending\CutList;
use Bowline\Bending\CutPart;
use Bowline\Drawing\Plan\Pages;
use Bowline\Drawing\Plan\Plan;
use Bowline\Drawing\Sheet\Canvas;
use Bowline\Drawing\Sheet\Paper;
use Bowline\Drawing\Sheet\Scale;
use Bowline\Drawing\Sheet\Table;
use Bowline\Drawing\Sheet\TextMetrics;
use Bowline\Drawing\Sheet\TitleBlock;
use Bowline\Geometry\Tolerance;
use Bowline\Job;
use Bowline\Job\SheetSettings;
use Bowline\Job\Units;
use Bowline\Job\Words;
use Bowline\Solving\SolvedRun;

/**
 * The sheet by which the shop bends a run, or a spool of it, or cuts what is not bent: dimensioned views, the tube laid
 * straight, bend table and corners. What has no room beside the views follows on further sheets, then the tape at full
 * size where it is wanted.
 */
final class BendSheet implements DrawingKind
{
    /** Least height that views are given beside the tables, mm. */
    private const LEAST_VIEWS = 95.0;

    private const GAP = 4.0;

    /** Of the width, of the table of bends and of that of corners. */
    private const SHARES = [0.6, 0.4];

    /** Height of the lines that say what the tube is, mm. */
    private const FACTS = 17.0;

    private readonly Units $units;

    private readonly TextMetrics $metrics;

    private readonly ?CutList $cuts;

    /** Whether it is of bends; else it is a cut sheet. */
    private readonly bool $isOfBends;

    private readonly ?StraightTube $straight;

    private readonly ?Bender $bender;

    private function __construct(
        private readonly Job $job,
        private readonly SolvedRun $solved,
        private readonly SheetSettings $settings,
        private readonly string $date,
        private readonly bool $hasTape,
    ) {
        $laid = $solved->laid;
        $this->units = $laid->run->units;
        $this->metrics = new TextMetrics;
        $this->cuts = CutList::of($laid);
        $this->isOfBends = self::isOfBends($solved);
        $this->straight = $this->isOfBends ? StraightTube::of($solved->bendTable, $this->units) : null;
        $able = array_values(array_filter(
            Benders::of($job), static fn (Bender $bender): bool => BenderCheck::of($bender, $laid)->canBend(),
        ));
        $this->bender = $this->straight === null ? null : $able[0] ?? null;
    }

    public static function word(): string
    {
        return 'bend-sheet';
    }

    public static function title(): string
    {
        return 'Bend sheet';
    }

    /** It is a cut sheet of what is not bent on a bender, or is made with elbows. */
    public static function titleOf(DrawingQuestion $question): string
    {
        return self::titleFor($question->run('a bend sheet'));
    }

    private static function titleFor(SolvedRun $solved): string
    {
        return self::isOfBends($solved) ? self::title() : 'Cut sheet';
    }

    private static function isOfBends(SolvedRun $solved): bool
    {
        return $solved->laid->run->isBent() && CutList::of($solved->laid) === null;
    }

    public static function isOfRun(): bool
    {
        return true;
    }

    public static function pages(DrawingQuestion $question): Pages
    {
        return (new self(
            $question->job,
            $question->run('a bend sheet'),
            $question->settings(), $question->date, $question->hasTape,
        ))->all();
    }

    private function all(): Pages
    {
        $paper = Paper::usual($this->settings->paper);
        $tables = $this->tables();
        $block = $this->titleBlock();
        $inside = $paper->height - 2 * TitleBlock::MARGIN - $block->height();
        $strip = $this->straight === null ? 0.0 : StraightTube::HEIGHT;
        $room = $inside - self::FACTS - $strip - self::GAP;
        $isBeside = $room - $this->heightOf($tables) - self::GAP >= self::LEAST_VIEWS;
        $rest = $isBeside ? [] : Table::divided($tables, $inside - 2 * self::GAP, self::GAP);
        $tape = $this->hasTape && $this->straight !== null ? $this->straight->pages(Paper::across($paper->name)) : 0;
        $sheets = 1 + count($rest) + $tape;
        $pages = [fn (): Plan => $this->first($paper, $block, $isBeside ? $tables : [], $sheets)];
        foreach ($rest as $number => $column) {
            $pages[] = fn (): Plan => $this->further($paper, $block, $column, $number + 2, $sheets);
        }
        for ($i = 0; $i < $tape; $i++) {
            $pages[] = fn (): Plan => $this->tape($paper, $block, $i, 2 + count($rest) + $i, $sheets);
        }

        return new Pages($pages);
    }

    /** A page of the tape at full size. */
    private function tape(Paper $paper, TitleBlock $block, int $part, int $sheet, int $sheets): Plan
    {
        $canvas = new Canvas(Paper::across($paper->name), $this->metrics);
        $within = $block->draw($canvas, Scale::full()->words(), $sheet, $sheets);
        $this->straight?->tape($canvas, $within, $part);

        return $canvas->plan($this->name());
    }

    private function name(): string
    {
        return self::titleFor($this->solved).' '.$this->solved->laid->run->name;
    }

    private function titleBlock(): TitleBlock
    {
        $run = $this->solved->laid->run;
        $whole = $this->solved->laid->part->run ?? $this->solved->laid;

        return new TitleBlock(
            $this->settings, self::titleFor($this->solved), $run->name, $run->stock->name,
            $this->job->name, $this->date, $this->units, implode(' / ', array_filter([
                'BOWLINE', $whole->run->id, $run->id === $whole->run->id ? '' : $run->id,
                $this->settings->revision === '' ? '' : 'revision '.$this->settings->revision, $this->job->name,
            ], static fn (string $part): bool => $part !== '')),
        );
    }

    /** @param  list<Table>  $tables  beside the views */
    private function first(Paper $paper, TitleBlock $block, array $tables, int $sheets): Plan
    {
        $views = new DimensionedViews(
            $this->solved->laid, $this->job->site->up, $this->settings->isThirdAngle,
        );
        $within = $block->inside($paper);
        $low = $within[1] + self::GAP
            + ($tables === [] ? 0.0 : $this->heightOf($tables) + self::GAP)
            + ($this->straight === null ? 0.0 : StraightTube::HEIGHT + 2.0);
        $room = [$within[0], $low, $within[2], $within[3] - self::FACTS];
        $canvas = new Canvas($paper, $this->metrics);
        $block->draw($canvas, $views->scale($room)->words(), 1, $sheets);
        $this->beside($canvas, $within, $tables);
        $views->draw($canvas, $room);

        return $canvas->plan($this->name());
    }

    /**
     * Draws what stands over and under the views: what the tube is, the tube laid straight, and tables side by side.
     *
     * @param  array{float, float, float, float}  $within
     * @param  list<Table>  $tables
     */
    private function beside(Canvas $canvas, array $within, array $tables): void
    {
        [$left, $bottom, $right, $top] = $within;
        $this->facts($canvas, $left + 3.0, $top, $right - $left - 6.0);
        $low = $bottom + self::GAP;
        $x = $left + 3.0;
        $high = $this->heightOf($tables);
        foreach ($tables as $number => $table) {
            $wide = ($right - $left - 6.0) * (count($tables) === 1 ? 1.0 : self::SHARES[$number]);
            $table->draw($canvas, $x, $low + $high, $wide - ($number < count($tables) - 1 ? self::GAP : 0.0));
            $x += $wide;
        }
        $low += $tables === [] ? 0.0 : $high + self::GAP;
        $this->straight?->draw($canvas, $left + 3.0, $low + StraightTube::HEIGHT + 2.0, $right - $left - 6.0);
    }

    /** @param  list<Table>  $tables  side by side */
    private function heightOf(array $tables): float
    {
        return max([0.0, ...array_map(static fn (Table $table): float => $table->height(), $tables)]);
    }

    /** What the tube is, and how it is bent, in two rows. */
    private function facts(Canvas $canvas, float $left, float $top, float $width): void
    {
        $run = $this->solved->laid->run;
        $table = $this->solved->bendTable;
        $violated = $this->solved->status() === 'violation';
        $rows = [
            [
                [0.16, 'Cut length', $this->units->say($table->cutLength)],
                [0.16, 'Centre line', $this->units->say($table->length)],
                [0.12, 'Bends', $table->rows === [] ? 'none' : (string) count($table->rows)],
                [0.14, 'Mass', Words::number($this->solved->mass(), 3).' kg'],
                ...$this->isOfBends
                    ? [[0.42, 'Finished part', $this->settings->partTolerances->words($this->units)]]
                    : [],
            ],
            [
                [1 / 3, 'Left on for trimming', $this->trims($run->from->trim, $run->to->trim)],
                [1 / 3, 'State', [
                    'good' => 'good', 'warning' => 'has warnings', 'violation' => $this->isOfBends
                        ? 'NOT TO BE BENT: has violations'
                        : 'NOT TO BE MADE: has violations',
                ][$this->solved->status()]],
                ...$this->straight === null ? [] : [[1 / 3, 'Bent on', $this->bender === null
                    ? 'no bender at hand takes it as it is'
                    : sprintf('%s, clamp %s', $this->bender->name, $this->units->say($this->bender->leastStraight))]],
            ],
        ];
        $y = $top - 3.4;
        foreach ($rows as $cells) {
            $x = $left;
            foreach ($cells as [$share, $name, $value]) {
                $canvas->fitted('title', [$x, $y], $name, $width * $share - 2.0, 1.4);
                $canvas->fitted(
                    'title', [$x, $y - 3.4], $value, $width * $share - 2.0, 2.1,
                    isBold: $name === 'Cut length' || ($name === 'State' && $violated),
                );
                $x += $width * $share;
            }
            $y -= 7.6;
        }
    }

    private function trims(float $start, float $end): string
    {
        return $start === 0.0 && $end === 0.0
            ? 'nothing'
            : sprintf('%s at the start, %s at the end', $this->units->say($start), $this->units->say($end));
    }

    /** @param  list<Table>  $tables */
    private function further(Paper $paper, TitleBlock $block, array $tables, int $sheet, int $sheets): Plan
    {
        $canvas = new Canvas($paper, $this->metrics);
        [$left, , $right, $top] = $block->draw($canvas, 'tables', $sheet, $sheets);
        Table::drawAll($tables, $canvas, $left + 3.0, $top - self::GAP, $right - $left - 6.0, self::GAP);

        return $canvas->plan($this->name());
    }

    /** @return list<Table> */
    private function tables(): array
    {
        return array_values(array_filter([
            match (true) {
                $this->cuts !== null => $this->cuts($this->cuts),
                $this->isOfBends => $this->bends(),
                $this->solved->bendTable->rows !== [] => $this->turns(),
                // The cut length stands over the views.
                default => null,
            },
            $this->corners(),
        ]));
    }

    private function bends(): Table
    {
        $table = $this->solved->bendTable;
        $rows = [];
        foreach ($table->rows as $index => $row) {
            $rows[] = [
                (string) ($index + 1), $this->units->column($row->straight),
                $index === 0 ? '' : self::sense($row->rotation), self::degrees($row->angle),
                self::degrees($row->setAngle), $this->units->column($row->radius),
                $this->bender === null ? '' : 'R '.$this->units->number($this->bender->nearestRadius($row->radius)),
                $this->units->column($row->mark), $this->units->column($row->markFromEnd),
            ];
        }
        $rows[] = ['tail', $this->units->column($table->tail), '', '', '', '', '', '', ''];

        return new Table(
            'Bend table',
            ['Bend', 'Straight', 'Rotation', 'Angle', 'Set to', 'Radius', 'Die', 'Starts at', 'From end'],
            $rows, [8.0, 14.0, 16.0, 13.0, 13.0, 11.0, 11.0, 14.0, 14.0],
        );
    }

    /** The turns of what is cut to length and bends as it is laid. */
    private function turns(): Table
    {
        return new Table(
            'Turns', ['Turn', 'Straight', 'Angle', 'Radius', 'Starts at', 'From end'],
            array_map(fn (BendRow $row, int $index): array => [
                (string) ($index + 1), $this->units->column($row->straight), self::degrees($row->angle),
                $this->units->column($row->radius), $this->units->column($row->mark),
                $this->units->column($row->markFromEnd),
            ], $this->solved->bendTable->rows, array_keys($this->solved->bendTable->rows)),
            [8.0, 14.0, 13.0, 11.0, 14.0, 14.0],
        );
    }

    /** Returns a rotation with its sense: clockwise is positive, looking along the tube from its start. */
    private static function sense(float $rotation): string
    {
        $degrees = rad2deg($rotation);

        return number_format(abs($degrees), 2, '.', '').'°'.match (true) {
            abs($degrees) < 0.005, abs(abs($degrees) - 180.0) < 0.005 => '',
            $degrees > 0 => ' ↻',
            default => ' ↺',
        };
    }

    private static function degrees(float $angle): string
    {
        return number_format(rad2deg($angle), 2, '.', '').'°';
    }

    private function cuts(CutList $cuts): Table
    {
        $unit = $this->units->word();

        return new Table('Cut list', ['Piece', 'What', "Cut to, $unit", 'Bent'], array_map(
            fn (CutPart $part, int $index): array => [
                (string) ($index + 1), $part->words, $part->length === null ? '' : $this->units->column($part->length),
                implode('; ', array_map(fn (BendRow $row): string => sprintf(
                    '%s° R %s at %s', Words::number(rad2deg($row->angle)), $this->units->column($row->radius),
                    $this->units->column($row->mark),
                ), $part->bends)),
            ],
            $cuts->parts, array_keys($cuts->parts),
        ), [8.0, 45.0, 15.0, 40.0], [1, 3]);
    }

    private function corners(): ?Table
    {
        $laid = $this->solved->laid;
        $bends = [];
        foreach ($laid->bends as $index => $bend) {
            $bends[$bend->vertex] = $index;
        }
        $rows = [];
        $before = null;
        foreach ($laid->vertices as $index => $vertex) {
            // A corner that is rounded by nothing is on a straight, unless it is an end.
            $number = $bends[$index] ?? null;
            $isEnd = $index === 0 || $index === count($laid->vertices) - 1;
            if (($number === null && ! $isEnd)
                || ($before !== null && $before->distanceTo($vertex->at) < Tolerance::COINCIDENT)) {
                continue;
            }
            $rows[] = [
                $number === null ? ($index === 0 ? 'start' : 'end') : (string) ($number + 1),
                ...array_map(fn (float $part): string => $this->units->column($part), $vertex->at->toArray()),
                $before === null ? '' : $this->units->column($before->distanceTo($vertex->at)),
            ];
            $before = $vertex->at;
        }

        return $rows === [] ? null : new Table(
            'Corners', ['Bend', 'X', 'Y', 'Z', 'Leg to it'], $rows, [9.0, 14.0, 14.0, 14.0, 14.0],
        );
    }
}
