<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\NearestRoot;
use Bowline\Geometry\Vector;
use Bowline\Job\Adjustment;

/**
 * Finds the smallest move of some stops along a direction that brings a run to a length. Length as a function of the
 * move is continuous but neither monotone nor smooth: it has kinks where a corner passes another, and minima where a
 * leg becomes straight. It is sampled in steps finer than the bends.
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
        $found = NearestRoot::of(
            fn (float $move): float => $this->length($move) - $target, $this->moves(), self::REACHED,
        );

        return new LengthFound($found->at, $found->at === null ? $target + $found->value : $target);
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
     * @return iterable<float>
     */
    private function moves(): iterable
    {
        $size = max(1.0, $this->size());
        $step = max(min(min($this->radii) / 2, $size / 64), 2 * $size / self::STEPS);
        $move = $step;
        while ($move < self::FARTHEST * $size) {
            yield $move;
            $move = $move < 2 * $size ? $move + $step : $move * self::GROWTH;
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
}
