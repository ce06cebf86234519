<?php

declare(strict_types=1);

namespace Bowline\Drawing;

use Bowline\Drawing\Plan\Plan;
use Bowline\Drawing\Plan\PlanCircle;
use Bowline\Drawing\Plan\PlanLine;
use Bowline\Drawing\Plan\PlanShape;
use Bowline\Drawing\Plan\PlanShift;
use Bowline\Drawing\Plan\PlanText;
use Bowline\Geometry\Tolerance;
use Bowline\Harness\Board;
use Bowline\Harness\BoardChange;
use Bowline\Harness\BoardChanges;
use Bowline\Harness\BoardMark;
use Bowline\Harness\BoardSegment;
use Bowline\Harness\HarnessLabels;
use Bowline\Job\Harness\Cover;
use Bowline\Job\Units;
use Bowline\Solving\SolvedHarness;

/** Draws the board of a harness at full size: trunks as thick as they are, pegs, ties, covers, lengths, connectors. */
final class BoardDrawing
{
    private const MARGIN = 40.0;

    /** Between two ties, and from the end of a trunk, mm. */
    private const TIES = 150.0;

    private const TRUNK = '#3c4245';

    private const COVER = '#8b6f3f';

    private const LEAD = '#7a8589';

    private const INK = '#15242c';

    private const PEG = '#bc2f26';

    /** Height of the rows of a table of pins, and of letters, mm. */
    private const ROW = 5.0;

    private const LETTERS = 3.2;

    private const PEG_RADIUS = 3.0;

    /** Radii of the rings round a connector with a fault, to be seen from afar, mm. */
    private const RINGS = [40.0, 44.0, 48.0, 52.0];

    /** Width of a letter over the height of capitals, on average at most. */
    private const WIDTH = 0.85;

    /** A table that is farther from its connector is led to, mm. */
    private const LED = 14.0;

    private const LABEL = '#0e4254';

    /** What differs from the board that was built. */
    private const CHANGED = '#b86e00';

    private readonly BoardTables $tables;

    /** @var list<PlanShape> */
    private array $shapes = [];

    private function __construct(
        private readonly SolvedHarness $solved,
        private readonly Board $board,
        private readonly Units $units,
    ) {
        $this->tables = new BoardTables($board);
    }

    /** @param  list<string>  $marked  connectors that are ringed, as something is wrong with them */
    public static function of(SolvedHarness $solved, Board $board, Units $units, array $marked = []): Plan
    {
        $drawing = new self($solved, $board, $units);
        $room = $drawing->roomForTables();
        foreach ($board->segments as $segment) {
            $drawing->segment($segment);
        }
        $drawing->lengths();
        foreach ($board->marks as $mark) {
            $drawing->mark($mark);
            if ($mark->kind === 'connector' && in_array($mark->name, $marked, true)) {
                foreach (self::RINGS as $radius) {
                    $drawing->shapes[] = new PlanCircle('FAULTS', $mark->at, $radius, false, self::PEG);
                }
            }
        }
        $drawing->labels();
        $drawing->changes();
        $shifted = array_map(
            static fn (PlanShape $shape): PlanShape => $shape->accept(new PlanShift($room, $room)), $drawing->shapes,
        );

        return new Plan(
            $solved->laid->harness->name, $board->width + 2 * $room, $board->height + 2 * $room, $shifted,
            [$room, $room],
        );
    }

    /** Returns the width of the margin that holds the tables of pins beside the outermost connectors, mm. */
    private function roomForTables(): float
    {
        $rows = 1;
        foreach ($this->board->marks as $mark) {
            if ($mark->kind === 'connector') {
                $rows = max($rows, count($this->pins($mark->name)) + 1);
            }
        }

        return self::MARGIN + max(120.0, $rows * self::ROW);
    }

    private function segment(BoardSegment $segment): void
    {
        $isLead = $segment->run === null;
        $this->shapes[] = new PlanLine(
            $isLead ? 'LEADS' : 'TRUNKS', $segment->start, $segment->end, max($isLead ? 0.5 : 1.0, $segment->diameter),
            $isLead ? self::LEAD : self::TRUNK,
        );
        if ($isLead) {
            return;
        }
        foreach ($this->solved->laid->harness->covers as $cover) {
            $this->cover($segment, $cover);
        }
        $this->shapes[] = new PlanCircle('PEGS', $segment->start, self::PEG_RADIUS, false, self::PEG);
        $this->shapes[] = new PlanCircle('PEGS', $segment->end, self::PEG_RADIUS, false, self::PEG);
        for ($at = self::TIES; $at < $segment->length() - self::TIES / 2; $at += self::TIES) {
            $this->tie($segment, $at);
        }
    }

