<?php

declare(strict_types=1);

namespace Bowline\Drawing\Isometric;

use Bowline\Drawing\Plan\PlanPath;
use Bowline\Drawing\Sheet\Canvas;
use Bowline\Drawing\Sheet\DimensionLine;
use Bowline\Drawing\Sheet\Labels;
use Bowline\Drawing\Sheet\TextBox;
use Bowline\Drawing\View\Projection;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Units;

/** Draws a line in isometric view with the symbols of ISO 6412. Legs are as long on paper as the sheet has room. */
final class Pen
{
    /** A short leg is drawn as long as this part of the longest at least. */
    private const SHORTEST = 0.32;

    private const PIPE = 0.7;

    private const SMALL = 1.6;

    /** Half of a flange across the pipe, and between two that are bolted together, mm. */
    private const FLANGE = 2.4;

    private const BETWEEN = 0.6;

    private readonly Projection $view;

    /** @var list<array{float, float}> corners of the line on paper */
    private array $corners = [];

    /** @var list<array{array{float, float}, array{float, float}}> */
    private array $lines = [];

    private Labels $labels;

    private bool $hasRoom = true;

    /**
     * @param  array{float, float, float, float}  $room  for the line itself: left, bottom, right, top
     * @param  array{float, float, float, float}  $within  for all that stands beside it
     */
    public function __construct(
        private readonly Canvas $canvas,
        private readonly Vector $up,
        private readonly Units $units,
        private readonly array $room,
        private readonly array $within,
    ) {
        $this->view = Projection::isometric($up);
        $this->labels = new Labels($canvas, $within, []);
    }

    /** Draws the axes, and north where the job says where that is. */
    public function axes(string $north): void
    {
        $at = [$this->within[0] + 16.0, $this->within[3] - 22.0];
        $this->canvas->keep(new TextBox([$at[0] + 12.0, $at[1] + 3.0], [28.0, 14.0], 0.0));
        $axes = ['X' => '+x', 'Y' => '+y', 'Z' => '+z', ...$north === '' ? [] : ['N' => $north]];
        foreach ($axes as $name => $axis) {
            $way = $this->view->flat(Vector::axis($axis) ?? $this->up);
            $origin = $name === 'N' ? [$at[0] + 30.0, $at[1]] : $at;
            $tip = [$origin[0] + 11.0 * $way[0], $origin[1] + 11.0 * $way[1]];
            $this->canvas->line('axes', $origin, $tip, $name === 'N' ? Canvas::WIDE : Canvas::NARROW);
            $this->canvas->arrowHead('axes', $tip, self::unit($origin, $tip), 1.0);
            $this->canvas->text(
                'axes', [$tip[0] + 2.2 * $way[0], $tip[1] + 2.2 * $way[1] - 0.9], $name, 1.9, 'middle', $name === 'N',
            );
        }
    }

    /**
     * Draws a line with all that stands on it.
     *
     * @return bool whether there was room for each label
     */
    public function line(Line $line): bool
    {
        $this->place($line);
        $this->labels = new Labels($this->canvas, $this->within, $this->lines);
        foreach ($line->legs as $i => $leg) {
            $this->canvas->add(new PlanPath(
                'pipe', [$this->corners[$i], $this->corners[$i + 1]], self::PIPE, Canvas::INK,
            ));
        }
        $this->end($line->from, $this->corners[0], $this->corners[1]);
        $last = count($this->corners) - 1;
        $this->end($line->to, $this->corners[$last], $this->corners[$last - 1]);
        $this->flow($line);
        foreach ($line->legs as $i => $leg) {
            $this->marks($leg, $i);
            if ($leg->isSkewed()) {
                $this->box($leg, $i);
            }
        }
        foreach ($line->legs as $i => $leg) {
            // Of a leg that is broken, its parts lie nearer to it than the whole.
            $beside = $this->faces($leg, $i) ? 13.0 : 7.0;
            $this->dimension($this->corners[$i], $this->corners[$i + 1], $leg->length, $beside);
        }
        foreach ($line->legs as $i => $leg) {
            if ($leg->bend !== null) {
                $this->bend(
                    $leg->bend, $this->corners[$i], $this->corners[$i + 1],
                    $this->corners[$i + 2] ?? $this->corners[$i + 1],
                );
            }
        }

        return $this->hasRoom;
    }

