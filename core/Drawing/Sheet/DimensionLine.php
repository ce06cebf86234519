<?php

declare(strict_types=1);

namespace Bowline\Drawing\Sheet;

use Bowline\Drawing\Plan\PlanPath;
use Bowline\Geometry\Tolerance;

/** Dimensions of lengths by ISO 129-1: parallel to what they measure, with extension lines, arrows and a text above. */
final readonly class DimensionLine
{
    private const ARROW = 2.0;

    private const GAP = 0.8;

    private const OVER = 1.2;

    /** Between one dimension line and the next beside it. */
    private const NEXT = 5.5;

    /** How many places to each side are tried. */
    private const PLACES = 5;

    public const TEXT = 1.9;

    /** @param  array{float, float, float, float}  $within  where it may be: left, bottom, right, top */
    public function __construct(
        private Canvas $canvas,
        private array $within,
    ) {
    }

    /**
     * Draws the dimension of a length from one place to another at the nearest place beside it where there is room;
     * where there is none, its text alone with a leader to the middle of it.
     *
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     * @param  float  $beside  least distance from the line between them
     * @param  list<array{array{float, float}, array{float, float}}>  $off  lines that its text must not lie on
     * @return bool whether it was drawn
     */
    public function draw(array $from, array $to, string $text, float $beside, array $off): bool
    {
        $length = hypot($to[0] - $from[0], $to[1] - $from[1]);
        if ($length < 2 * self::ARROW) {
            return $this->leader($from, $to, $text, $beside, $off);
        }
        $along = [($to[0] - $from[0]) / $length, ($to[1] - $from[1]) / $length];
        $across = [-$along[1], $along[0]];
        // Texts are read from below or from the right.
        $angle = atan2($along[1], $along[0]);
        $isTurned = $angle > M_PI / 2 + Tolerance::UPRIGHT || $angle <= -M_PI / 2 + Tolerance::UPRIGHT;
        $angle = $isTurned ? $angle + ($angle > 0 ? -M_PI : M_PI) : $angle;
        $above = $isTurned ? -1.0 : 1.0;
        $width = $this->canvas->metrics->width($text, self::TEXT);
        for ($i = 0; $i < 2 * self::PLACES; $i++) {
            $side = $i % 2 === 0 ? 1.0 : -1.0;
            $distance = $side * ($beside + self::NEXT * intdiv($i, 2));
            $at = static fn (float $along1, float $off1): array => [
                $from[0] + $along[0] * $along1 + $across[0] * $off1,
                $from[1] + $along[1] * $along1 + $across[1] * $off1,
            ];
            // A text that does not fit between the arrows goes behind the end.
            $middle = $width < $length - 2 * self::ARROW ? $length / 2 : $length + self::ARROW + $width / 2;
            $line = new TextBox($at($length / 2, $distance), [$length / 2, 0.2], atan2($along[1], $along[0]));
            if (! $line->isWithin(...$this->within) || ! $this->canvas->isFree($line)) {
                continue;
            }
            $place = $at($middle, $distance + $above * 0.8);
            if ($this->canvas->textWhereFree(
                'dimensions', $place, $text, self::TEXT, $angle, $this->within, $off,
            )) {
                $this->lines($at, $length, $distance, $side, $middle > $length ? $middle : $length);
                $this->canvas->keep($line);

                return true;
            }
        }

        return $this->leader($from, $to, $text, $beside, $off);
    }

    /**
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     * @param  list<array{array{float, float}, array{float, float}}>  $off
     * @return bool whether there was room
     */
    private function leader(array $from, array $to, string $text, float $beside, array $off): bool
    {
        return (new Labels($this->canvas, $this->within, $off))->note(
            'dimensions', [($from[0] + $to[0]) / 2, ($from[1] + $to[1]) / 2],
            atan2($to[1] - $from[1], $to[0] - $from[0]) + M_PI / 2, [$text], self::TEXT, $beside,
        );
    }

    /** @param  callable(float, float): array{float, float}  $at  a place along the line and beside it */
    private function lines(callable $at, float $length, float $distance, float $side, float $end): void
    {
        foreach ([0.0, $length] as $along) {
            $this->canvas->line(
                'dimensions', $at($along, $side * self::GAP), $at($along, $distance + $side * self::OVER), Canvas::FINE,
            );
        }
        $this->canvas->line('dimensions', $at(0.0, $distance), $at($end, $distance), Canvas::FINE);
        foreach ([[0.0, self::ARROW], [$length, $length - self::ARROW]] as [$tip, $back]) {
            $this->canvas->add(new PlanPath('dimensions', [
                $at($tip, $distance), $at($back, $distance + 0.35), $at($back, $distance - 0.35),
            ], 0.0, Canvas::INK, Canvas::INK, true));
        }
    }
}
