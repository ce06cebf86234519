<?php

declare(strict_types=1);

namespace Bowline\Drawing;

use Bowline\Drawing\Plan\Plan;
use Bowline\Drawing\Plan\PlanCircle;
use Bowline\Drawing\Plan\PlanLine;
use Bowline\Drawing\Plan\PlanShape;
use Bowline\Drawing\Plan\PlanShift;
use Bowline\Drawing\Plan\PlanText;
use Bowline\Harness\Board;
use Bowline\Harness\BoardMark;
use Bowline\Harness\BoardSegment;
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

    /** @var list<PlanShape> */
    private array $shapes = [];

    private function __construct(
        private readonly SolvedHarness $solved,
        private readonly Board $board,
        private readonly Units $units,
    ) {
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
        $shifted = array_map(
            static fn (PlanShape $shape): PlanShape => $shape->accept(new PlanShift($room, $room)), $drawing->shapes,
        );

        return new Plan(
            $solved->laid->harness->name, $board->width + 2 * $room, $board->height + 2 * $room, $shifted,
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
            $angle = self::angle($segment);
            // Never upside down.
            $angle = cos($angle) < -1e-9 ? $angle + M_PI : $angle;
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
        $rows = $mark->kind === 'connector' ? $this->pins($mark->name) : [];
        [$x, $y] = [$mark->at[0] + 9.0 * cos($mark->angle), $mark->at[1] + 9.0 * sin($mark->angle)];
        $anchor = cos($mark->angle) < -0.5 ? 'end' : 'start';
        // Downwards from its heading; upwards where it stands over its trunk.
        $top = sin($mark->angle) > 0.5 ? $y + (count($rows) + 0.5) * self::ROW : $y;
        foreach ([$mark->name, ...$rows] as $i => $text) {
            $this->shapes[] = new PlanText(
                'CONNECTORS', [$x, $top - $i * self::ROW], $text, $i === 0 ? self::LETTERS * 1.2 : self::LETTERS, 0.0,
                $anchor,
            );
        }
    }

    /** @return list<string> what goes to each pin of a connector: pin, wire, signal */
    private function pins(string $port): array
    {
        $rows = [];
        foreach ($this->solved->laid->wires as $one) {
            foreach ([$one->wire->from, $one->wire->to] as $end) {
                if ($end->port?->name === $port) {
                    $rows[] = [$end->pin ?? '', trim(sprintf(
                        '%s  %s  %s', $end->pin ?? '', $one->wire->id, $one->wire->signal ?? '',
                    ))];
                }
            }
        }
        usort($rows, static fn (array $one, array $other): int => strnatcmp($one[0], $other[0]));

        return array_column($rows, 1);
    }

    private static function angle(BoardSegment $segment): float
    {
        return atan2($segment->end[1] - $segment->start[1], $segment->end[0] - $segment->start[0]);
    }

    /** @return array{float, float} */
    private static function along(BoardSegment $segment, float $at): array
    {
        $angle = self::angle($segment);

        return [$segment->start[0] + $at * cos($angle), $segment->start[1] + $at * sin($angle)];
    }
}
