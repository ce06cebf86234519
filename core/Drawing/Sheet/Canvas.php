<?php

declare(strict_types=1);

namespace Bowline\Drawing\Sheet;

use Bowline\Drawing\Plan\Plan;
use Bowline\Drawing\Plan\PlanCircle;
use Bowline\Drawing\Plan\PlanPath;
use Bowline\Drawing\Plan\PlanShape;
use Bowline\Drawing\Plan\PlanText;
use Bowline\Geometry\Tolerance;

/**
 * A page that is being drawn: millimetres from its lower left corner. It knows where its texts are, so that a label can
 * be put where there is room for it.
 */
final class Canvas
{
    public const INK = '#15242c';

    public const SEA = '#0e4254';

    public const QUIET = '#8a9698';

    public const BRASS = '#a8741a';

    /** Pens by ISO 128: a wide line, and narrow ones. */
    public const WIDE = 0.35;

    public const NARROW = 0.18;

    public const FINE = 0.13;

    /** @var list<PlanShape> */
    private array $shapes = [];

    /** @var list<TextBox> */
    private array $boxes = [];

    public function __construct(
        public readonly Paper $paper,
        public readonly TextMetrics $metrics,
    ) {
    }

    public function plan(string $title): Plan
    {
        return new Plan($title, $this->paper->width, $this->paper->height, $this->shapes);
    }

    public function add(PlanShape $shape): void
    {
        $this->shapes[] = $shape;
    }

    /**
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     * @param  list<float>  $dashes
     */
    public function line(
        string $layer,
        array $from,
        array $to,
        float $width = self::NARROW,
        string $colour = self::INK,
        array $dashes = [],
    ): void {
        $this->shapes[] = new PlanPath($layer, [$from, $to], $width, $colour, dashes: $dashes);
    }

    public function rectangle(string $layer, float $left, float $bottom, float $width, float $height, float $pen): void
    {
        $this->shapes[] = new PlanPath($layer, [
            [$left, $bottom], [$left + $width, $bottom], [$left + $width, $bottom + $height],
            [$left, $bottom + $height],
        ], $pen, self::INK, isClosed: true);
    }

    /**
     * Writes a text, whatever is there already.
     *
     * @param  array{float, float}  $at
     * @param  'start'|'middle'|'end'  $anchor
     */
    public function text(
        string $layer,
        array $at,
        string $text,
        float $height = 2.0,
        string $anchor = 'start',
        bool $isBold = false,
        string $colour = self::INK,
    ): void {
        if ($text !== '') {
            $this->put($this->shaped($layer, $at, $text, $height, 0.0, $anchor, $isBold, $colour));
        }
    }

    /**
     * Writes a text within a width, in smaller type where it has to be.
     *
     * @param  array{float, float}  $at
     * @param  'start'|'middle'|'end'  $anchor
     */
    public function fitted(
        string $layer,
        array $at,
        string $text,
        float $width,
        float $height = 2.0,
        string $anchor = 'start',
        bool $isBold = false,
    ): void {
        $takes = $this->metrics->width($text, $height, $isBold);
        $this->text($layer, $at, $text, $height * min(1.0, $width / max($takes, Tolerance::NOTHING)), $anchor, $isBold);
    }

    /**
     * Writes a text where none is yet, within a rectangle, off the lines that are named.
     *
     * @param  array{float, float}  $at
     * @param  array{float, float, float, float}  $within  left, bottom, right, top
     * @param  list<array{array{float, float}, array{float, float}}>  $off
     * @return bool whether there was room for it
     */
    public function textWhereFree(
        string $layer,
        array $at,
        string $text,
        float $height,
        float $angle,
        array $within,
        array $off = [],
    ): bool {
        $shape = $this->shaped($layer, $at, $text, $height, $angle, 'middle', false, self::INK);
        $box = TextBox::of($shape, $this->metrics);
        if (! $box->isWithin(...$within) || ! $this->isFree($box)) {
            return false;
        }
        foreach ($off as [$from, $to]) {
            if ($box->isCrossedBy($from, $to)) {
                return false;
            }
        }
        $this->put($shape);

        return true;
    }

    public function isFree(TextBox $box): bool
    {
        foreach ($this->boxes as $other) {
            if ($box->overlaps($other)) {
                return false;
            }
        }

        return true;
    }

    /** Keeps labels off a place. */
    public function keep(TextBox $box): void
    {
        $this->boxes[] = $box;
    }

    /** @param  array{float, float}  $at */
    public function dot(string $layer, array $at, float $radius, string $colour): void
    {
        $this->shapes[] = new PlanCircle($layer, $at, $radius, true, $colour);
    }

    /**
     * Draws the filled head of an arrow that ends at a tip.
     *
     * @param  array{float, float}  $tip
     * @param  array{float, float}  $way  in which it points, unit
     * @param  float  $half  of its width, mm
     */
    public function arrowHead(string $layer, array $tip, array $way, float $half): void
    {
        [$x, $y] = [$half * $way[0], $half * $way[1]];
        $this->add(new PlanPath($layer, [
            $tip, [$tip[0] - 2.6 * $x - $y, $tip[1] - 2.6 * $y + $x],
            [$tip[0] - 2.6 * $x + $y, $tip[1] - 2.6 * $y - $x],
        ], 0.0, self::INK, self::INK, true));
    }

    private function put(PlanText $text): void
    {
        $this->shapes[] = $text;
        $this->boxes[] = TextBox::of($text, $this->metrics);
    }

    /**
     * @param  array{float, float}  $at
     * @param  'start'|'middle'|'end'  $anchor
     */
    private function shaped(
        string $layer,
        array $at,
        string $text,
        float $height,
        float $angle,
        string $anchor,
        bool $isBold,
        string $colour,
    ): PlanText {
        return new PlanText(
            $layer, $at, $text, $height, $angle, $anchor, $colour, $isBold,
            $this->metrics->width($text, $height, $isBold),
        );
    }
}
