<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

/**
 * An elastic line of length 1 as a chain of unit tangents t₀ … t_N with both ends held: least Σ|tᵢ₊₁ − tᵢ|²/h for
 * tangents that add up to the way from end to end. Each step solves the block-tridiagonal system of all tangents
 * at once, first as a smooth flow downhill, which converges from anywhere, then by Newton's method on the
 * spheres. Plain float arrays: this is asked for while a hand drags (bench/curves.php).
 */
final class ElasticChain
{
    /** A tangent turns by no more than this in one step, radians. */
    private const MOST_TURN = 0.5;

    /** @var array{float, float, float} force at the ends, as the multiplier of the way */
    public array $force = [0.0, 0.0, 0.0];

    /** How far the way is missed by, and how far from rest it is. */
    public float $missed = INF;

    public float $unrest = INF;

    /**
     * @param  list<array{float, float, float}>  $t  unit tangents at even steps, ends with them
     * @param  array{float, float, float}  $way  from end to end, of length less than 1
     */
    public function __construct(
        public array $t,
        private readonly array $way,
    ) {
    }

    /** Of bending, for a length of 1: ∫κ² ds. */
    public function energy(): float
    {
        $n = count($this->t) - 1;
        $sum = 0.0;
        for ($i = 0; $i < $n; $i++) {
            [$ax, $ay, $az] = $this->t[$i];
            [$bx, $by, $bz] = $this->t[$i + 1];
            $sum += 2.0 - 2.0 * ($ax * $bx + $ay * $by + $az * $bz);
        }

        return $sum * $n;
    }

    public function flow(int $steps): void
    {
        for ($step = 0; $step < $steps; $step++) {
            $this->step(false);
        }
    }

    public function settle(int $most, float $enough = 1e-11): bool
    {
        for ($step = 0; $step < $most; $step++) {
            $this->step(true);
            if ($this->unrest < $enough && $this->missed < $enough) {
                return true;
            }
        }

        return $this->unrest < 1e-6 && $this->missed < 1e-6;
    }

    /** With twice as many tangents or more, between those there are. */
    public function refined(int $pieces): self
    {
        $n = count($this->t) - 1;
        $fine = [];
        for ($i = 0; $i <= $pieces; $i++) {
            $at = $i * $n / $pieces;
            $low = min($n - 1, (int) floor($at));
            $part = $at - $low;
            $one = $this->t[$low];
            $other = $this->t[$low + 1];
            $fine[] = self::unit(
                $one[0] + ($other[0] - $one[0]) * $part, $one[1] + ($other[1] - $one[1]) * $part, $one[2] + ($other[2] - $one[2]) * $part,
            );
        }
        $chain = new self($fine, $this->way);
        $chain->force = array_map(static fn (float $part): float => $part * $n / $pieces, $this->force);

        return $chain;
    }

