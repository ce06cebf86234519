<?php

declare(strict_types=1);

namespace Bowline\Drawing\Sheet;

use Bowline\Drawing\Plan\PlanPath;
use Bowline\Geometry\Tolerance;

/** Labels near places of a drawing, each at the nearest free place that is tried, with a leader to what it is about. */
final readonly class Labels
{
    /** Distances from the place to the end of the leader, mm, and directions beside the first one, radians. */
    private const DISTANCES = [0.0, 3.0, 7.0, 12.0, 18.0, 25.0, 33.0];

    private const TURNS = [0.0, 0.5, -0.5, 1.0, -1.0, 1.6, -1.6, 2.4, -2.4, M_PI];

    /** Radius of the circle round a number, mm, and height of the number. */
    private const BALLOON = 2.1;

    private const NUMBER = 1.7;

    /** Between a leader and its text, and from one line of text to the next, as a share of their height. */
    private const GAP = 0.8;

    private const LINE = 1.75;

    /**
     * @param  array{float, float, float, float}  $within  where labels may be: left, bottom, right, top
     * @param  list<array{array{float, float}, array{float, float}}>  $off  lines that no label may lie on
     */
    public function __construct(
        private Canvas $canvas,
        private array $within,
        private array $off,
    ) {
    }

    /**
     * Writes lines of text beside the end of a leader.
     *
     * @param  array{float, float}  $at
     * @param  float  $way  direction that is tried first, radians
     * @param  non-empty-list<string>  $texts
     * @param  float  $least  shortest leader, mm
     * @return bool whether there was room
     */
    public function note(string $layer, array $at, float $way, array $texts, float $height, float $least = 7.0): bool
    {
        $isBold = static fn (int $i): bool => $i === 0 && count($texts) > 1;
        $width = max(array_map(
            fn (string $text, int $i): float => $this->canvas->metrics->width($text, $height, $isBold($i)),
            $texts, array_keys($texts),
        ));
        $line = self::LINE * $height;
        $high = count($texts) * $line;
        $found = $this->place($at, $way, [$width / 2 + 0.4, $high / 2], $least, self::GAP);
        if ($found === null) {
            return false;
        }
        [$end, $centre] = $found;
        $this->canvas->line($layer, $at, $end, Canvas::FINE);
        foreach ($texts as $i => $text) {
            $isLeft = $end[0] < $at[0];
            $this->canvas->text(
                $layer, [
                    $centre[0] + ($isLeft ? 1 : -1) * $width / 2, $centre[1] + $high / 2 - ($i + 0.8) * $line,
                ], $text, $height, $isLeft ? 'end' : 'start', $isBold($i),
            );
        }

        return true;
    }

    /**
     * Writes a number in a circle.
     *
     * @param  array{float, float}  $at
     * @param  float  $way  direction that is tried first, radians
     * @param  float  $least  from the place to the middle of the circle, mm
     * @return bool whether there was room
     */
    public function balloon(string $layer, array $at, float $way, string $number, float $least): bool
    {
        $found = $this->place($at, $way, [self::BALLOON, self::BALLOON], $least, null);
        if ($found === null) {
            return false;
        }
        [$x, $y] = $found[1];
        $distance = hypot($x - $at[0], $y - $at[1]);
        if ($distance > $least + Tolerance::COINCIDENT) {
            $part = 1.0 - self::BALLOON / $distance;
            $edge = [$at[0] + ($x - $at[0]) * $part, $at[1] + ($y - $at[1]) * $part];
            $this->canvas->line($layer, $at, $edge, Canvas::FINE, Canvas::BRASS);
        }
        $this->canvas->add(new PlanPath($layer, array_map(static fn (int $i): array => [
            $x + self::BALLOON * cos($i * M_PI / 16), $y + self::BALLOON * sin($i * M_PI / 16),
        ], range(0, 31)), Canvas::NARROW, Canvas::BRASS, '#fffdf7', true));
        $this->canvas->text($layer, [$x, $y - self::NUMBER / 2], $number, self::NUMBER, 'middle', true);
        $this->canvas->keep(new TextBox([$x, $y], [self::BALLOON, self::BALLOON], 0.0));

        return true;
    }

    /**
     * Returns where a leader ends and the middle of the box there; null where there is no room.
     *
     * @param  array{float, float}  $at
     * @param  array{float, float}  $half  of the box
     * @param  float|null  $beside  distance of the box from the end of the leader, to its side; null where it is on it
     * @return array{array{float, float}, array{float, float}}|null
     */
    private function place(array $at, float $way, array $half, float $least, ?float $beside): ?array
    {
        foreach (self::DISTANCES as $further) {
            foreach (self::TURNS as $turn) {
                $end = [
                    $at[0] + ($least + $further) * cos($way + $turn), $at[1] + ($least + $further) * sin($way + $turn),
                ];
                $centre = $beside === null
                    ? $end
                    : [$end[0] + ($end[0] < $at[0] ? -1 : 1) * ($half[0] + $beside), $end[1]];
                if ($this->isFree(new TextBox($centre, $half, 0.0))) {
                    return [$end, $centre];
                }
            }
        }

        return null;
    }

    private function isFree(TextBox $box): bool
    {
        if (! $box->isWithin(...$this->within) || ! $this->canvas->isFree($box)) {
            return false;
        }
        foreach ($this->off as [$from, $to]) {
            if ($box->isCrossedBy($from, $to)) {
                return false;
            }
        }

        return true;
    }
}
