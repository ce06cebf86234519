<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Curve;
use Bowline\Geometry\Vector;

/**
 * The centre line of a run over the movement of what holds it: at some positions as it was laid, and between these by
 * the polynomial through the positions beside it (Lagrange), but not across a jump to another shape.
 */
final readonly class MovedShapes
{
    /** Points for each length of the least radius: a curve turns by less than 6° between two, and is smooth. */
    private const POINTS_PER_RADIUS = 10.0;

    private const FEWEST_POINTS = 24;

    private const MOST_POINTS = 600;

    /** Positions nearer to each other than this share of the movement are left out, but where it jumps. */
    private const APART = 1 / 200;

    /** Positions through which the polynomial goes. */
    private const THROUGH = 4;

    /** @param  non-empty-list<MovedShape>  $shapes  in order of the movement */
    public function __construct(public array $shapes)
    {
    }

    /** Returns null when the run does not move, or is rigid. This is slow: `LaidRun::shapes` remembers it. */
    public static function of(LaidRun $laid): ?self
    {
        // Where it does not reach it has no shape.
        $positions = array_values(array_filter(
            $laid->sweep()->positions ?? [], static fn (MovedPosition $one): bool => ($one->taut ?? 0.0) < 1.0,
        ));
        $rest = ($laid->run->from->movement ?? $laid->run->to->movement)?->placedPart() ?? 0.0;
        $count = self::points($positions);
        $shapes = [];
        foreach ($positions as $i => $one) {
            $next = $positions[$i + 1] ?? null;
            // A jump is told of the position farther from rest.
            $jumpsNext = $next !== null && ($next->part > $rest ? $next : $one)->jumped;
            $last = $shapes === [] ? null : $shapes[count($shapes) - 1];
            if ($last === null || $next === null || $jumpsNext || $last->jumpsNext
                || $one->part - $last->part > self::APART) {
                $shapes[] = self::shape($one, $count, $jumpsNext);
            }
        }

        return $shapes === [] ? null : new self($shapes);
    }

    /** @param  array<MovedPosition>  $positions */
    private static function points(array $positions): int
    {
        $most = 0.0;
        foreach ($positions as $one) {
            $most = max($most, $one->laid->length() / max($one->leastRadius(), 1.0));
        }

        return (int) min(self::MOST_POINTS, max(self::FEWEST_POINTS, ceil($most * self::POINTS_PER_RADIUS)));
    }

    private static function shape(MovedPosition $one, int $count, bool $jumpsNext): MovedShape
    {
        $length = $one->laid->length();
        $places = array_map(static fn (int $i): float => $length * $i / $count, range(0, $count));

        return new MovedShape(
            $one->part,
            array_map($one->laid->path->pointAt(...), $places),
            array_map($one->laid->path->directionAt(...), $places),
            $length, $one->leastRadius(), $jumpsNext,
        );
    }

    /** Returns the centre line at a position of the movement, 0 to 1; where it does not reach, the last that does. */
    public function at(float $part): Curve
    {
        $ends = [$this->shapes[0]->part, $this->shapes[count($this->shapes) - 1]->part];
        $weights = $this->weights(max($ends[0], min($ends[1], $part)));
        $points = $directions = [];
        $length = 0.0;
        $least = INF;
        foreach ($weights as $i => $weight) {
            $length += $weight * $this->shapes[$i]->length;
            $least = min($least, $this->shapes[$i]->leastRadius);
        }
        foreach (array_keys($this->shapes[0]->points) as $k) {
            $point = $direction = Vector::zero();
            foreach ($weights as $i => $weight) {
                $point = $point->plus($this->shapes[$i]->points[$k]->times($weight));
                $direction = $direction->plus($this->shapes[$i]->directions[$k]->times($weight));
            }
            $points[] = $point;
            $directions[] = $direction->unit();
        }
        $last = count($points) - 1;

        return new Curve(
            $points, $directions,
            array_map(static fn (int $k): float => $length * $k / $last, range(0, $last)),
            array_fill(0, $last + 1, is_infinite($least) ? 0.0 : 1.0 / $least), $least, 0.0,
        );
    }

    /** @return array<int, float> Lagrange weights of the shapes near a position, by their numbers; their sum is 1 */
    private function weights(float $part): array
    {
        $last = count($this->shapes) - 1;
        $i = 0;
        while ($i < $last - 1 && $this->shapes[$i + 1]->part <= $part) {
            $i++;
        }
        [$from, $to] = [$i, min($i + 1, $last)];
        if ($this->shapes[$from]->jumpsNext) {
            $near = $part - $this->shapes[$from]->part < $this->shapes[$to]->part - $part ? $from : $to;

            return [$near => 1.0];
        }
        while ($to - $from < self::THROUGH - 1) {
            $canGoBack = $from > 0 && ! $this->shapes[$from - 1]->jumpsNext;
            $canGoOn = $to < $last && ! $this->shapes[$to]->jumpsNext;
            if (! $canGoBack && ! $canGoOn) {
                break;
            }
            $isBack = $canGoBack && (! $canGoOn || $i - $from <= $to - $i - 1);
            [$from, $to] = $isBack ? [$from - 1, $to] : [$from, $to + 1];
        }
        $weights = [];
        foreach (range($from, $to) as $one) {
            $weights[$one] = 1.0;
            foreach (range($from, $to) as $other) {
                if ($other !== $one) {
                    $weights[$one] *= ($part - $this->shapes[$other]->part)
                        / ($this->shapes[$one]->part - $this->shapes[$other]->part);
                }
            }
        }

        return $weights;
    }
}
