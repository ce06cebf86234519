<?php

declare(strict_types=1);

namespace Bowline\Drawing\Sheet;

/** A table on a page: a title, headings and rows, the first column to the left and the others to the right. */
final readonly class Table
{
    public const ROW = 4.6;

    private const TITLE = 5.5;

    private const TEXT = 1.9;

    private const PADDING = 0.7;

    /**
     * @param  list<string>  $headings
     * @param  list<list<string>>  $rows
     * @param  list<float>  $shares  of the width, by column
     * @param  list<int>  $left  columns of words, which are set to the left; the first is always
     */
    public function __construct(
        private string $title,
        private array $headings,
        private array $rows,
        private array $shares,
        private array $left = [],
    ) {
    }

    /** Returns the height of the table with so many of its rows, mm. */
    public static function heightOf(int $rows): float
    {
        return self::TITLE + self::ROW * ($rows + 1);
    }

    public function height(): float
    {
        return self::heightOf(count($this->rows));
    }

    public function count(): int
    {
        return count($this->rows);
    }

    /** Returns it with some of its rows: those from a number on, so many at most. */
    public function part(int $from, int $count): self
    {
        return new self(
            $this->title.($from > 0 ? ', continued' : ''), $this->headings,
            array_slice($this->rows, $from, $count), $this->shares, $this->left,
        );
    }

    /** Draws it below a height. */
    public function draw(Canvas $canvas, float $left, float $top, float $width): void
    {
        $canvas->text('tables', [$left, $top - 3.6], $this->title, 2.2, isBold: true, colour: Canvas::SEA);
        $y = $top - self::TITLE;
        $total = array_sum($this->shares);
        foreach ([$this->headings, ...$this->rows] as $number => $row) {
            $x = $left;
            foreach ($row as $column => $cell) {
                $wide = $width * $this->shares[$column] / $total;
                $isLeft = $column === 0 || in_array($column, $this->left, true);
                // Words behind a number keep off it.
                $indent = $column === 0 ? self::PADDING : 3 * self::PADDING;
                $canvas->fitted(
                    'tables', [$isLeft ? $x + $indent : $x + $wide - self::PADDING, $y - self::ROW + 1.4], $cell,
                    $wide - ($isLeft ? $indent : self::PADDING) - self::PADDING,
                    $number === 0 ? self::TEXT * 0.9 : self::TEXT, $isLeft ? 'start' : 'end', $number === 0,
                );
                $x += $wide;
            }
            $y -= self::ROW;
            $canvas->line(
                'tables', [$left, $y], [$left + $width, $y], $number === 0 ? Canvas::NARROW : Canvas::FINE,
                $number === 0 ? Canvas::INK : Canvas::QUIET,
            );
        }
    }

    /**
     * Divides tables over pages of a height.
     *
     * @param  list<self>  $tables
     * @param  float  $gap  between one and the next, mm
     * @return list<list<self>> by page
     */
    public static function divided(array $tables, float $height, float $gap): array
    {
        /** @var list<list<self>> $pages */
        $pages = [];
        $free = 0.0;
        foreach ($tables as $table) {
            $from = 0;
            while ($from < $table->count()) {
                if ($free < self::heightOf(min(3, $table->count() - $from))) {
                    $pages[] = [];
                    $free = $height;
                }
                $count = max(1, min(
                    $table->count() - $from, (int) floor(($free - self::heightOf(0)) / self::ROW),
                ));
                $part = $table->part($from, $count);
                $last = array_pop($pages) ?? [];
                $pages[] = [...$last, $part];
                $free -= $part->height() + $gap;
                $from += $count;
            }
        }

        return $pages;
    }

    /**
     * Draws tables one below the other.
     *
     * @param  list<self>  $tables
     */
    public static function drawAll(
        array $tables,
        Canvas $canvas,
        float $left,
        float $top,
        float $width,
        float $gap,
    ): void {
        foreach ($tables as $table) {
            $table->draw($canvas, $left, $top, $width);
            $top -= $table->height() + $gap;
        }
    }
}
