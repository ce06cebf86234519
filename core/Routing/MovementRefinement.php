<?php

declare(strict_types=1);

namespace Bowline\Routing;

/** Chooses between which sampled positions of a movement another one is needed to find an extreme or a jump. */
final readonly class MovementRefinement
{
    /** Local minima within this share of the least are refined too. */
    private const RIVAL_SHARE = 0.3;

    /** Intervals no wider than this are not divided. */
    public const FINEST = 1 / 4096;

    /** @param  list<float>  $parts  sampled positions, 0 to 1, ascending */
    public function __construct(private array $parts)
    {
    }

    /**
     * Returns the widest interval beside a local minimum in which the function may be lower than its least sample.
     *
     * @param  non-empty-list<float>  $values  of the function at each position; INF where it has none
     * @param  float  $accuracy  what is lower by no more than this counts as equal
     * @return array{int, float}|null number of the interval and its width; null when the least value is known
     */
    public function besideMinimum(array $values, float $accuracy): ?array
    {
        $best = min($values);
        $widest = null;
        foreach ($values as $index => $value) {
            $isLeast = $value <= ($values[$index - 1] ?? INF) && $value <= ($values[$index + 1] ?? INF);
            if (! $isLeast || $value > $best + self::RIVAL_SHARE * abs($best)) {
                continue;
            }
            foreach ([$index - 1, $index] as $left) {
                $isInterval = isset($values[$left], $values[$left + 1]);
                if ($isInterval && $this->lowerBound($values, $left) < $best - $accuracy) {
                    $widest = $this->wider($widest, $left);
                }
            }
        }

        return $widest;
    }

    /**
     * Returns the widest interval within which a shape jumps: just before a jump it may be tighter or more twisted than
     * anywhere else.
     *
     * @param  list<bool>  $jumped  whether the shape at each position has jumped since the one before, on the way from
     *     the position of rest
     * @return array{int, float}|null number of the interval and its width
     */
    public function atJump(array $jumped, float $rest): ?array
    {
        $widest = null;
        foreach (array_keys($jumped, true, true) as $index) {
            $left = $this->parts[$index] > $rest ? $index - 1 : $index;
            if (isset($this->parts[$left], $this->parts[$left + 1])) {
                $widest = $this->wider($widest, $left);
            }
        }

        return $widest;
    }

    /**
     * Returns a lower bound of a convex function between a position and the next: the secants of the neighbouring
     * intervals, extended; −INF where neither neighbour has a value.
     *
     * @param  list<float>  $values
     * @param  int  $left  number of the interval
     */
    public function lowerBound(array $values, int $left): float
    {
        [$low, $high] = [$this->parts[$left], $this->parts[$left + 1]];
        $before = $this->secant($values, $left - 1, $left);
        $behind = $this->secant($values, $left + 2, $left + 1);
        if ($before === null || $behind === null) {
            $one = $before ?? $behind;

            return $one === null ? -INF : min($one($low), $one($high));
        }
        $places = [$low, $high];
        // Where the secants cross: the difference of both is linear.
        [$atLow, $atHigh] = [$before($low) - $behind($low), $before($high) - $behind($high)];
        if ($atLow * $atHigh < 0.0) {
            $places[] = $low + ($high - $low) * $atLow / ($atLow - $atHigh);
        }

        return min(array_map(static fn (float $place): float => max($before($place), $behind($place)), $places));
    }

    /**
     * Returns the line through the samples at two positions; null where one of them has no value.
     *
     * @param  list<float>  $values
     * @return (callable(float): float)|null
     */
    private function secant(array $values, int $outer, int $inner): ?callable
    {
        [$from, $to] = [$values[$outer] ?? INF, $values[$inner]];
        if (! is_finite($from) || ! is_finite($to)) {
            return null;
        }
        $at = $this->parts[$inner];
        $slope = ($from - $to) / ($this->parts[$outer] - $at);

        return static fn (float $place): float => $to + $slope * ($place - $at);
    }

    /**
     * Returns the wider one of an interval and another; the first where they are equally wide, and only what is wider
     * than FINEST.
     *
     * @param  array{int, float}|null  $widest
     * @return array{int, float}|null
     */
    private function wider(?array $widest, int $left): ?array
    {
        $width = $this->parts[$left + 1] - $this->parts[$left];

        return $width > ($widest[1] ?? self::FINEST) ? [$left, $width] : $widest;
    }
}