    /** Finds where the corners lie on paper: along true isometric directions, long legs shortened more than others. */
    private function place(Line $line): void
    {
        $longest = max(array_map(static fn (Leg $leg): float => $leg->length, $line->legs));
        $at = [0.0, 0.0];
        $places = [$at];
        foreach ($line->legs as $leg) {
            $way = $this->view->flat($leg->direction);
            $long = self::SHORTEST + (1.0 - self::SHORTEST) * sqrt($leg->length / $longest);
            $at = [$at[0] + $way[0] * $long, $at[1] + $way[1] * $long];
            $places[] = $at;
        }
        [$xs, $ys] = [array_column($places, 0), array_column($places, 1)];
        [$left, $bottom, $right, $top] = $this->room;
        $scale = min(
            ($right - $left) / max(Tolerance::COINCIDENT, max($xs) - min($xs)),
            ($top - $bottom) / max(Tolerance::COINCIDENT, max($ys) - min($ys)),
            160.0,
        );
        $middle = [($left + $right) / 2, ($bottom + $top) / 2];
        $this->corners = array_map(static fn (array $place): array => [
            $middle[0] + ($place[0] - (max($xs) + min($xs)) / 2) * $scale,
            $middle[1] + ($place[1] - (max($ys) + min($ys)) / 2) * $scale,
        ], $places);
        for ($i = 1, $count = count($this->corners); $i < $count; $i++) {
            $this->lines[] = [$this->corners[$i - 1], $this->corners[$i]];
        }
    }

    /**
     * @param  array{float, float}  $at
     * @param  array{float, float}  $inwards  next corner
     */
    private function end(EndMark $end, array $at, array $inwards): void
    {
        $way = self::unit($inwards, $at);
        if ($end->hasFlange) {
            $this->bar($at, $way, self::FLANGE);
            $this->bar([$at[0] - $way[0] * 1.2, $at[1] - $way[1] * 1.2], $way, self::FLANGE);
        } elseif ($end->hasCap) {
            $this->bar($at, $way, 1.6);
        } elseif ($end->goesOn) {
            $this->canvas->add(new PlanPath('pipe', [
                [$at[0] - $way[1] * 2.0, $at[1] + $way[0] * 2.0],
                [$at[0] - $way[1] * 0.7 + $way[0], $at[1] + $way[0] * 0.7 + $way[1]],
                [$at[0] + $way[1] * 0.7 - $way[0], $at[1] - $way[0] * 0.7 - $way[1]],
                [$at[0] + $way[1] * 2.0, $at[1] - $way[0] * 2.0],
            ], Canvas::NARROW, Canvas::INK));
        }
        if ($end->hasReducer) {
            // A trapezium, wide at the pipe.
            $this->canvas->add(new PlanPath('reducers', self::around($at, $way, [
                [0.0, 0.7], [4.0, 1.7], [4.0, -1.7], [0.0, -0.7],
            ]), Canvas::WIDE, Canvas::INK, '#ffffff', true));
        }
        if ($end->isAtValve) {
            // Two triangles tip to tip, outside the end of the pipe.
            foreach ([-1.5, -7.5] as $base) {
                $this->canvas->add(new PlanPath('valves', self::around($at, $way, [
                    [$base, 1.7], [-4.5, 0.0], [$base, -1.7],
                ]), Canvas::WIDE, Canvas::INK, '#ffffff', true));
            }
        }
        $coordinates = implode('  ', array_map(
            fn (string $name, float $value): string => $name.' '.$this->units->column($value),
            ['X', 'Y', 'Z'], $end->at->toArray(),
        ));
        $this->note($at, atan2($way[1], $way[0]), [$end->words, $coordinates]);
    }

    /**
     * Writes lines of text near a place, with a line to it.
     *
     * @param  array{float, float}  $at
     * @param  float  $way  direction to try first, radians
     * @param  non-empty-list<string>  $texts
     */
    private function note(array $at, float $way, array $texts): void
    {
        $this->hasRoom = $this->labels->note('notes', $at, $way, $texts, self::SMALL) && $this->hasRoom;
    }

    /**
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     * @param  float  $length  that is told, mm
     */
    private function dimension(array $from, array $to, float $length, float $beside): void
    {
        $isDrawn = (new DimensionLine($this->canvas, $this->within))->draw(
            $from, $to, $this->units->column($length), $beside, $this->lines,
        );
        $this->hasRoom = $isDrawn && $this->hasRoom;
    }