    private function tie(BoardSegment $segment, float $at): void
    {
        [$x, $y] = self::along($segment, $at);
        $angle = self::angle($segment) + M_PI_2;
        $reach = $segment->diameter / 2 + 2.0;
        $this->shapes[] = new PlanLine(
            'TIES', [$x - $reach * cos($angle), $y - $reach * sin($angle)],
            [$x + $reach * cos($angle), $y + $reach * sin($angle)], 0.6, self::INK,
        );
    }

    private function cover(BoardSegment $segment, Cover $cover): void
    {
        [$low, $high] = [min($segment->from, $segment->to), max($segment->from, $segment->to)];
        [$from, $to] = [max($low, $cover->from), min($high, $cover->to ?? $high)];
        if ($cover->run !== $segment->run || $to - $from < 1.0) {
            return;
        }
        $place = static fn (float $along): array => self::along(
            $segment, abs($along - $segment->from),
        );
        $side = self::angle($segment) + M_PI_2;
        foreach ([-1.0, 1.0] as $sign) {
            $off = $sign * ($segment->diameter / 2 + 1.2);
            [$start, $end] = array_map(
                static fn (array $at): array => [$at[0] + $off * cos($side), $at[1] + $off * sin($side)],
                [$place($from), $place($to)],
            );
            $this->shapes[] = new PlanLine('COVERS', $start, $end, 0.7, self::COVER);
        }
    }

    /** Writes the name and the length of a trunk beside its longest piece, and their lengths beside the others. */
    private function lengths(): void
    {
        $longest = [];
        foreach ($this->board->segments as $i => $segment) {
            if ($segment->run !== null && $segment->length() > ($longest[$segment->run][1] ?? 0.0)) {
                $longest[$segment->run] = [$i, $segment->length()];
            }
        }
        foreach ($this->board->segments as $i => $segment) {
            $angle = self::readable($segment);
            [$x, $y] = self::along($segment, $segment->length() / 2);
            $off = $segment->diameter / 2 + 3.0;
            $name = $segment->run !== null && $longest[$segment->run][0] === $i
                ? ($this->solved->laid->backbone->trunk($segment->run)->run->name ?? $segment->run).'  '
                : '';
            $this->shapes[] = new PlanText(
                'LENGTHS', [$x - $off * sin($angle), $y + $off * cos($angle)],
                $name.$this->units->say($segment->length()), self::LETTERS, $angle, 'middle',
            );
        }
    }

    private function mark(BoardMark $mark): void
    {
        if ($mark->kind === 'break') {
            $at = [$mark->at[0] + 8.0 * cos($mark->angle), $mark->at[1] + 8.0 * sin($mark->angle)];
            $this->shapes[] = new PlanLine('BREAKS', $mark->at, $at, 0.5, self::PEG);
            $this->shapes[] = new PlanCircle('BREAKS', $at, 4.5, false, self::PEG);
            $this->shapes[] = new PlanText(
                'BREAKS', [$at[0], $at[1] - self::LETTERS / 2], $mark->name, self::LETTERS, 0.0, 'middle',
            );

            return;
        }
        $this->shapes[] = new PlanCircle('CONNECTORS', $mark->at, self::PEG_RADIUS + 1.5, true, self::INK);
        $rows = [$mark->name, ...$mark->kind === 'connector' ? $this->pins($mark->name) : []];
        $width = max(array_map(mb_strlen(...), $rows)) * self::LETTERS * self::WIDTH;
        $height = count($rows) * self::ROW;
        [$left, $low] = $this->tables->place($mark, $width, $height);
        foreach ($rows as $i => $text) {
            $this->shapes[] = new PlanText(
                'CONNECTORS', [$left, $low + $height - ($i + 0.8) * self::ROW], $text,
                $i === 0 ? self::LETTERS * 1.2 : self::LETTERS,
            );
        }
        // A line leads to a table that stands farther off.
        $near = [
            max($left, min($left + $width, $mark->at[0])), max($low, min($low + $height, $mark->at[1])),
        ];
        if (hypot($near[0] - $mark->at[0], $near[1] - $mark->at[1]) > self::LED) {
            $this->shapes[] = new PlanLine('CONNECTORS', $mark->at, $near, 0.3, self::LEAD);
        }
    }

