<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

use Bowline\Geometry\Bounds;
use Bowline\Geometry\Vector;

/** What legs and bends of a way cost, mm of tube. */
final class Costs
{
    /**
     * How much a leg along no axis costs more, as a share of it: it is harder to clamp, to measure and to draw, and is
     * there for where square legs have no room.
     */
    private const SLANT = 2.0;

    /** How much a mm costs more where an earlier way went, as a share of it. */
    private const AGAIN = 0.6;

    /** How far off the way along a body still counts as along it, mm. */
    private const BESIDE = 1.0;

    /**
     * What a mm is taken to cost at least where a search looks ahead, as a share of it: half way to what it costs along
     * what is followed, which hardly any way is from end to end.
     */
    public readonly float $least;

    /** @var list<array{list<float>, list<float>, float, float}> lowest and highest place, reach, share */
    private array $beside = [];

    /** @var list<array{Vector, Vector}> legs of earlier ways */
    private array $earlier = [];

    /**
     * @param  int<0, 2>  $up  number of the axis that is up
     * @param  list<array{Bounds, float, float}>  $beside  bodies along which a way is cheaper: their bounds, how far
     *     off the centre line is then, and by what share of a mm
     */
    public function __construct(
        public readonly Weights $weights,
        private readonly float $radius,
        private readonly int $up,
        array $beside,
    ) {
        $least = 1.0;
        foreach ($beside as [$bounds, $reach, $share]) {
            $this->beside[] = [$bounds->low->toArray(), $bounds->high->toArray(), $reach + self::BESIDE, $share];
            $least = min($least, 1.0 - $share / 2);
        }
        $this->least = $least;
    }

    /**
     * Returns a copy for which other ways are better than those found already.
     *
     * @param  list<Vector>  $vertices  of a way that was found
     */
    public function avoiding(array $vertices): self
    {
        $copy = clone $this;
        // Its first and last leg are where every way goes.
        for ($i = 1; $i < count($vertices) - 2; $i++) {
            $copy->earlier[] = [$vertices[$i], $vertices[$i + 1]];
        }

        return $copy;
    }

    /** Returns what a bend costs beside the legs up to its corner, which it is shorter than. */
    public function bend(float $angle): float
    {
        $saved = $this->radius * (2 * tan($angle / 2) - $angle);

        return max($this->weights->bends - $saved, 0.0);
    }

    /** Returns what a leg costs that is along no axis. */
    public function slant(float $length): float
    {
        return $length * (1.0 + self::SLANT);
    }

    /**
     * Returns what a leg along an axis costs.
     *
     * @param  int  $axis  0, 1, 2 for x, y, z
     * @param  array<int, float>  $point  of the leg
     */
    public function leg(int $axis, array $point, float $from, float $to): float
    {
        if ($from > $to) {
            [$from, $to] = [$to, $from];
        }
        $cost = ($to - $from) * ($axis === $this->up ? 1.0 + $this->weights->height : 1.0);
        [$u, $v] = [($axis + 1) % 3, ($axis + 2) % 3];
        $less = 0.0;
        foreach ($this->beside as [$low, $high, $reach, $share]) {
            $offU = max($low[$u] - $point[$u], $point[$u] - $high[$u], 0.0);
            $offV = max($low[$v] - $point[$v], $point[$v] - $high[$v], 0.0);
            if ($offU * $offU + $offV * $offV <= $reach * $reach) {
                $less = max($less, $share * max(0.0, min($to, $high[$axis]) - max($from, $low[$axis])));
            }
        }

        return $cost - $less + $this->again($axis, $point, $from, $to);
    }

    /** @param  array<int, float>  $point */
    private function again(int $axis, array $point, float $from, float $to): float
    {
        $more = 0.0;
        $near = 2 * $this->radius;
        foreach ($this->earlier as [$start, $end]) {
            [$one, $other] = [$start->toArray(), $end->toArray()];
            [$u, $v] = [($axis + 1) % 3, ($axis + 2) % 3];
            if (max(abs($one[$u] - $point[$u]), abs($other[$u] - $point[$u])) < $near
                && max(abs($one[$v] - $point[$v]), abs($other[$v] - $point[$v])) < $near) {
                $more += self::AGAIN * max(
                    0.0, min($to, max($one[$axis], $other[$axis])) - max($from, min($one[$axis], $other[$axis])),
                );
            }
        }

        return $more;
    }
}
