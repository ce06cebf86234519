<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Geometry\Vector;

/** Points sorted into cells of space, so that those near a place are found without testing all. */
final class PointGrid
{
    /** @var array<string, list<int>> numbers of the points in each cell */
    private array $cells = [];

    /** @var list<Vector> */
    private array $points = [];

    /** @param  float  $within  the distance that will be asked for, mm */
    public function __construct(private readonly float $within)
    {
    }

    /** Adds a point; points are numbered from 0. */
    public function add(Vector $point): void
    {
        $this->cells[implode(' ', $this->cell($point))][] = count($this->points);
        $this->points[] = $point;
    }

    /** @return list<int> numbers of the points nearer than the distance, in order */
    public function near(Vector $place): array
    {
        [$x, $y, $z] = $this->cell($place);
        $near = [];
        for ($i = -1; $i <= 1; $i++) {
            for ($j = -1; $j <= 1; $j++) {
                for ($k = -1; $k <= 1; $k++) {
                    foreach ($this->cells[($x + $i).' '.($y + $j).' '.($z + $k)] ?? [] as $number) {
                        if ($this->points[$number]->distanceTo($place) < $this->within) {
                            $near[] = $number;
                        }
                    }
                }
            }
        }
        sort($near);

        return $near;
    }

    /** @return array{float, float, float} whole numbers, as floats: they may be larger than integers are */
    private function cell(Vector $point): array
    {
        return [floor($point->x / $this->within), floor($point->y / $this->within), floor($point->z / $this->within)];
    }
}
