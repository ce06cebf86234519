<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/** A bicubic Bézier patch within four cubics, as Coons (1967) fills it, whose middle may be moved. */
final readonly class CoonsPatch
{
    /** @param  non-empty-list<non-empty-list<Vector>>  $points  4 × 4 control points: rows along u, in each along v */
    private function __construct(public array $points)
    {
    }

    /**
     * @param  list<Vector>  $bottom  four control points of the side at v = 0, along u
     * @param  list<Vector>  $right  of the side at u = 1, along v
     * @param  list<Vector>  $top  of the side at v = 1, along u
     * @param  list<Vector>  $left  of the side at u = 0, along v
     */
    public static function within(array $bottom, array $right, array $top, array $left): self
    {
        $points = [];
        foreach ($bottom as $i => $below) {
            $u = $i / 3;
            $row = [];
            foreach ($left as $j => $beside) {
                $v = $j / 3;
                $row[] = match (true) {
                    $j === 0 => $below, $j === 3 => $top[$i], $i === 0 => $beside, $i === 3 => $right[$j],
                    default => $below->times(1 - $v)->plus($top[$i]->times($v))
                        ->plus($beside->times(1 - $u))->plus($right[$j]->times($u))
                        ->minus($bottom[0]->times((1 - $u) * (1 - $v)))->minus($bottom[3]->times($u * (1 - $v)))
                        ->minus($top[0]->times((1 - $u) * $v))->minus($top[3]->times($u * $v)),
                };
            }
            assert($row !== []);
            $points[] = $row;
        }
        assert($points !== []);

        return new self($points);
    }

    /** Returns the patch with the same sides through another point at its middle. */
    public function through(Vector $middle): self
    {
        // Its four inner points weigh 9/16 there. What a patch of Coons lacks is u(1 − u)v(1 − v) of something.
        $off = $middle->minus($this->at(0.5, 0.5)[0])->times(16 / 9);
        $points = $this->points;
        foreach ($points as $i => $row) {
            $points[$i] = array_map(static fn (Vector $one, int $j): Vector => $i % 3 === 0 || $j % 3 === 0
                ? $one
                : $one->plus($off), $row, array_keys($row));
        }

        return new self($points);
    }

    /** @return array{Vector, Vector} its point, and its unit normal: along u crossed with along v */
    public function at(float $u, float $v): array
    {
        [[$ofU, $ofDu], [$ofV, $ofDv]] = [self::weights($u), self::weights($v)];
        [$at, $alongU, $alongV] = [Vector::zero(), Vector::zero(), Vector::zero()];
        foreach ($this->points as $i => $row) {
            foreach ($row as $j => $point) {
                $at = $at->plus($point->times($ofU[$i] * $ofV[$j]));
                $alongU = $alongU->plus($point->times($ofDu[$i] * $ofV[$j]));
                $alongV = $alongV->plus($point->times($ofU[$i] * $ofDv[$j]));
            }
        }

        return [$at, $alongU->cross($alongV)->unit()];
    }

    /** @return array{list<float>, list<float>} Bernstein polynomials of degree three, and their derivatives */
    private static function weights(float $t): array
    {
        return [
            [(1 - $t) ** 3, 3 * $t * (1 - $t) ** 2, 3 * $t ** 2 * (1 - $t), $t ** 3],
            [-3 * (1 - $t) ** 2, 3 * (1 - $t) * (1 - 3 * $t), 3 * $t * (2 - 3 * $t), 3 * $t ** 2],
        ];
    }
}
