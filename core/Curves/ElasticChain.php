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

    /**
     * One step. Forces and the pull of the way are eliminated together along the chain, four right sides at once: first
     * comes the force that makes the tangents add up to the way, then how far each turns to its two sides. All in lists
     * of plain numbers, one a column, which take half the time of small arrays.
     */
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
        // Sides of each tangent; the inverse of its block, and the one that couples it to the next; its right sides.
        $e0 = $e1 = $e2 = $g0 = $g1 = $g2 = $i0 = $i1 = $i2 = $c0 = $c1 = $c2 = $c3 = [];
        $r0 = $r1 = $r2 = $r3 = $q0 = $q1 = $q2 = $q3 = [];
        $unrest = 0.0;
        [$bx, $by, $bz] = $t[0];
        [$x, $y, $z] = $t[1];
        [$px, $py, $pz, $hx, $hy, $hz] = [0.0, 0.0, 0.0, 0.0, 0.0, 0.0];
        [$ia, $ib, $ic] = [0.0, 0.0, 0.0];
        [$p0, $p1, $p2, $p3, $s0, $s1, $s2, $s3] = [0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0];
        for ($i = 1; $i < $n; $i++) {
            [$ax, $ay, $az] = $t[$i + 1];
            $rx += $x;
            $ry += $y;
            $rz += $z;
            // Two directions square to the tangent.
            if (abs($x) < 0.6) {
                $l = 1.0 / sqrt($y * $y + $z * $z);
                $ex = 0.0;
                $ey = $z * $l;
                $ez = -$y * $l;
            } else {
                $l = 1.0 / sqrt($x * $x + $z * $z);
                $ex = -$z * $l;
                $ey = 0.0;
                $ez = $x * $l;
            }
            $gx = $y * $ez - $z * $ey;
            $gy = $z * $ex - $x * $ez;
            $gz = $x * $ey - $y * $ex;
            $sx = $bx + $ax;
            $sy = $by + $ay;
            $sz = $bz + $az;
            $ux = $fx - $k * $sx;
            $uy = $fy - $k * $sy;
            $uz = $fz - $k * $sz;
            $one = $ex * $ux + $ey * $uy + $ez * $uz;
            $two = $gx * $ux + $gy * $uy + $gz * $uz;
            $unrest = max($unrest, abs($one), abs($two));
            $a = $c = $newton ? $k * ($x * $sx + $y * $sy + $z * $sz) - ($fx * $x + $fy * $y + $fz * $z) : 2.0 * $k;
            $b = 0.0;
            $p = -$one;
            $q = -$two;
            if ($i === 1) {
                [$p0, $p1, $p2, $p3, $s0, $s1, $s2, $s3] = [$p, $ex, $ey, $ez, $q, $gx, $gy, $gz];
            } else {
                $o11 = -$k * ($px * $ex + $py * $ey + $pz * $ez);
                $o12 = -$k * ($px * $gx + $py * $gy + $pz * $gz);
                $o21 = -$k * ($hx * $ex + $hy * $ey + $hz * $ez);
                $o22 = -$k * ($hx * $gx + $hy * $gy + $hz * $gz);
                $c0[] = $o11;
                $c1[] = $o12;
                $c2[] = $o21;
                $c3[] = $o22;
                $m11 = $o11 * $ia + $o21 * $ib;
                $m12 = $o11 * $ib + $o21 * $ic;
                $m21 = $o12 * $ia + $o22 * $ib;
                $m22 = $o12 * $ib + $o22 * $ic;
                $a -= $m11 * $o11 + $m12 * $o21;
                $b -= $m11 * $o12 + $m12 * $o22;
                $c -= $m21 * $o12 + $m22 * $o22;
                $w = $p - $m11 * $p0 - $m12 * $s0;
                $s0 = $q - $m21 * $p0 - $m22 * $s0;
                $p0 = $w;
                $w = $ex - $m11 * $p1 - $m12 * $s1;
                $s1 = $gx - $m21 * $p1 - $m22 * $s1;
                $p1 = $w;
                $w = $ey - $m11 * $p2 - $m12 * $s2;
                $s2 = $gy - $m21 * $p2 - $m22 * $s2;
                $p2 = $w;
                $w = $ez - $m11 * $p3 - $m12 * $s3;
                $s3 = $gz - $m21 * $p3 - $m22 * $s3;
                $p3 = $w;
            }
            $det = $a * $c - $b * $b;
            if (abs($det) < 1e-9 * $k * $k) {
                $a += 0.01 * $k;
                $c += 0.01 * $k;
                $det = $a * $c - $b * $b;
            }
            $i0[] = $ia = $c / $det;
            $i1[] = $ib = -$b / $det;
            $i2[] = $ic = $a / $det;
            $e0[] = $px = $ex;
            $e1[] = $py = $ey;
            $e2[] = $pz = $ez;
            $g0[] = $hx = $gx;
            $g1[] = $hy = $gy;
            $g2[] = $hz = $gz;
            $r0[] = $p0;
            $r1[] = $p1;
            $r2[] = $p2;
            $r3[] = $p3;
            $q0[] = $s0;
            $q1[] = $s1;
            $q2[] = $s2;
            $q3[] = $s3;
            $bx = $x;
            $by = $y;
            $bz = $z;
            $x = $ax;
            $y = $ay;
            $z = $az;
        }
        $x0 = $x1 = $x2 = $x3 = $y0 = $y1 = $y2 = $y3 = [];
        $a0 = $a1 = $a2 = $a3 = $b0 = $b1 = $b2 = $b3 = 0.0;
        $n0 = $n1 = $n2 = $n3 = $n4 = $n5 = $n6 = $n7 = $n8 = $n9 = $n10 = $n11 = 0.0;
        for ($i = $n - 2; $i >= 0; $i--) {
            $p0 = $r0[$i];
            $p1 = $r1[$i];
            $p2 = $r2[$i];
            $p3 = $r3[$i];
            $s0 = $q0[$i];
            $s1 = $q1[$i];
            $s2 = $q2[$i];
            $s3 = $q3[$i];
            if ($i < $n - 2) {
                $o11 = $c0[$i];
                $o12 = $c1[$i];
                $o21 = $c2[$i];
                $o22 = $c3[$i];
                $p0 -= $o11 * $a0 + $o12 * $b0;
                $p1 -= $o11 * $a1 + $o12 * $b1;
                $p2 -= $o11 * $a2 + $o12 * $b2;
                $p3 -= $o11 * $a3 + $o12 * $b3;
                $s0 -= $o21 * $a0 + $o22 * $b0;
                $s1 -= $o21 * $a1 + $o22 * $b1;
                $s2 -= $o21 * $a2 + $o22 * $b2;
                $s3 -= $o21 * $a3 + $o22 * $b3;
            }
            $ia = $i0[$i];
            $ib = $i1[$i];
            $ic = $i2[$i];
            $x0[] = $a0 = $ia * $p0 + $ib * $s0;
            $x1[] = $a1 = $ia * $p1 + $ib * $s1;
            $x2[] = $a2 = $ia * $p2 + $ib * $s2;
            $x3[] = $a3 = $ia * $p3 + $ib * $s3;
            $y0[] = $b0 = $ib * $p0 + $ic * $s0;
            $y1[] = $b1 = $ib * $p1 + $ic * $s1;
            $y2[] = $b2 = $ib * $p2 + $ic * $s2;
            $y3[] = $b3 = $ib * $p3 + $ic * $s3;
            $ex = $e0[$i];
            $ey = $e1[$i];
            $ez = $e2[$i];
            $gx = $g0[$i];
            $gy = $g1[$i];
            $gz = $g2[$i];
            $n0 += $ex * $a0 + $gx * $b0;
            $n1 += $ex * $a1 + $gx * $b1;
            $n2 += $ex * $a2 + $gx * $b2;
            $n3 += $ex * $a3 + $gx * $b3;
            $n4 += $ey * $a0 + $gy * $b0;
            $n5 += $ey * $a1 + $gy * $b1;
            $n6 += $ey * $a2 + $gy * $b2;
            $n7 += $ey * $a3 + $gy * $b3;
            $n8 += $ez * $a0 + $gz * $b0;
            $n9 += $ez * $a1 + $gz * $b1;
            $n10 += $ez * $a2 + $gz * $b2;
            $n11 += $ez * $a3 + $gz * $b3;
        }
        $sum = [$n0, $n1, $n2, $n3, $n4, $n5, $n6, $n7, $n8, $n9, $n10, $n11];
        [$dx, $dy, $dz] = self::solve3($sum, [$n0 + $rx, $n4 + $ry, $n8 + $rz]);
        $most = 0.0;
        // They stand there from the last to the first.
        for ($i = 0; $i < $n - 1; $i++) {
            $x0[$i] = $a = $x0[$i] - $x1[$i] * $dx - $x2[$i] * $dy - $x3[$i] * $dz;
            $y0[$i] = $b = $y0[$i] - $y1[$i] * $dx - $y2[$i] * $dy - $y3[$i] * $dz;
            $size = $a * $a + $b * $b;
            $most = $size > $most ? $size : $most;
        }
        $part = $most > self::MOST_TURN ** 2 ? self::MOST_TURN / sqrt($most) : 1.0;
        for ($i = 1; $i < $n; $i++) {
            $a = $part * $x0[$n - 1 - $i];
            $b = $part * $y0[$n - 1 - $i];
            [$x, $y, $z] = $t[$i];
            $x += $e0[$i - 1] * $a + $g0[$i - 1] * $b;
            $y += $e1[$i - 1] * $a + $g1[$i - 1] * $b;
            $z += $e2[$i - 1] * $a + $g2[$i - 1] * $b;
            $l = 1.0 / sqrt($x * $x + $y * $y + $z * $z);
            $this->t[$i] = [$x * $l, $y * $l, $z * $l];
        }
        $this->force = [$fx + $dx, $fy + $dy, $fz + $dz];
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
