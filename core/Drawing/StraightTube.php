<?php

declare(strict_types=1);

namespace Bowline\Drawing;

use Bowline\Bending\BendTable;
use Bowline\Drawing\Plan\PlanPath;
use Bowline\Drawing\Sheet\Canvas;
use Bowline\Drawing\Sheet\Paper;
use Bowline\Drawing\Sheet\Scale;
use Bowline\Drawing\Sheet\TitleBlock;
use Bowline\Geometry\Tolerance;
use Bowline\Job\Units;

/**
 * The raw tube laid straight, with the places where bends start and end on it: small on the sheet, and at full size as
 * a tape to lay along the tube.
 */
final readonly class StraightTube
{
    /** Height of the small one, mm. */
    public const HEIGHT = 20.0;

    private const BAR = 5.0;

    private const TEXT = 1.7;

    /** Height of a row of the tape, and of the tape in it. */
    private const ROW = 26.0;

    private const TAPE = 14.0;

    private const BEND = '#e7d3ac';

    /**
     * @param  list<array{float, float}>  $bends  where each starts and ends on the raw tube, mm
     */
    private function __construct(
        private float $length,
        private array $bends,
        private Units $units,
    ) {
    }

    /** Returns null where nothing is bent. */
    public static function of(BendTable $table, Units $units): ?self
    {
        $bends = [];
        foreach ($table->rows as $row) {
            $bends[] = [$row->mark, $table->cutLength - $row->markFromEnd];
        }

        return $bends === [] || $table->cutLength <= 0.0 ? null : new self($table->cutLength, $bends, $units);
    }

    /**
     * Draws it below a height, as wide as there is room.
     *
     * @return Scale along it
     */
    public function draw(Canvas $canvas, float $left, float $top, float $width): Scale
    {
        $scale = Scale::within(($width - 8.0) / $this->length);
        $low = $top - 12.0;
        $canvas->text(
            'strip', [$left, $top - 3.2], 'Tube laid straight, '.$scale->words().', bends start at', 1.9,
            colour: Canvas::SEA,
        );
        $x = fn (float $at): float => $left + 3.0 + $at * $scale->factor;
        $canvas->rectangle('strip', $x(0.0), $low, $this->length * $scale->factor, self::BAR, Canvas::WIDE);
        foreach ($this->bends as $number => [$from, $to]) {
            $this->zone($canvas, $x($from), $x($to), $low, self::BAR);
            $middle = ($x($from) + $x($to)) / 2;
            $canvas->textWhereFree(
                'strip', [$middle, $low + 1.7], (string) ($number + 1), self::TEXT, 0.0,
                [$left, $low, $left + $width, $top],
            );
            $canvas->line('strip', [$x($from), $low], [$x($from), $low - 1.5], Canvas::NARROW);
            foreach ([4.0, 6.6, 9.2] as $below) {
                if ($canvas->textWhereFree(
                    'strip', [$x($from), $low - $below], $this->units->column($from), self::TEXT, 0.0,
                    [$left, $low - 10.0, $left + $width, $top],
                )) {
                    break;
                }
            }
        }

        return $scale;
    }

    /** Returns how many rows of tape it takes on a page, and how many pages. */
    public function pages(Paper $paper): int
    {
        return (int) ceil($this->rows($paper) / self::rowsOn($paper));
    }

    /**
     * Draws a page of the tape at full size.
     *
     * @param  array{float, float, float, float}  $within
     */
    public function tape(Canvas $canvas, array $within, int $page): void
    {
        [$left, , , $top] = $within;
        $long = self::longest($canvas->paper);
        $rows = self::rowsOn($canvas->paper);
        $canvas->text(
            'tape', [$left + 4.0, $top - 5.0],
            'Tape at full size: print without scaling, cut out, put the ends together and lay it along the tube from '
                .'its start. Shaded: bends.', 1.7, colour: Canvas::SEA,
        );
        for ($row = 0; $row < $rows; $row++) {
            $from = ($page * $rows + $row) * $long;
            if ($from < $this->length) {
                $low = $top - 10.0 - ($row + 1) * self::ROW;
                $this->piece($canvas, $left + 6.0, $low, $from, min($long, $this->length - $from));
            }
        }
    }

    private function piece(Canvas $canvas, float $left, float $low, float $from, float $length): void
    {
        $canvas->rectangle('tape', $left, $low, $length, self::TAPE, Canvas::NARROW);
        foreach ($this->bends as $number => [$start, $end]) {
            [$first, $last] = [max($start, $from) - $from, min($end, $from + $length) - $from];
            if ($last <= $first) {
                continue;
            }
            $this->zone($canvas, $left + $first, $left + $last, $low, self::TAPE);
            $canvas->textWhereFree(
                'tape', [$left + ($first + $last) / 2, $low + self::TAPE / 2 - 1.0], (string) ($number + 1), 2.2, 0.0,
                [0.0, 0.0, $canvas->paper->width, $canvas->paper->height],
            );
            if ($start >= $from) {
                $canvas->line('tape', [$left + $first, $low], [$left + $first, $low + self::TAPE], Canvas::WIDE);
                $canvas->textWhereFree(
                    'tape', [$left + $first, $low + self::TAPE + 1.6], $this->units->column($start), 1.9, 0.0,
                    [0.0, 0.0, $canvas->paper->width, $canvas->paper->height],
                );
            }
        }
        // Ticks of a rule along the lower edge, a longer one every 10 and every 50.
        for ($tick = (int) ceil($from); $tick <= $from + $length + Tolerance::NOTHING; $tick++) {
            $high = $tick % 50 === 0 ? 5.0 : ($tick % 10 === 0 ? 3.2 : ($tick % 5 === 0 ? 2.2 : 1.2));
            $x = $left + $tick - $from;
            $canvas->line('tape', [$x, $low], [$x, $low + $high], Canvas::FINE);
            if ($tick % 50 === 0) {
                $canvas->textWhereFree(
                    'tape', [$x, $low - 3.0], (string) $tick, 1.6, 0.0,
                    [0.0, 0.0, $canvas->paper->width, $canvas->paper->height],
                );
            }
        }
    }

    private function zone(Canvas $canvas, float $from, float $to, float $low, float $height): void
    {
        $canvas->add(new PlanPath('strip', [
            [$from, $low], [$to, $low], [$to, $low + $height], [$from, $low + $height],
        ], Canvas::FINE, Canvas::INK, self::BEND, true));
    }

    private function rows(Paper $paper): int
    {
        return Tolerance::pieces($this->length / self::longest($paper));
    }

    private static function longest(Paper $paper): float
    {
        return floor(($paper->width - 2 * TitleBlock::MARGIN - 12.0) / 10.0) * 10.0;
    }

    private static function rowsOn(Paper $paper): int
    {
        return max(1, (int) floor(($paper->height - 2 * TitleBlock::MARGIN - 32.0 - 14.0) / self::ROW));
    }
}
