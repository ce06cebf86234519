<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Adjustment;

/**
 * Finds the smallest move of some stops along a direction that brings a run to a length. Length as a function of the
 * move is continuous but neither monotone nor smooth: it has kinks where a corner passes another, and minima where a
 * leg becomes straight. So both sides are sampled outwards from zero in steps finer than the bends; every change of
 * sign is bisected and every minimum that may touch zero is refined.
 */
final class LengthSearch
{
    /** Most even steps on each side before the steps begin to grow. */
    private const STEPS = 512;

    /** Growth of a step after that, and the farthest move as a multiple of the size of the run. */
    private const GROWTH = 1.25;

    private const FARTHEST = 1e4;

    /** A length missed by less than this counts as reached, mm: the accuracy to which a minimum is known. */
    private const REACHED = 1e-8;

    private const GOLDEN = 0.6180339887498949;

    /** @var list<array{float, float, float}> */
    private array $points;

    /** @var non-empty-list<float> */
    private array $radii;

    /** @var list<bool> */
    private array $own;

    /** @var array<int<0, max>, Vector> which way each moving vertex goes */
    private array $moving = [];

    /** @param  non-empty-list<Vertex>  $vertices */
    public function __construct(
        array $vertices,
        Adjustment $adjustment,
    ) {
        $this->points = array_map(static fn (Vertex $vertex): array => $vertex->at->toArray(), $vertices);
        $this->radii = array_map(static fn (Vertex $vertex): float => $vertex->radius, $vertices);
        $this->own = array_map(static fn (Vertex $vertex): bool => $vertex->ownRadius, $vertices);
        foreach ($vertices as $index => $vertex) {
            $along = $vertex->adjustedAlong($adjustment);
            if ($along !== null) {
                $this->moving[$index] = $along;
            }
        }
    }

    public function find(float $target): LengthFound
    {
        $excess = fn (float $move): float => $this->length($move) - $target;
        $rest = [0.0, $excess(0.0)];
        if (abs($rest[1]) < self::REACHED) {
            return new LengthFound(0.0, $target);
        }
        $nearest = $rest[1];
        $last = $beforeLast = [1 => $rest, -1 => $rest];
        foreach ($this->moves() as $step => $move) {
            $found = [];
            $next = [1 => [$move, $excess($move)], -1 => [-$move, $excess(-$move)]];
            foreach ([1, -1] as $side) {
                if ($last[$side][1] * $next[$side][1] <= 0.0) {
                    $found[] = [self::root($excess, $last[$side], $next[$side]), 0.0];
                } elseif ($step > 0) {
                    $found = [...$found, ...self::dip($excess, $beforeLast[$side], $last[$side], $next[$side])];
                }
            }
            if ($step === 0) {
                $found = [...$found, ...self::dip($excess, $next[-1], $rest, $next[1])];
            }
            $best = null;
            foreach ([...$found, $next[1], $next[-1]] as [$at, $missed]) {
                $nearest = abs($missed) < abs($nearest) ? $missed : $nearest;
                if (abs($missed) < self::REACHED && ($best === null || abs($at) < abs($best))) {
                    $best = $at;
                }
            }
            if ($best !== null) {
                return new LengthFound($best, $target);
            }
            $beforeLast = $last;
            $last = $next;
        }

        return new LengthFound(null, $target + $nearest);
    }

    private function length(float $move): float
    {
        $points = $this->points;
        foreach ($this->moving as $index => $along) {
            [$x, $y, $z] = $points[$index];
            $points[$index] = [$x + $along->x * $move, $y + $along->y * $move, $z + $along->z * $move];
        }

        return Fillets::fit($points, $this->radii, $this->own)->length;
    }

    /**
     * Yields the moves to try on each side: even steps finer than the bends up to twice the size of the run, then
     * growing ones to find where its length ends up.
     *
     * @return iterable<int, float>
     */
    private function moves(): iterable
    {
        $size = max(1.0, $this->size());
        $step = max(min(min($this->radii) / 2, $size / 64), 2 * $size / self::STEPS);
        $index = 0;
        $move = $step;
        while ($move < 2 * $size) {
            yield $index++ => $move;
            $move += $step;
        }
        for (; $move < self::FARTHEST * $size; $move *= self::GROWTH) {
            yield $index++ => $move;
        }
    }

    /** Returns the length of the polyline at rest, mm. */
    private function size(): float
    {
        $size = 0.0;
        foreach ($this->points as $i => [$x, $y, $z]) {
            [$px, $py, $pz] = $this->points[max(0, $i - 1)];
            $size += sqrt(($x - $px) ** 2 + ($y - $py) ** 2 + ($z - $pz) ** 2);
        }

        return $size;
    }

    /**
     * Searches between three samples of which the middle one is nearest to the length, none having passed it.
     *
     * @param  callable(float): float  $excess
     * @param  array{float, float}  $left  move and excess
     * @param  array{float, float}  $middle
     * @param  array{float, float}  $right
     * @return list<array{float, float}> moves and the excess at each
     */
    private static function dip(callable $excess, array $left, array $middle, array $right): array
    {
        $sign = $middle[1] > 0.0 ? 1.0 : -1.0;
        if ($sign * $middle[1] > $sign * $left[1] || $sign * $middle[1] > $sign * $right[1]) {
            return [];
        }
        $a = $left[0];
        $b = $right[0];
        $tolerance = Tolerance::NOTHING * max(1.0, abs($a), abs($b));
        while (abs($b - $a) > $tolerance) {
            $c = $b - self::GOLDEN * ($b - $a);
            $d = $a + self::GOLDEN * ($b - $a);
            if ($sign * $excess($c) < $sign * $excess($d)) {
                $b = $d;
            } else {
                $a = $c;
            }
        }
        $floor = [($a + $b) / 2, $excess(($a + $b) / 2)];
        if ($floor[1] * $sign >= 0.0) {
            return [$floor];
        }

        return [[self::root($excess, $left, $floor), 0.0], [self::root($excess, $floor, $right), 0.0]];
    }

    /**
     * @param  callable(float): float  $excess
     * @param  array{float, float}  $from  move and excess
     * @param  array{float, float}  $to  the same, the excess of the other sign
     */
    private static function root(callable $excess, array $from, array $to): float
    {
        [$a, $atA] = $from;
        $b = $to[0];
        for ($i = 0; $i < 100 && $a !== $b; $i++) {
            $middle = ($a + $b) / 2;
            if ($middle === $a || $middle === $b) {
                break;
            }
            $atMiddle = $excess($middle);
            if ($atMiddle === 0.0) {
                return $middle;
            }
            if ($atMiddle * $atA < 0.0) {
                $b = $middle;
            } else {
                $a = $middle;
                $atA = $atMiddle;
            }
        }

        return ($a + $b) / 2;
    }
}
