<?php

declare(strict_types=1);

namespace Bowline\Drawing\Sheet;

use Bowline\Drawing\Plan\PlanText;

/** The rectangle that a text takes on paper, turned with it. Millimetres. */
final readonly class TextBox
{
    /** What reaches below the base line and above the capitals, as a share of their height. */
    private const BELOW = 0.3;

    private const ABOVE = 1.15;

    /**
     * @param  array{float, float}  $centre
     * @param  array{float, float}  $half  along the text and across it
     */
    public function __construct(
        public array $centre,
        public array $half,
        public float $angle,
    ) {
    }

    public static function of(PlanText $text, TextMetrics $metrics): self
    {
        $width = $text->width ?? $metrics->width($text->text, $text->height, $text->isBold);
        $along = ['start' => $width / 2, 'middle' => 0.0, 'end' => -$width / 2][$text->anchor];
        $across = (self::ABOVE - self::BELOW) * $text->height / 2;
        [$cos, $sin] = [cos($text->angle), sin($text->angle)];

        return new self(
            [$text->at[0] + $along * $cos - $across * $sin, $text->at[1] + $along * $sin + $across * $cos],
            [$width / 2, (self::ABOVE + self::BELOW) * $text->height / 2], $text->angle,
        );
    }

    /** Whether two overlap, by the theorem of separating axes. */
    public function overlaps(self $other): bool
    {
        foreach ([$this, $other] as $box) {
            foreach ([[cos($box->angle), sin($box->angle)], [-sin($box->angle), cos($box->angle)]] as $axis) {
                [$x, $y] = [$other->centre[0] - $this->centre[0], $other->centre[1] - $this->centre[1]];
                $apart = abs($x * $axis[0] + $y * $axis[1]);
                if ($apart >= $this->reach($axis) + $other->reach($axis)) {
                    return false;
                }
            }
        }

        return true;
    }

    /** Whether all of it lies within a rectangle along the axes. */
    public function isWithin(float $left, float $bottom, float $right, float $top): bool
    {
        [$x, $y] = [$this->reach([1.0, 0.0]), $this->reach([0.0, 1.0])];

        return $left <= $this->centre[0] - $x && $right >= $this->centre[0] + $x
            && $bottom <= $this->centre[1] - $y && $top >= $this->centre[1] + $y;
    }

    /**
     * Whether a straight from one place to another goes through it.
     *
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     */
    public function isCrossedBy(array $from, array $to): bool
    {
        $length = hypot($to[0] - $from[0], $to[1] - $from[1]);

        return $this->overlaps(new self(
            [($from[0] + $to[0]) / 2, ($from[1] + $to[1]) / 2], [$length / 2, 0.0],
            atan2($to[1] - $from[1], $to[0] - $from[0]),
        ));
    }

    /** @param  array{float, float}  $axis  unit */
    private function reach(array $axis): float
    {
        [$cos, $sin] = [cos($this->angle), sin($this->angle)];

        return $this->half[0] * abs($cos * $axis[0] + $sin * $axis[1])
            + $this->half[1] * abs($cos * $axis[1] - $sin * $axis[0]);
    }
}