    /**
     * Draws the dimensions of a leg from its corners to the faces of the flanges that it is broken by.
     *
     * @return bool whether there are any
     */
    private function faces(Leg $leg, int $i): bool
    {
        [$from, $to] = [$this->corners[$i], $this->corners[$i + 1]];
        $on = static fn (float $at): array => [
            $from[0] + ($to[0] - $from[0]) * $at / $leg->length, $from[1] + ($to[1] - $from[1]) * $at / $leg->length,
        ];
        $joints = array_values(array_filter(
            $leg->marks, static fn (Mark $mark): bool => $mark->kind === MarkKind::Flanges,
        ));
        $begin = 0.0;
        foreach ($joints === [] ? [] : [...$joints, null] as $joint) {
            $end = $joint === null ? $leg->length : $joint->at - $joint->half;
            if ($end - $begin > 0.5) {
                $this->dimension($on($begin), $on($end), $end - $begin, 7.0);
            }
            $begin = $joint === null ? $begin : $joint->at + $joint->half;
        }

        return $joints !== [];
    }

    /**
     * Returns places round another, along and across the pipe.
     *
     * @param  array{float, float}  $at
     * @param  array{float, float}  $way  of the pipe, unit
     * @param  non-empty-list<array{float, float}>  $places  along and across
     * @return non-empty-list<array{float, float}>
     */
    private static function around(array $at, array $way, array $places): array
    {
        return array_map(static fn (array $place): array => [
            $at[0] + $way[0] * $place[0] - $way[1] * $place[1], $at[1] + $way[1] * $place[0] + $way[0] * $place[1],
        ], $places);
    }

    /** Draws an arrow of the flow on the longest leg, and the fall beside it. */
    private function flow(Line $line): void
    {
        $best = 0;
        foreach (array_keys($line->legs) as $i) {
            $best = $this->onPaper($i) > $this->onPaper($best) ? $i : $best;
        }
        [$from, $to] = [$this->corners[$best], $this->corners[$best + 1]];
        $part = self::freePart($line->legs[$best]);
        $at = [$from[0] + ($to[0] - $from[0]) * $part, $from[1] + ($to[1] - $from[1]) * $part];
        $this->canvas->arrowHead('arrows', $at, self::unit($from, $to), 1.9);
        if ($line->fall > 0.0) {
            $this->note($at, atan2($to[1] - $from[1], $to[0] - $from[0]) - M_PI / 2, [
                sprintf('falls 1 : %d', (int) round(1 / $line->fall)),
            ]);
        }
    }

    /** Returns the part of a leg, 0 to 1, at which an arrow is farthest from all that stands on it. */
    private static function freePart(Leg $leg): float
    {
        $best = [0.55, -1.0];
        foreach ([0.55, 0.4, 0.3, 0.7, 0.22, 0.8] as $part) {
            $off = min([1.0, ...array_map(
                static fn (Mark $mark): float => abs($mark->at / $leg->length - $part), $leg->marks,
            )]);
            $best = $off > $best[1] + 0.02 ? [$part, $off] : $best;
        }

        return $best[0];
    }

    private function onPaper(int $leg): float
    {
        [$from, $to] = [$this->corners[$leg], $this->corners[$leg + 1]];

        return hypot($to[0] - $from[0], $to[1] - $from[1]);
    }

    private function marks(Leg $leg, int $i): void
    {
        [$from, $to] = [$this->corners[$i], $this->corners[$i + 1]];
        $way = self::unit($from, $to);
        $off = atan2($way[1], $way[0]) + M_PI / 2;
        foreach ($leg->marks as $mark) {
            // What stands at an end of the leg is drawn a little off it, where it can be seen.
            $part = max(0.06, min(0.94, $mark->at / $leg->length));
            $at = [$from[0] + ($to[0] - $from[0]) * $part, $from[1] + ($to[1] - $from[1]) * $part];
            match ($mark->kind) {
                MarkKind::Weld => $this->canvas->dot('welds', $at, 0.8, Canvas::INK),
                MarkKind::Flanges => $this->bolted($at, $way),
                MarkKind::Sleeve => $this->sleeve($at, $way),
                MarkKind::Support => $this->support($at),
                MarkKind::Branch => $this->canvas->dot('branches', $at, 0.8, Canvas::BRASS),
                MarkKind::Spool => null,
            };
            if ($mark->words !== '') {
                $this->note($at, $mark->kind === MarkKind::Spool ? $off + M_PI : $off, [
                    $mark->kind === MarkKind::Spool ? '['.$mark->words.']' : $mark->words,
                ]);
            }
        }
    }

