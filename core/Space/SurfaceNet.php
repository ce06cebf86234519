<?php

declare(strict_types=1);

namespace Bowline\Space;

use Closure;

/**
 * Triangles of the surface on which a signed distance is 0: cubes of one size that it goes through, found by halving
 * larger ones, have a vertex each, and every side of a cube on which the sign changes joins those of the four cubes
 * round it. Closed but where what is looked at ends.
 */
final class SurfaceNet
{
    /** Corners of a cube, and its sides by the corners that they join. */
    private const CORNERS = [
        [0, 0, 0], [1, 0, 0], [0, 1, 0], [1, 1, 0], [0, 0, 1], [1, 0, 1], [0, 1, 1], [1, 1, 1],
    ];

    private const SIDES = [
        [0, 1], [2, 3], [4, 5], [6, 7], [0, 2], [1, 3], [4, 6], [5, 7], [0, 4], [1, 5], [2, 6], [3, 7],
    ];

    /** @var array<int, float> distances at the corners of cubes, by their number */
    private array $distances = [];

    /** @var array<int, int> number of the vertex of each cube that has one */
    private array $cubes = [];

    /** @var list<array{float, float, float}> */
    public array $vertices = [];

    /** @var list<array{int, int, int}> counter-clockwise as seen from outside */
    public array $triangles = [];

    private readonly int $side;

    /**
     * @param  Closure(float, float, float): float  $distance  at most as much as it is
     * @param  Closure(float, float, float): bool  $isWanted  of the middle of a cube
     * @param  Closure(float, float, float): array{float, float, float}  $onSurface  puts a vertex on the surface
     * @param  array{float, float, float}  $low  corner of the box that is looked at
     * @param  float  $size  of the box, mm
     * @param  float  $cube  size of a cube, mm
     */
    public function __construct(
        private readonly Closure $distance,
        private readonly Closure $isWanted,
        private readonly Closure $onSurface,
        private readonly array $low,
        float $size,
        private readonly float $cube,
    ) {
        $side = 1;
        while ($side * $cube < $size) {
            $side *= 2;
        }
        $this->side = $side + 1;
        $this->divide($side);
        $this->join();
    }

    /** Goes through the cubes from the largest to those that the surface goes through. */
    private function divide(int $side): void
    {
        $left = [[0, 0, 0, $side]];
        while (($next = array_pop($left)) !== null) {
            [$i, $j, $k, $size] = $next;
            $half = $size * $this->cube / 2;
            $at = [
                $this->low[0] + $i * $this->cube + $half, $this->low[1] + $j * $this->cube + $half,
                $this->low[2] + $k * $this->cube + $half,
            ];
            if (abs(($this->distance)(...$at)) > 1.7321 * $half) {
                continue;
            }
            if ($size > 1) {
                $size = intdiv($size, 2);
                foreach (self::CORNERS as [$x, $y, $z]) {
                    $left[] = [$i + $x * $size, $j + $y * $size, $k + $z * $size, $size];
                }
            } elseif (($this->isWanted)(...$at)) {
                $this->look($i, $j, $k);
            }
        }
    }

    /** Gives a cube its vertex, where the surface goes through it. */
    private function look(int $i, int $j, int $k): void
    {
        $distances = [];
        foreach (self::CORNERS as [$x, $y, $z]) {
            $distances[] = $this->distanceAt($i + $x, $j + $y, $k + $z);
        }
        [$x, $y, $z, $count] = [0.0, 0.0, 0.0, 0];
        foreach (self::SIDES as [$from, $to]) {
            [$before, $behind] = [$distances[$from], $distances[$to]];
            if (($before < 0.0) !== ($behind < 0.0)) {
                $part = $before / ($before - $behind);
                $x += self::CORNERS[$from][0] + $part * (self::CORNERS[$to][0] - self::CORNERS[$from][0]);
                $y += self::CORNERS[$from][1] + $part * (self::CORNERS[$to][1] - self::CORNERS[$from][1]);
                $z += self::CORNERS[$from][2] + $part * (self::CORNERS[$to][2] - self::CORNERS[$from][2]);
                $count++;
            }
        }
        if ($count > 0) {
            $this->cubes[$this->number($i, $j, $k)] = count($this->vertices);
            $this->vertices[] = ($this->onSurface)(
                $this->low[0] + $this->cube * ($i + $x / $count), $this->low[1] + $this->cube * ($j + $y / $count),
                $this->low[2] + $this->cube * ($k + $z / $count),
            );
        }
    }

    private function join(): void
    {
        foreach ($this->cubes as $number => $own) {
            $i = $number % $this->side;
            $j = intdiv($number, $this->side) % $this->side;
            $k = intdiv($number, $this->side * $this->side);
            $here = $this->distanceAt($i, $j, $k);
            foreach ([[1, 0, 0], [0, 1, 0], [0, 0, 1]] as $axis => [$x, $y, $z]) {
                if (($here < 0.0) === ($this->distanceAt($i + $x, $j + $y, $k + $z) < 0.0)) {
                    continue;
                }
                // The four cubes round the side, right-handed about it.
                $round = match ($axis) {
                    0 => [[0, 0], [0, -1], [-1, -1], [-1, 0]],
                    1 => [[0, 0], [-1, 0], [-1, -1], [0, -1]],
                    default => [[0, 0], [-1, 0], [-1, -1], [0, -1]],
                };
                $corners = [];
                foreach ($round as [$one, $two]) {
                    $cube = match ($axis) {
                        0 => $this->number($i, $j + $two, $k + $one),
                        1 => $this->number($i + $two, $j, $k + $one),
                        default => $this->number($i + $one, $j + $two, $k),
                    };
                    if (isset($this->cubes[$cube])) {
                        $corners[] = $this->cubes[$cube];
                    }
                }
                if (count($corners) === 4) {
                    $this->four($here < 0.0 ? $corners : array_reverse($corners));
                }
            }
        }
    }

    /** @param  list<int>  $corners  four, divided by the shorter of both ways across */
    private function four(array $corners): void
    {
        [$a, $b, $c, $d] = $corners;
        if ($this->apart($a, $c) <= $this->apart($b, $d)) {
            array_push($this->triangles, [$a, $b, $c], [$a, $c, $d]);
        } else {
            array_push($this->triangles, [$a, $b, $d], [$b, $c, $d]);
        }
    }

    private function apart(int $one, int $other): float
    {
        [[$ax, $ay, $az], [$bx, $by, $bz]] = [$this->vertices[$one], $this->vertices[$other]];

        return ($ax - $bx) ** 2 + ($ay - $by) ** 2 + ($az - $bz) ** 2;
    }

    private function distanceAt(int $i, int $j, int $k): float
    {
        return $this->distances[$this->number($i, $j, $k)] ??= ($this->distance)(
            $this->low[0] + $i * $this->cube, $this->low[1] + $j * $this->cube, $this->low[2] + $k * $this->cube,
        );
    }

    private function number(int $i, int $j, int $k): int
    {
        return $i + $this->side * ($j + $this->side * $k);
    }
}