    private function step(bool $newton): void
    {
        $t = $this->t;
        $n = count($t) - 1;
        $k = 2.0 * $n;
        [$fx, $fy, $fz] = $this->force;
        // What the inner tangents have to add up to.
        $rx = ($t[0][0] + $t[$n][0]) / 2 - $this->way[0] * $n;
        $ry = ($t[0][1] + $t[$n][1]) / 2 - $this->way[1] * $n;
        $rz = ($t[0][2] + $t[$n][2]) / 2 - $this->way[2] * $n;
        $e = $f = $inverse = $couple = $right = [];
        $unrest = 0.0;
        for ($i = 1; $i < $n; $i++) {
            [$x, $y, $z] = $t[$i];
            $rx += $x;
            $ry += $y;
            $rz += $z;
            // Two directions square to the tangent.
            if (abs($x) < 0.6) {
                $l = 1.0 / sqrt($y * $y + $z * $z);
                [$ex, $ey, $ez] = [0.0, $z * $l, -$y * $l];
            } else {
                $l = 1.0 / sqrt($x * $x + $z * $z);
                [$ex, $ey, $ez] = [-$z * $l, 0.0, $x * $l];
            }
            $gx = $y * $ez - $z * $ey;
            $gy = $z * $ex - $x * $ez;
            $gz = $x * $ey - $y * $ex;
            $sx = $t[$i - 1][0] + $t[$i + 1][0];
            $sy = $t[$i - 1][1] + $t[$i + 1][1];
            $sz = $t[$i - 1][2] + $t[$i + 1][2];
            $ux = $fx - $k * $sx;
            $uy = $fy - $k * $sy;
            $uz = $fz - $k * $sz;
            $g1 = $ex * $ux + $ey * $uy + $ez * $uz;
            $g2 = $gx * $ux + $gy * $uy + $gz * $uz;
            $unrest = max($unrest, abs($g1), abs($g2));
            $d = $newton ? $k * ($x * $sx + $y * $sy + $z * $sz) - ($fx * $x + $fy * $y + $fz * $z) : 2.0 * $k;
            [$a, $b, $c] = [$d, 0.0, $d];
            [$row10, $row11, $row12, $row13] = [-$g1, $ex, $ey, $ez];
            [$row20, $row21, $row22, $row23] = [-$g2, $gx, $gy, $gz];
            if ($i > 1) {
                [$px, $py, $pz] = $e[$i - 1];
                [$qx, $qy, $qz] = $f[$i - 1];
                $o11 = -$k * ($px * $ex + $py * $ey + $pz * $ez);
                $o12 = -$k * ($px * $gx + $py * $gy + $pz * $gz);
                $o21 = -$k * ($qx * $ex + $qy * $ey + $qz * $ez);
                $o22 = -$k * ($qx * $gx + $qy * $gy + $qz * $gz);
                $couple[$i - 1] = [$o11, $o12, $o21, $o22];
                [$ia, $ib, $ic] = $inverse[$i - 1];
                $m11 = $o11 * $ia + $o21 * $ib;
                $m12 = $o11 * $ib + $o21 * $ic;
                $m21 = $o12 * $ia + $o22 * $ib;
                $m22 = $o12 * $ib + $o22 * $ic;
                $a -= $m11 * $o11 + $m12 * $o21;
                $b -= $m11 * $o12 + $m12 * $o22;
                $c -= $m21 * $o12 + $m22 * $o22;
                [$p0, $p1, $p2, $p3, $q0, $q1, $q2, $q3] = $right[$i - 1];
                $row10 -= $m11 * $p0 + $m12 * $q0;
                $row11 -= $m11 * $p1 + $m12 * $q1;
                $row12 -= $m11 * $p2 + $m12 * $q2;
                $row13 -= $m11 * $p3 + $m12 * $q3;
                $row20 -= $m21 * $p0 + $m22 * $q0;
                $row21 -= $m21 * $p1 + $m22 * $q1;
                $row22 -= $m21 * $p2 + $m22 * $q2;
                $row23 -= $m21 * $p3 + $m22 * $q3;
            }
            $det = $a * $c - $b * $b;
            if (abs($det) < 1e-9 * $k * $k) {
                $a += 0.01 * $k;
                $c += 0.01 * $k;
                $det = $a * $c - $b * $b;
            }
            $inverse[$i] = [$c / $det, -$b / $det, $a / $det];
            $e[$i] = [$ex, $ey, $ez];
            $f[$i] = [$gx, $gy, $gz];
            $right[$i] = [$row10, $row11, $row12, $row13, $row20, $row21, $row22, $row23];
        }
        $x = [];
        $s0 = $s1 = $s2 = $s3 = $s4 = $s5 = $s6 = $s7 = $s8 = $s9 = $s10 = $s11 = 0.0;
        $a0 = $a1 = $a2 = $a3 = $b0 = $b1 = $b2 = $b3 = 0.0;
        for ($i = $n - 1; $i >= 1; $i--) {
            [$p0, $p1, $p2, $p3, $q0, $q1, $q2, $q3] = $right[$i];
            if ($i < $n - 1) {
                [$o11, $o12, $o21, $o22] = $couple[$i];
                $p0 -= $o11 * $a0 + $o12 * $b0;
                $p1 -= $o11 * $a1 + $o12 * $b1;
                $p2 -= $o11 * $a2 + $o12 * $b2;
                $p3 -= $o11 * $a3 + $o12 * $b3;
                $q0 -= $o21 * $a0 + $o22 * $b0;
                $q1 -= $o21 * $a1 + $o22 * $b1;
                $q2 -= $o21 * $a2 + $o22 * $b2;
                $q3 -= $o21 * $a3 + $o22 * $b3;
            }
            [$ia, $ib, $ic] = $inverse[$i];
            $a0 = $ia * $p0 + $ib * $q0;
            $a1 = $ia * $p1 + $ib * $q1;
            $a2 = $ia * $p2 + $ib * $q2;
            $a3 = $ia * $p3 + $ib * $q3;
            $b0 = $ib * $p0 + $ic * $q0;
            $b1 = $ib * $p1 + $ic * $q1;
            $b2 = $ib * $p2 + $ic * $q2;
            $b3 = $ib * $p3 + $ic * $q3;
            [$ex, $ey, $ez] = $e[$i];
            [$gx, $gy, $gz] = $f[$i];
            $s0 += $ex * $a0 + $gx * $b0;
            $s1 += $ex * $a1 + $gx * $b1;
            $s2 += $ex * $a2 + $gx * $b2;
            $s3 += $ex * $a3 + $gx * $b3;
            $s4 += $ey * $a0 + $gy * $b0;
            $s5 += $ey * $a1 + $gy * $b1;
            $s6 += $ey * $a2 + $gy * $b2;
            $s7 += $ey * $a3 + $gy * $b3;
            $s8 += $ez * $a0 + $gz * $b0;
            $s9 += $ez * $a1 + $gz * $b1;
            $s10 += $ez * $a2 + $gz * $b2;
            $s11 += $ez * $a3 + $gz * $b3;
            $x[$i] = [$a0, $a1, $a2, $a3, $b0, $b1, $b2, $b3];
        }
        $sum = [$s0, $s1, $s2, $s3, $s4, $s5, $s6, $s7, $s8, $s9, $s10, $s11];
        $delta = self::solve3($sum, [$sum[0] + $rx, $sum[4] + $ry, $sum[8] + $rz]);
        $most = 0.0;
        $moves = [];
        for ($i = 1; $i < $n; $i++) {
            [$p0, $p1, $p2, $p3, $q0, $q1, $q2, $q3] = $x[$i];
            $m1 = $p0 - $p1 * $delta[0] - $p2 * $delta[1] - $p3 * $delta[2];
            $m2 = $q0 - $q1 * $delta[0] - $q2 * $delta[1] - $q3 * $delta[2];
            $moves[$i] = [$m1, $m2];
            $most = max($most, $m1 * $m1 + $m2 * $m2);
        }
        $part = $most > self::MOST_TURN ** 2 ? self::MOST_TURN / sqrt($most) : 1.0;
        for ($i = 1; $i < $n; $i++) {
            [$m1, $m2] = $moves[$i];
            $this->t[$i] = self::unit(
                $t[$i][0] + $part * ($e[$i][0] * $m1 + $f[$i][0] * $m2),
                $t[$i][1] + $part * ($e[$i][1] * $m1 + $f[$i][1] * $m2),
                $t[$i][2] + $part * ($e[$i][2] * $m1 + $f[$i][2] * $m2),
            );
        }
        $this->force = [$fx + $delta[0], $fy + $delta[1], $fz + $delta[2]];
        $this->unrest = $unrest / $k;
        $this->missed = sqrt($rx * $rx + $ry * $ry + $rz * $rz) / $n;
    }