    /** @return list<string> what goes to each pin of a connector: pin, wire, signal */
    private function pins(string $port): array
    {
        return array_map(static fn (array $one): string => trim(sprintf(
            '%s  %s  %s', $one[0], $one[1]->id, $one[1]->signal ?? '',
        )), $this->solved->laid->harness->pinsOf($port));
    }

    /** Marks where the labels of the wires of each connector are put, so far from its pins along the trunk. */
    private function labels(): void
    {
        foreach ($this->board->marks as $mark) {
            $count = $mark->kind === 'connector' ? count($this->solved->laid->harness->pinsOf($mark->name)) : 0;
            if ($count === 0) {
                continue;
            }
            $from = HarnessLabels::FROM_END;
            $at = [$mark->at[0] - $from * cos($mark->angle), $mark->at[1] - $from * sin($mark->angle)];
            [$x, $y] = [-sin($mark->angle), cos($mark->angle)];
            $this->shapes[] = new PlanLine(
                'LABELS', [$at[0] - 7.0 * $x, $at[1] - 7.0 * $y], [$at[0] + 7.0 * $x, $at[1] + 7.0 * $y], 1.2,
                self::LABEL,
            );
            $this->shapes[] = new PlanText(
                'LABELS', [$at[0] + 9.0 * $x, $at[1] + 9.0 * $y],
                sprintf('%d label%s', $count, $count === 1 ? '' : 's'), self::LETTERS * 0.8, 0.0, 'start', self::LABEL,
            );
        }
    }

    /** Marks what differs from the board that was built: beside its length, or round its connector. */
    private function changes(): void
    {
        $gone = 0;
        foreach (BoardChanges::of($this->solved->laid) as $change) {
            foreach ($change->span === null ? [] : $this->board->segments as $segment) {
                $this->changed($change, $segment);
            }
            foreach ($this->board->marks as $mark) {
                foreach ($change->rings($mark) ? [4.0, 5.0] : [] as $off) {
                    $this->shapes[] = new PlanCircle(
                        'CHANGES', $mark->at, self::PEG_RADIUS + $off, false, self::CHANGED,
                    );
                }
            }
            // What is no longer on the board is told below it.
            if ($change->span === null && array_filter($this->board->marks, $change->rings(...)) === []) {
                $this->shapes[] = new PlanText(
                    'CHANGES', [0.0, -20.0 - $gone++ * self::ROW], $change->say($this->units), self::LETTERS, 0.0,
                    'start', self::CHANGED,
                );
            }
        }
    }

    /** Draws a line beside the part of a segment that a change is about, with what it was. */
    private function changed(BoardChange $change, BoardSegment $segment): void
    {
        [$low, $high] = [min($segment->from, $segment->to), max($segment->from, $segment->to)];
        [$from, $to] = [max($low, $change->span[0] ?? 0.0), min($high, $change->span[1] ?? 0.0)];
        if ($segment->run === null || $segment->run !== $change->run || $to - $from < 1.0) {
            return;
        }
        $angle = self::readable($segment);
        $beside = static fn (float $along, float $off): array => [
            self::along($segment, abs($along - $segment->from))[0] + $off * sin($angle),
            self::along($segment, abs($along - $segment->from))[1] - $off * cos($angle),
        ];
        $off = $segment->diameter / 2 + 3.0;
        $this->shapes[] = new PlanLine('CHANGES', $beside($from, $off), $beside($to, $off), 1.2, self::CHANGED);
        $this->shapes[] = new PlanText(
            'CHANGES', $beside(($from + $to) / 2, $off + 2.0 + self::LETTERS), $change->label($this->units),
            self::LETTERS, $angle, 'middle', self::CHANGED,
        );
    }

    private static function angle(BoardSegment $segment): float
    {
        return atan2($segment->end[1] - $segment->start[1], $segment->end[0] - $segment->start[0]);
    }

    /** Returns the direction of a text along a segment, radians: never upside down. */
    private static function readable(BoardSegment $segment): float
    {
        $angle = self::angle($segment);

        return cos($angle) < -Tolerance::UPRIGHT ? $angle + M_PI : $angle;
    }

    /** @return array{float, float} */
    private static function along(BoardSegment $segment, float $at): array
    {
        $angle = self::angle($segment);

        return [$segment->start[0] + $at * cos($angle), $segment->start[1] + $at * sin($angle)];
    }
}
