<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Geometry\Tolerance;
use Bowline\Space\ImplicitSurface;
use Bowline\Space\UnionDistance;

/** The outside of a rounded body, or the surface of its bores, between its rings. */
final readonly class JunctionSurface implements ImplicitSurface
{
    /** How exactly vertices lie on the surface, mm. */
    private const ACCURACY = 1e-5;

    /** How exactly the distance is found where only its sign matters, as a share of a cube. */
    private const ROUGH = 1e-2;

    /** Half a diagonal of a cube of half a size of 1. */
    private const DIAGONAL = 1.7321;

    /** How much farther the middle of a ball moves than where it stands on a tube, at most about. */
    private const SEAM = 1.6;

    /** Least size of cubes, mm. */
    private float $smallest;

    /** @param  array<int, array{float, float}>  $limits  of each leg, developed lengths of its rings, mm */
    public function __construct(
        private UnionDistance $union,
        private array $limits,
        private CubeSizes $sizes,
    ) {
        $this->smallest = min([
            ...$sizes->ofLegs, ...array_map($sizes->ofFillet(...), $union->balls()),
            ...array_filter(array_map($sizes->ofSeam(...), $union->balls()), is_float(...)),
        ]);
    }

    /** Returns how often the largest cubes are halved at most. */
    public function halvings(): int
    {
        return (int) ceil(log($this->sizes->greatest() / $this->smallest, 2) - Tolerance::COUNT);
    }

    public function distance(float $x, float $y, float $z): float
    {
        return $this->union->bound($x, $y, $z, $this->smallest * self::ROUGH);
    }

    public function isWanted(float $x, float $y, float $z): bool
    {
        $number = $this->union->nearest($x, $y, $z);
        $along = $this->union->tubes()[$number]->at($x, $y, $z)[4];
        [$from, $to] = $this->limits[$number];
        $over = 2 * $this->sizes->ofLegs[$number];

        return $along > $from - $over && $along < $to + $over;
    }

    public function cubeAt(float $x, float $y, float $z, float $half): float
    {
        $reach = self::DIAGONAL * $half;
        $ball = $this->union->ballNear($x, $y, $z, $reach);
        $size = $ball === null ? INF : $this->sizes->ofFillet($ball);
        $ofSeam = $ball === null ? null : $this->sizes->ofSeam($ball);
        if ($ball !== null && $ofSeam !== null && $this->isNearSeam($x, $y, $z, $reach, $ball)) {
            return $ofSeam;
        }
        foreach ($this->union->tubes() as $number => $tube) {
            if (abs($tube->at($x, $y, $z)[0]) < $reach) {
                $size = min($size, $this->sizes->ofLegs[$number]);
            }
        }

        return $size;
    }

    /** Whether a ball may begin to touch two tubes within a distance: where it stands on one, it just meets another. */
    private function isNearSeam(float $x, float $y, float $z, float $reach, float $ball): bool
    {
        foreach ($this->union->tubes() as $number => $tube) {
            [$distance, $nx, $ny, $nz] = $tube->at($x, $y, $z);
            if (abs($distance) > $reach) {
                continue;
            }
            $up = $ball - $distance;
            foreach ($this->union->tubes() as $other => $second) {
                if ($other !== $number && abs(
                    $second->at($x + $up * $nx, $y + $up * $ny, $z + $up * $nz)[0] - $ball,
                ) < self::SEAM * $reach) {
                    return true;
                }
            }
        }

        return false;
    }

    public function onSurface(float $x, float $y, float $z): array
    {
        $union = $this->union->nearestGroup($x, $y, $z, self::ACCURACY);

        return $union->rounding > 0.0
            ? $union->onSurface($x, $y, $z, self::ACCURACY)
            : SharpProjection::onSurface($union, $x, $y, $z, $this->sizes->ofLegs);
    }
}
