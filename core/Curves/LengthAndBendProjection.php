<?php

declare(strict_types=1);

namespace Bowline\Curves;

use Bowline\Geometry\Tolerance;

/**
 * A chain of nodes whose links are brought to one length and whose bends are opened to a radius, all together, by
 * Newton steps of the smallest move. Plain float arrays: a draped line is corrected by hundreds of these.
 */
final class LengthAndBendProjection
{
    /** Bend allowed at the nodes next to a clamp, as a share of that elsewhere. */
    private const CLAMP_BEND_RATIO = 0.94;

    /**
     * Within this many nodes of a strong bend, moves out of the plane of the bend are scaled down by the next constant:
     * there they change curvature only to second order, and Newton's method would not converge.
     */
    private const BEND_PLANE_HALF_WIDTH = 3;

    private const OUT_OF_PLANE_DAMPING = 0.98;

    /** Share of the largest allowed bend from which a bend counts as strong. */
    private const STRONG_BEND_RATIO = 0.5;

    /** Compliance of each length and bend, which keeps their system regular. */
    private const CONSTRAINT_COMPLIANCE = 1e-3;

    private readonly int $links;

    /**
     * @param  array<int, float>  $x
     * @param  array<int, float>  $y
     * @param  array<int, float>  $z
     * @param  array<int, float>  $free
     */
    private function __construct(
        private array $x,
        private array $y,
        private array $z,
        private readonly array $free,
        private readonly float $link,
        private readonly float $least,
        private readonly float $radius,
    ) {
        $this->links = count($x) - 1;
    }

    /**
     * @param  array<int, float>  $x  where the nodes are, mm
     * @param  array<int, float>  $y
     * @param  array<int, float>  $z
     * @param  array<int, float>  $free  1 where a node is free to move, 0 where it is held
     * @param  float  $link  length that every link is to have, mm
     * @param  float  $least  the least radius of the line, mm
     * @param  float  $radius  to which bends are opened, a little more than that, mm
     * @return array{array<int, float>, array<int, float>, array<int, float>} where they are then
     */
    public static function of(
        array $x,
        array $y,
        array $z,
        array $free,
        float $link,
        float $least,
        float $radius,
    ): array {
        $projection = new self($x, $y, $z, $free, $link, $least, $radius);
        $projection->project();

        return [$projection->x, $projection->y, $projection->z];
    }

    private function move(int $i, float $by, float $x, float $y, float $z): void
    {
        $this->x[$i] += $by * $x;
        $this->y[$i] += $by * $y;
        $this->z[$i] += $by * $z;
    }

    /**
     * Takes one Newton step of the smallest move that brings all links to their length and all bends to their radius.
     * Each constraint involves at most three nodes, so the system is a narrow band.
     */
    private function project(): void
    {
        $most = $this->link * $this->link / $this->radius;
        $first = $slopes = $right = [];
        for ($i = 0; $i < $this->links; $i++) {
            [$x, $y, $z] = [
                $this->x[$i + 1] - $this->x[$i],
                $this->y[$i + 1] - $this->y[$i],
                $this->z[$i + 1] - $this->z[$i],
            ];
            $size = max(Tolerance::NOTHING, sqrt($x * $x + $y * $y + $z * $z));
            [$x, $y, $z] = [$x / $size, $y / $size, $z / $size];
            if ($this->free[$i] + $this->free[$i + 1] > 0.0) {
                $first[] = $i;
                $slopes[] = [-$x, -$y, -$z, $x, $y, $z, 0.0, 0.0, 0.0];
                $right[] = $size - $this->link;
            }
            if ($i + 2 > $this->links) {
                continue;
            }
            $x = $this->x[$i] + $this->x[$i + 2] - 2 * $this->x[$i + 1];
            $y = $this->y[$i] + $this->y[$i + 2] - 2 * $this->y[$i + 1];
            $z = $this->z[$i] + $this->z[$i + 2] - 2 * $this->z[$i + 1];
            $size = sqrt($x * $x + $y * $y + $z * $z);
            // Next to a clamp the curve through the nodes bends a little more than they do.
            $allowed = $this->free[$i + 1] === 0.0 ? $most * self::CLAMP_BEND_RATIO : $most;
            if ($size > $allowed && $this->free[$i] + $this->free[$i + 1] + $this->free[$i + 2] > 0.0) {
                [$x, $y, $z] = [$x / $size, $y / $size, $z / $size];
                $first[] = $i;
                $slopes[] = [$x, $y, $z, -2 * $x, -2 * $y, -2 * $z, $x, $y, $z];
                $right[] = $size - $allowed;
            }
        }
        $moves = $this->inPlane($first, $slopes);
        foreach ($this->smallest($first, $slopes, $moves, $right) as $a => $by) {
            foreach ([0, 1, 2] as $k) {
                if ($this->links >= $first[$a] + $k) {
                    $this->move(
                        $first[$a] + $k,
                        -$by,
                        $moves[$a][3 * $k],
                        $moves[$a][3 * $k + 1],
                        $moves[$a][3 * $k + 2],
                    );
                }
            }
        }
    }

