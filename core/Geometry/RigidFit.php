<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/**
 * The rotation and shift that bring points nearest to others, in the sense of least squares (Horn, “Closed-form
 * solution of absolute orientation using unit quaternions”, J. Opt. Soc. Am. A 4, 1987). A mirror image is never taken.
 */
final readonly class RigidFit
{
    /** Sweeps of Jacobi's method; a 4 × 4 matrix takes about six. */
    private const SWEEPS = 30;

    /**
     * @param  array{float, float, float, float}  $turn  unit quaternion, the real part first
     * @param  Vector  $from  centre of the points that are moved
     * @param  Vector  $to  where that goes
     */
    private function __construct(
        private array $turn,
        private Vector $from,
        private Vector $to,
    ) {
    }

    /**
     * @param  non-empty-list<Vector>  $points
     * @param  non-empty-list<Vector>  $onto  as many, in the same order
     */
    public static function of(array $points, array $onto): self
    {
        [$from, $to] = [self::centre($points), self::centre($onto)];
        $sums = array_fill(0, 3, [0.0, 0.0, 0.0]);
        foreach ($points as $i => $point) {
            [$p, $q] = [$point->minus($from)->toArray(), $onto[$i]->minus($to)->toArray()];
            for ($row = 0; $row < 3; $row++) {
                for ($column = 0; $column < 3; $column++) {
                    $sums[$row][$column] += $p[$row] * $q[$column];
                }
            }
        }
        [[$xx, $xy, $xz], [$yx, $yy, $yz], [$zx, $zy, $zz]] = $sums;

        return new self(self::greatest([
            [$xx + $yy + $zz, $yz - $zy, $zx - $xz, $xy - $yx],
            [$yz - $zy, $xx - $yy - $zz, $xy + $yx, $zx + $xz],
            [$zx - $xz, $xy + $yx, $yy - $xx - $zz, $yz + $zy],
            [$xy - $yx, $zx + $xz, $yz + $zy, $zz - $xx - $yy],
        ]), $from, $to);
    }

    public function point(Vector $point): Vector
    {
        return $this->direction($point->minus($this->from))->plus($this->to);
    }

    public function direction(Vector $direction): Vector
    {
        [$w, $x, $y, $z] = $this->turn;
        $axis = new Vector($x, $y, $z);
        $twice = $axis->cross($direction)->times(2.0);

        return $direction->plus($twice->times($w))->plus($axis->cross($twice));
    }

    /**
     * Returns how far the points are from the others after it, at most, mm.
     *
     * @param  list<Vector>  $points
     * @param  list<Vector>  $onto
     */
    public function worst(array $points, array $onto): float
    {
        return max(0.0, ...array_map(
            fn (Vector $point, Vector $other): float => $this->point($point)->distanceTo($other), $points, $onto,
        ));
    }

    /** @param  non-empty-list<Vector>  $points */
    private static function centre(array $points): Vector
    {
        $sum = Vector::zero();
        foreach ($points as $point) {
            $sum = $sum->plus($point);
        }

        return $sum->times(1 / count($points));
    }

    /**
     * Returns the unit eigenvector of a symmetric matrix for its greatest eigenvalue, by Jacobi's rotations.
     *
     * @param  array<int, array<int, float>>  $m  4 × 4
     * @return array{float, float, float, float}
     */
    private static function greatest(array $m): array
    {
        $v = [[1.0, 0.0, 0.0, 0.0], [0.0, 1.0, 0.0, 0.0], [0.0, 0.0, 1.0, 0.0], [0.0, 0.0, 0.0, 1.0]];
        for ($sweep = 0; $sweep < self::SWEEPS; $sweep++) {
            for ($p = 0; $p < 3; $p++) {
                for ($q = $p + 1; $q < 4; $q++) {
                    if (abs($m[$p][$q]) <= Tolerance::SAFEGUARD * (abs($m[$p][$p]) + abs($m[$q][$q]))) {
                        continue;
                    }
                    $theta = ($m[$q][$q] - $m[$p][$p]) / (2 * $m[$p][$q]);
                    $t = ($theta >= 0 ? 1.0 : -1.0) / (abs($theta) + sqrt($theta ** 2 + 1));
                    $c = 1 / sqrt($t ** 2 + 1);
                    $s = $t * $c;
                    for ($k = 0; $k < 4; $k++) {
                        [$m[$k][$p], $m[$k][$q]] = [
                            $c * $m[$k][$p] - $s * $m[$k][$q], $s * $m[$k][$p] + $c * $m[$k][$q],
                        ];
                    }
                    for ($k = 0; $k < 4; $k++) {
                        [$m[$p][$k], $m[$q][$k]] = [
                            $c * $m[$p][$k] - $s * $m[$q][$k], $s * $m[$p][$k] + $c * $m[$q][$k],
                        ];
                        [$v[$k][$p], $v[$k][$q]] = [
                            $c * $v[$k][$p] - $s * $v[$k][$q], $s * $v[$k][$p] + $c * $v[$k][$q],
                        ];
                    }
                }
            }
        }
        $best = 0;
        for ($i = 1; $i < 4; $i++) {
            $best = $m[$i][$i] > $m[$best][$best] ? $i : $best;
        }

        return [$v[0][$best], $v[1][$best], $v[2][$best], $v[3][$best]];
    }
}