    /**
     * @param  array{float, float}  $at
     * @param  array{float, float}  $way
     */
    private function bolted(array $at, array $way): void
    {
        foreach ([-self::BETWEEN, self::BETWEEN] as $beside) {
            $this->bar([$at[0] + $way[0] * $beside, $at[1] + $way[1] * $beside], $way, self::FLANGE);
        }
    }

    /**
     * @param  array{float, float}  $at
     * @param  array{float, float}  $way
     */
    private function sleeve(array $at, array $way): void
    {
        $this->canvas->add(new PlanPath('sleeves', self::around($at, $way, [
            [-2.0, -1.2], [2.0, -1.2], [2.0, 1.2], [-2.0, 1.2],
        ]), Canvas::WIDE, Canvas::INK, '#ffffff', true));
    }

    /** @param  array{float, float}  $at */
    private function support(array $at): void
    {
        $this->canvas->add(new PlanPath('supports', [
            $at, [$at[0] - 1.8, $at[1] - 3.0], [$at[0] + 1.8, $at[1] - 3.0],
        ], Canvas::NARROW, Canvas::INK, '#ffffff', true));
        $this->canvas->line('supports', [$at[0] - 2.6, $at[1] - 3.0], [$at[0] + 2.6, $at[1] - 3.0], Canvas::NARROW);
    }

    /** Draws the box of a leg that lies along no axis: its parts along the axes, hatched, each with its length. */
    private function box(Leg $leg, int $i): void
    {
        [$from, $to] = [$this->corners[$i], $this->corners[$i + 1]];
        $scale = $this->onPaper($i) / max(Tolerance::NO_SIDE, hypot(...$this->view->flat($leg->direction)));
        $at = $from;
        $places = [$at];
        $parts = ['+x' => $leg->direction->x, '+y' => $leg->direction->y, '+z' => $leg->direction->z];
        foreach ($parts as $axis => $part) {
            if (abs($part) < Tolerance::NO_SIDE) {
                continue;
            }
            $way = $this->view->flat((Vector::axis($axis) ?? $this->up)->times($part * $scale));
            $next = [$at[0] + $way[0], $at[1] + $way[1]];
            $this->canvas->line('boxes', $at, $next, Canvas::FINE, Canvas::INK, [1.5, 0.8]);
            $this->dimension($at, $next, abs($part) * $leg->length, 3.0);
            $at = $next;
            $places[] = $at;
        }
        // Hatched between the leg and its box, along the last part.
        [$start, $end] = [$places[count($places) - 2], $places[count($places) - 1]];
        for ($k = 1; $k < 8; $k++) {
            $this->canvas->line('boxes', [
                $start[0] + ($end[0] - $start[0]) * $k / 8, $start[1] + ($end[1] - $start[1]) * $k / 8,
            ], [
                $from[0] + ($to[0] - $from[0]) * $k / 8, $from[1] + ($to[1] - $from[1]) * $k / 8,
            ], Canvas::FINE, '#b9ad8c');
        }
    }

    /**
     * Draws the number of a bend at its corner.
     *
     * @param  array{float, float}  $before
     * @param  array{float, float}  $at
     * @param  array{float, float}  $behind  the corner itself where the line goes on on another sheet
     */
    private function bend(int $number, array $before, array $at, array $behind): void
    {
        [$one, $other] = [self::unit($at, $before), self::unit($at, $behind)];
        $this->hasRoom = $this->labels->balloon(
            'bends', $at, atan2(-$one[1] - $other[1], -$one[0] - $other[0]), (string) $number, 4.0,
        ) && $this->hasRoom;
    }

    /**
     * @param  array{float, float}  $at
     * @param  array{float, float}  $way  of the pipe, unit
     */
    private function bar(array $at, array $way, float $half): void
    {
        $this->canvas->line('flanges', [$at[0] - $way[1] * $half, $at[1] + $way[0] * $half], [
            $at[0] + $way[1] * $half, $at[1] - $way[0] * $half,
        ], self::PIPE);
    }

    /**
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     * @return array{float, float}
     */
    private static function unit(array $from, array $to): array
    {
        $length = max(Tolerance::NOTHING, hypot($to[0] - $from[0], $to[1] - $from[1]));

        return [($to[0] - $from[0]) / $length, ($to[1] - $from[1]) / $length];
    }
}