    /**
     * Returns the weighted gradients: scaled down out of the plane of strong bends, and zero for fixed nodes.
     *
     * @param  list<int>  $first  first of the three nodes of each constraint
     * @param  list<array{float, float, float, float, float, float, float, float, float}>  $slopes
     * @return list<array<int, float>>
     */
    private function inPlane(array $first, array $slopes): array
    {
        $across = $this->across();
        $moves = [];
        foreach ($slopes as $a => $move) {
            foreach ([0, 3, 6] as $k) {
                $node = $first[$a] + intdiv($k, 3);
                if (($this->free[$node] ?? 0.0) === 0.0) {
                    $move[$k] = $move[$k + 1] = $move[$k + 2] = 0.0;
                } elseif (isset($across[$node])) {
                    [$x, $y, $z] = $across[$node];
                    $out = self::OUT_OF_PLANE_DAMPING * ($move[$k] * $x + $move[$k + 1] * $y + $move[$k + 2] * $z);
                    $move[$k] -= $out * $x;
                    $move[$k + 1] -= $out * $y;
                    $move[$k + 2] -= $out * $z;
                }
            }
            $moves[] = $move;
        }

        return $moves;
    }

    /**
     * Returns the unit normal of the plane of bending about each node of a strong bend, averaged over some nodes to
     * both sides.
     *
     * @return array<int, array{float, float, float}>
     */
    private function across(): array
    {
        $normals = [[0.0, 0.0, 0.0]];
        for ($i = 1; $i < $this->links; $i++) {
            [$ux, $uy, $uz] = [
                $this->x[$i] - $this->x[$i - 1],
                $this->y[$i] - $this->y[$i - 1],
                $this->z[$i] - $this->z[$i - 1],
            ];
            [$vx, $vy, $vz] = [
                $this->x[$i + 1] - $this->x[$i],
                $this->y[$i + 1] - $this->y[$i],
                $this->z[$i + 1] - $this->z[$i],
            ];
            $normals[] = [$uy * $vz - $uz * $vy, $uz * $vx - $ux * $vz, $ux * $vy - $uy * $vx];
        }
        $much = self::STRONG_BEND_RATIO * (2 * self::BEND_PLANE_HALF_WIDTH + 1) * $this->link ** 3 / $this->least;
        $across = [];
        for ($i = 1; $i < $this->links; $i++) {
            $x = $y = $z = 0.0;
            for (
                $k = max(1, $i - self::BEND_PLANE_HALF_WIDTH),
                $last = min($this->links - 1, $i + self::BEND_PLANE_HALF_WIDTH);
                $k <= $last;
                $k++
            ) {
                $x += $normals[$k][0];
                $y += $normals[$k][1];
                $z += $normals[$k][2];
            }
            $size = sqrt($x * $x + $y * $y + $z * $z);
            if ($size > $much) {
                $across[$i] = [$x / $size, $y / $size, $z / $size];
            }
        }

        return $across;
    }

    /**
     * Returns the multipliers λ of the smallest move that removes all residuals: (J·W·Jᵀ)·λ = residual, by elimination
     * along the band.
     *
     * @param  list<int>  $first  first of the three nodes of each constraint
     * @param  list<array{float, float, float, float, float, float, float, float, float}>  $slopes
     * @param  list<array<int, float>>  $moves  W·Jᵀ
     * @param  list<float>  $right
     * @return list<float>
     */
    private function smallest(array $first, array $slopes, array $moves, array $right): array
    {
        $count = count($first);
        $rows = [];
        for ($a = 0; $a < $count; $a++) {
            // Coefficients of the constraints that share a node; the compliance on the diagonal keeps a straight line
            // solvable.
            $row = [];
            $m = $moves[$a];
            for ($b = $a; $b < $count && $first[$b] <= $first[$a] + 2; $b++) {
                $slope = $slopes[$b];
                $row[$b] = match ($first[$b] - $first[$a]) {
                    0 => $m[0] * $slope[0] +
                        $m[1] * $slope[1] +
                        $m[2] * $slope[2] +
                        $m[3] * $slope[3] +
                        $m[4] * $slope[4] +
                        $m[5] * $slope[5] +
                        $m[6] * $slope[6] +
                        $m[7] * $slope[7] +
                        $m[8] * $slope[8] +
                        ($a === $b ? self::CONSTRAINT_COMPLIANCE : 0.0),
                    1 => $m[3] * $slope[0] +
                        $m[4] * $slope[1] +
                        $m[5] * $slope[2] +
                        $m[6] * $slope[3] +
                        $m[7] * $slope[4] +
                        $m[8] * $slope[5],
                    default => $m[6] * $slope[0] + $m[7] * $slope[1] + $m[8] * $slope[2],
                };
            }
            $rows[$a] = $row;
        }
        for ($a = 0; $a < $count; $a++) {
            foreach ($rows[$a] as $b => $value) {
                if ($b === $a || $value === 0.0) {
                    continue;
                }
                $factor = $value / $rows[$a][$a];
                foreach ($rows[$a] as $c => $other) {
                    if ($c >= $b) {
                        $rows[$b][$c] = ($rows[$b][$c] ?? 0.0) - $factor * $other;
                    }
                }
                $right[$b] -= $factor * $right[$a];
            }
        }
        $found = [];
        for ($a = $count - 1; $a >= 0; $a--) {
            $sum = $right[$a];
            foreach ($rows[$a] as $b => $value) {
                $sum -= $b > $a ? $value * $found[$b] : 0.0;
            }
            $found[$a] = $sum / $rows[$a][$a];
        }
        ksort($found);

        return array_values($found);
    }
}
