<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

use Bowline\Geometry\Arc;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/** A way as a line from corner to corner, all rounded by the same radius. Millimetres. */
final readonly class CornerLine
{
    /** @param  non-empty-list<Vector>  $vertices  both ends and the corners between them */
    public function __construct(
        public array $vertices,
        public float $radius,
    ) {
    }

    /** Returns the arc that rounds a corner. */
    public static function bend(Vector $corner, Vector $in, Vector $out, float $radius): Arc
    {
        $angle = $in->angleTo($out);

        return Arc::rounding(
            $corner, $in, $out, $in->cross($out)->unit(), $radius * tan($angle / 2), $radius, $angle,
        );
    }

    /** Returns the same without corners at which it does not turn. */
    public function tidied(): self
    {
        $kept = [$this->vertices[0]];
        foreach ($this->vertices as $i => $vertex) {
            $next = $this->vertices[$i + 1] ?? null;
            $last = $kept[count($kept) - 1];
            if ($i === 0 || $vertex->distanceTo($last) < Tolerance::COINCIDENT) {
                continue;
            }
            if ($next === null || $vertex->minus($last)->angleTo($next->minus($vertex)) > Tolerance::NO_TURN) {
                $kept[] = $vertex;
            }
        }

        return new self($kept, $this->radius);
    }

    public function bends(): int
    {
        return count($this->vertices) - 2;
    }

    /** Returns its length along the centre line. */
    public function length(): float
    {
        $length = 0.0;
        foreach ($this->legs() as [, , $span]) {
            $length += $span;
        }
        foreach ($this->turns() as $turn) {
            $length -= $this->radius * (2 * tan($turn / 2) - $turn);
        }

        return $length;
    }

    /** @return list<array{Vector, Vector, float}> where each leg begins, its unit direction and its length */
    public function legs(): array
    {
        $legs = [];
        for ($i = 0; $i < count($this->vertices) - 1; $i++) {
            $way = $this->vertices[$i + 1]->minus($this->vertices[$i]);
            $legs[] = [$this->vertices[$i], $way->unit(), $way->length()];
        }

        return $legs;
    }

    /** @return array<int, float> the turn at each corner, radians, by the number of the vertex */
    public function turns(): array
    {
        $legs = $this->legs();
        $turns = [];
        for ($i = 1; $i < count($legs); $i++) {
            $turns[$i] = $legs[$i - 1][1]->angleTo($legs[$i][1]);
        }

        return $turns;
    }

    public function cost(Costs $costs): float
    {
        $cost = array_sum(array_map($costs->bend(...), $this->turns()));
        foreach ($this->legs() as [$from, $unit, $length]) {
            $axis = $unit->axisName();
            $number = $axis === null ? null : ['x' => 0, 'y' => 1, 'z' => 2][$axis[1]];
            $cost += $number === null ? $costs->slant($length) : $costs->leg(
                $number, $from->toArray(), $from->toArray()[$number],
                $from->plus($unit->times($length))->toArray()[$number],
            );
        }

        return $cost;
    }

    /** Whether every leg has room for the bends at its ends, and for the straight that the bender needs between two. */
    public function hasRoom(float $leastStraight, float $atFrom, float $atTo): bool
    {
        $turns = $this->turns();
        if ($turns !== [] && max($turns) > M_PI - 0.2) {
            return false;
        }
        $legs = $this->legs();
        foreach ($legs as $i => [, , $length]) {
            $needed = match (true) {
                $i === 0 => $atFrom,
                $i === count($legs) - 1 => $atTo,
                default => $leastStraight,
            };
            foreach ([$turns[$i] ?? 0.0, $turns[$i + 1] ?? 0.0] as $turn) {
                $needed += $this->radius * tan($turn / 2);
            }
            if ($length < $needed - Tolerance::COINCIDENT) {
                return false;
            }
        }

        return true;
    }

    /** Whether legs that are not neighbours keep off each other. */
    public function keepsOffItself(float $apart): bool
    {
        $legs = $this->legs();
        for ($i = 0; $i < count($legs); $i++) {
            for ($j = $i + 2; $j < count($legs); $j++) {
                if (self::distance($legs[$i], $legs[$j]) < $apart - Tolerance::COINCIDENT) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * Returns the distance between two straights (Lumelsky 1985: the line parameters clamped one after the other).
     *
     * @param  array{Vector, Vector, float}  $one
     * @param  array{Vector, Vector, float}  $other
     */
    private static function distance(array $one, array $other): float
    {
        [$from, $unit, $length] = $one;
        [$start, $along, $span] = $other;
        $between = $start->minus($from);
        $cos = $unit->dot($along);
        $sine = 1.0 - $cos * $cos;
        $on = static fn (float $at, float $most): float => max(0.0, min($most, $at));
        $first = $sine < Tolerance::PARALLEL ? 0.0 : $on(
            ($between->dot($unit) - $cos * $between->dot($along)) / $sine, $length,
        );
        $second = $on($first * $cos - $between->dot($along), $span);
        $first = $on($second * $cos + $between->dot($unit), $length);

        return $from->plus($unit->times($first))->distanceTo($start->plus($along->times($second)));
    }

    /**
     * Returns the first body that it is too near to, null where it is clear of all.
     *
     * @param  array{float, list<string>}  $fromClear  how far out of its first end it may touch what items, by keys
     * @param  array{float, list<string>}  $toClear  likewise of its last end
     */
    public function body(Obstacles $obstacles, array $fromClear, array $toClear): ?int
    {
        $legs = $this->legs();
        $turns = $this->turns();
        foreach ($legs as $i => [$from, $unit, $length]) {
            [$start, $end] = [
                $this->radius * tan(($turns[$i] ?? 0.0) / 2),
                $length - $this->radius * tan(($turns[$i + 1] ?? 0.0) / 2),
            ];
            $parts = [[$start, $end, []]];
            if ($i === 0) {
                $parts = [[0.0, min($fromClear[0], $end), $fromClear[1]], [min($fromClear[0], $end), $end, []]];
            }
            if ($i === count($legs) - 1) {
                [$begin, , $without] = array_pop($parts);
                $clear = max($begin, $length - $toClear[0]);
                array_push($parts, [$begin, $clear, $without], [$clear, $length, $toClear[1]]);
            }
            foreach ($parts as [$begin, $stop, $without]) {
                $body = $stop - $begin < Tolerance::COINCIDENT ? null : $obstacles->onStraight(
                    $from->plus($unit->times($begin)), $from->plus($unit->times($stop)), $without,
                );
                if ($body !== null) {
                    return $body;
                }
            }
        }
        foreach ($turns as $i => $turn) {
            $body = $obstacles->onBend(self::bend($this->vertices[$i], $legs[$i - 1][1], $legs[$i][1], $this->radius));
            if ($body !== null) {
                return $body;
            }
        }

        return null;
    }
}