    /**
     * @param  array<int, float>  $m  3 rows of 4, of which the last three columns count
     * @param  array{float, float, float}  $b
     * @return array{float, float, float}
     */
    private static function solve3(array $m, array $b): array
    {
        [, $a11, $a12, $a13, , $a21, $a22, $a23, , $a31, $a32, $a33] = $m;
        $c11 = $a22 * $a33 - $a23 * $a32;
        $c12 = $a23 * $a31 - $a21 * $a33;
        $c13 = $a21 * $a32 - $a22 * $a31;
        $det = $a11 * $c11 + $a12 * $c12 + $a13 * $c13;
        if (abs($det) < 1e-300) {
            return [0.0, 0.0, 0.0];
        }

        return [
            ($c11 * $b[0] + ($a13 * $a32 - $a12 * $a33) * $b[1] + ($a12 * $a23 - $a13 * $a22) * $b[2]) / $det,
            ($c12 * $b[0] + ($a11 * $a33 - $a13 * $a31) * $b[1] + ($a13 * $a21 - $a11 * $a23) * $b[2]) / $det,
            ($c13 * $b[0] + ($a12 * $a31 - $a11 * $a32) * $b[1] + ($a11 * $a22 - $a12 * $a21) * $b[2]) / $det,
        ];
    }

    /** @return array{float, float, float} */
    private static function unit(float $x, float $y, float $z): array
    {
        $length = sqrt($x * $x + $y * $y + $z * $z);

        return $length > 0.0 ? [$x / $length, $y / $length, $z / $length] : [1.0, 0.0, 0.0];
    }
}
