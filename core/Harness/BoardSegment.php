<?php

declare(strict_types=1);

namespace Bowline\Harness;

/** A length of a trunk, or the way from one to a pin, as it lies on the board. Millimetres. */
final readonly class BoardSegment
{
    /**
     * @param  string|null  $run  id of the trunk; null of a way to a pin
     * @param  float  $from  developed length of the trunk at its start; $to at its end, which may be less
     * @param  array{float, float}  $start  on the board
     * @param  array{float, float}  $end
     */
    public function __construct(
        public ?string $run,
        public float $from,
        public float $to,
        public array $start,
        public array $end,
        public float $diameter,
    ) {
    }

    public function length(): float
    {
        return hypot($this->end[0] - $this->start[0], $this->end[1] - $this->start[1]);
    }

    /** Returns the same elsewhere on the board. */
    public function moved(float $x, float $y): self
    {
        return new self(
            $this->run, $this->from, $this->to, [$this->start[0] + $x, $this->start[1] + $y],
            [$this->end[0] + $x, $this->end[1] + $y], $this->diameter,
        );
    }

    /** Returns the least distance to another, mm: 0 where they cross. */
    public function distanceTo(self $other): float
    {
        if (self::side($this, $other->start) * self::side($this, $other->end) < 0.0
            && self::side($other, $this->start) * self::side($other, $this->end) < 0.0) {
            return 0.0;
        }

        return min(
            self::distance($this, $other->start), self::distance($this, $other->end),
            self::distance($other, $this->start), self::distance($other, $this->end),
        );
    }

    /**
     * @param  array{float, float}  $point
     * @return float positive on one side of the line through it, mm²
     */
    private static function side(self $line, array $point): float
    {
        return ($line->end[0] - $line->start[0]) * ($point[1] - $line->start[1])
            - ($line->end[1] - $line->start[1]) * ($point[0] - $line->start[0]);
    }

    /** @param  array{float, float}  $point */
    private static function distance(self $one, array $point): float
    {
        [$x, $y] = [$one->end[0] - $one->start[0], $one->end[1] - $one->start[1]];
        $square = $x * $x + $y * $y;
        $along = $square === 0.0 ? 0.0 : max(0.0, min(1.0, (
            ($point[0] - $one->start[0]) * $x + ($point[1] - $one->start[1]) * $y
        ) / $square));

        return hypot($point[0] - $one->start[0] - $along * $x, $point[1] - $one->start[1] - $along * $y);
    }
}
