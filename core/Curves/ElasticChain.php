<?php

declare(strict_types=1);

namespace Bowline\Curves;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/**
 * An inextensible elastic line of length 1, clamped at both ends and free to swivel, as a chain of unit tangents
 * t₀ … t_N at given places: the discrete energy Σ|tᵢ₊₁ − tᵢ|²/hᵢ under the constraint Σ mᵢ tᵢ = way, where hᵢ is the
 * length of piece i and mᵢ half of the two pieces beside tangent i. Each step solves the bordered block-tridiagonal
 * Newton system of the Lagrangian (energy + force · constraint) on the product of spheres. The inertia of that system
 * tells how many directions the second variation is negative in (Nocedal and Wright, Numerical Optimization, ch. 16),
 * so that a minimum is told from a saddle. Plain float arrays: this runs while a hand drags (bench/curves.php).
 */
final class ElasticChain
{
    /** A numerical safeguard against division by 0. */
    private const SMALLEST = 1e-300;

    /** A direction whose component along a side is below this share of its size points to neither side. */
    private const NO_SIDE = 1e-4;

    /** A block whose determinant is below this share of its size squared counts as singular. */
    private const SINGULAR = 1e-10;

    /** Added to the diagonal of a singular block, as a share of its size. */
    private const REGULARISATION = 1e-4;

    /** Largest turn of a tangent in one step, radians. */
    private const MOST_TURN = 0.5;

    /**
     * A shape counts as unstable only when an eigenvalue of its second variation is below minus this; the stiffest
     * mode that matters has 8π². Shapes on a continuous circle of shapes have an eigenvalue of exactly 0.
     */
    public const STABILITY_MARGIN = 0.02;

    /** First shift of the second variation that is tried where it is not positive, and its growth factor. */
    private const FIRST_SHIFT = 4.0;

    private const SHIFT_GROWTH = 4.0;

    /** Always added, so that a chain does not drift along a circle of shapes, whose eigenvalue is 0. */
    private const LEAST_SHIFT = 0.002;

    /** Residual and gap of the constraint below which a chain is at rest. */
    private const AT_REST = 1e-10;

    /**
     * Lagrange multiplier of the way: the force at the end, as a derivative of ∫κ² ds.
     *
     * @var array{float, float, float}
     */
    public array $force = [0.0, 0.0, 0.0];

    /**
     * Distance by which Σ mᵢ tᵢ misses the way, and the largest gradient of the Lagrangian relative to the stiffness,
     * both before the last step.
     */
    public float $gap = INF;

    public float $residual = INF;

    /** Directions in which the shifted second variation was negative at the last step, under the constraint. */
    private int $negative = 0;

    /** @var list<float> length of each piece; they add up to 1 */
    public readonly array $pieces;

    /**
     * Two unit directions square to each inner tangent, by component, and what the last step moved along them.
     *
     * @var array<int, list<float>>
     */
    private array $frames = [];

    /** @var list<float> */
    private array $moveE = [];

    /** @var list<float> */
    private array $moveG = [];

    /** @var array{float, float, float} */
    private array $moveForce = [0.0, 0.0, 0.0];

    /**
     * @param  list<array{float, float, float}>  $t  unit tangents, both ends with them
     * @param  array{float, float, float}  $way  from end to end, shorter than 1
     * @param  list<float>|null  $pieces  length of each piece, together 1; even when left out
     */
    public function __construct(
        public array $t,
        private readonly array $way,
        ?array $pieces = null,
    ) {
        $count = count($t) - 1;
        $this->pieces = $pieces ?? array_fill(0, $count, 1.0 / $count);
    }

    /** Returns ∫κ² ds of the chain, for a length of 1. */
    public function energy(): float
    {
        $sum = 0.0;
        foreach ($this->pieces as $i => $piece) {
            [$ax, $ay, $az] = $this->t[$i];
            [$bx, $by, $bz] = $this->t[$i + 1];
            $sum += (2.0 - 2.0 * ($ax * $bx + $ay * $by + $az * $bz)) / $piece;
        }

        return $sum;
    }

    /**
     * Takes steps with a positive approximation of the second variation: they decrease the energy from any start,
     * slowly.
     */
    public function flow(int $steps): void
    {
        for ($step = 0; $step < $steps; $step++) {
            $this->solve(null);
            $this->move();
        }
    }

    /**
     * Minimises by Newton's method with the second variation shifted until it is positive under the constraint, so that
     * it ends in a minimum rather than a saddle unless it starts in the symmetry of one.
     *
     * @return bool whether it came to rest
     */
    public function minimise(int $most): bool
    {
        $shift = self::LEAST_SHIFT;
        for ($step = 0; $step < $most; $step++) {
            $this->solve($shift);
            if ($this->residual < self::AT_REST && $this->gap < self::AT_REST) {
                return true;
            }
            for ($try = 0; $this->negative > 0 && $try < 8; $try++) {
                $shift = max(self::FIRST_SHIFT, $shift * self::SHIFT_GROWTH);
                $this->solve($shift);
            }
            $this->move();
            $shift = $shift > self::FIRST_SHIFT ? $shift / self::SHIFT_GROWTH : self::LEAST_SHIFT;
        }

        return $this->residual < Tolerance::RULE_SLACK && $this->gap < Tolerance::RULE_SLACK;
    }

    /** Whether no direction that keeps both ends has a second variation below −$margin. */
    public function isStable(float $margin = self::STABILITY_MARGIN): bool
    {
        $this->solve($margin);

        return $this->negative === 0;
    }

    /**
     * Returns the two chains displaced from a saddle to both sides along its softest direction.
     *
     * @return array{self, self} the one on the preferred side first, so that of mirror images always the same is chosen
     */
    public function offSaddle(float $turn): array
    {
        $shift = self::FIRST_SHIFT;
        $this->solve($shift);
        while ($this->negative > 0 && $shift < 1e6) {
            $shift *= 2.0;
            $this->solve($shift);
        }
        // Inverse iteration: the shifted system is positive, so its softest direction grows most.
        $count = count($this->t) - 1;
        $e = $g = [];
        for ($i = 1; $i < $count; $i++) {
            // A start vector without symmetry has a component in every mode.
            $e[] = sin(1.3 * $i) + 0.31;
            $g[] = cos(0.7 * $i * $i) + 0.17;
        }
        for ($round = 0; $round < 12; $round++) {
            $size = sqrt(array_sum(array_map(static fn (float $a, float $b): float => $a * $a + $b * $b, $e, $g)));
            $weights = array_slice($this->pieces, 1);
            $e = array_map(static fn (float $a, float $w): float => $a * $w / $size, $e, $weights);
            $g = array_map(static fn (float $a, float $w): float => $a * $w / $size, $g, $weights);
            $this->solve($shift, $e, $g, [0.0, 0.0, 0.0]);
            [$e, $g] = [$this->moveE, $this->moveG];
        }
        $most = sqrt(max([0.0, ...array_map(static fn (float $a, float $b): float => $a * $a + $b * $b, $e, $g)]));
        $factor = $turn / max($most, self::SMALLEST) * $this->preferredSide($e, $g);
        [$one, $other] = [clone $this, clone $this];
        $one->moveBy($e, $g, $factor);
        $other->moveBy($e, $g, -$factor);

        return [$one, $other];
    }

    /**
     * Returns 1 or −1, the preferred sign of a direction: upwards; where it is horizontal, to the left, then forwards.
     *
     * @param  list<float>  $e
     * @param  list<float>  $g
     */
    private function preferredSide(array $e, array $g): float
    {
        $sums = [0.0, 0.0, 0.0];
        $size = self::SMALLEST;
        $count = count($e);
        foreach ($e as $i => $a) {
            // The weight varies along the chain, so that a wave does not cancel itself out.
            $weight = 1.0 + 0.37 * ($i + 1) / ($count + 1);
            for ($axis = 0; $axis < 3; $axis++) {
                $part = $a * $this->frames[$axis][$i] + $g[$i] * $this->frames[3 + $axis][$i];
                $sums[$axis] += $weight * $part;
                $size += abs($part);
            }
        }
        foreach ([2, 1, 0] as $axis) {
            if (abs($sums[$axis]) > self::NO_SIDE * $size) {
                return $sums[$axis] < 0.0 ? -1.0 : 1.0;
            }
        }

        return 1.0;
    }

    /**
     * Returns the same line divided into other pieces, its tangents interpolated.
     *
     * @param  list<float>  $pieces  lengths whose sum is 1
     */
    public function resampled(array $pieces): self
    {
        $tangents = [];
        $place = 0.0;
        $own = 0;
        $ownPlace = 0.0;
        $last = count($this->pieces) - 1;
        foreach ([...$pieces, 0.0] as $piece) {
            while ($own < $last && $place > $ownPlace + $this->pieces[$own]) {
                $ownPlace += $this->pieces[$own];
                $own++;
            }
            $part = min(1.0, max(0.0, ($place - $ownPlace) / $this->pieces[$own]));
            $tangents[] = $this->between($own, $part);
            $place += $piece;
        }
        $tangents[0] = $this->t[0];
        $tangents[count($tangents) - 1] = $this->t[$last + 1];
        $chain = new self($tangents, $this->way, $pieces);
        $chain->force = $this->force;

        return $chain;
    }

    /**
     * Returns the image of this line under a linear isometry.
     *
     * @param  callable(Vector): Vector  $map
     * @param  bool  $isBackwards  whether the image is traversed from its end
     */
    public function mapped(callable $map, bool $isBackwards): self
    {
        $tangents = array_map(static fn (array $tangent): array => $map(new Vector(...$tangent))->toArray(), $this->t);
        $chain = new self(
            $isBackwards ? array_reverse($tangents) : $tangents,
            $this->way,
            $isBackwards ? array_reverse($this->pieces) : $this->pieces,
        );
        $chain->force = $map(new Vector(...$this->force))->toArray();

        return $chain;
    }

    /** Returns the same line divided into even pieces. */
    public function withPieces(int $count): self
    {
        return $this->resampled(array_fill(0, $count, 1.0 / $count));
    }

    /**
     * Takes one Newton step for a residual computed elsewhere to a higher order than that of the chain.
     *
     * @param  list<array{float, float, float}>  $residual  at each inner tangent, as the gradient of the Lagrangian
     * @param  array{float, float, float}  $gap  excess of Σ mᵢ tᵢ over the way
     * @return float largest turn of a tangent in this step, radians
     */
    public function correct(array $residual, array $gap, float $shift): float
    {
        $this->findFrames();
        $e = $g = [];
        foreach ($residual as $i => [$x, $y, $z]) {
            $e[] = -($this->frames[0][$i] * $x + $this->frames[1][$i] * $y + $this->frames[2][$i] * $z);
            $g[] = -($this->frames[3][$i] * $x + $this->frames[4][$i] * $y + $this->frames[5][$i] * $z);
        }
        $this->solve($shift, $e, $g, $gap);

        return $this->move();
    }

    /** @return array{float, float, float} cubic through four tangents, made unit */
    private function between(int $index, float $part): array
    {
        $last = count($this->t) - 1;
        [$b, $c] = [$this->t[$index], $this->t[$index + 1]];
        [$a, $d] = [$this->t[max(0, $index - 1)], $this->t[min($last, $index + 2)]];
        $sum = [0.0, 0.0, 0.0];
        $length = 0.0;
        $h = $this->pieces[$index];
        $before = $h + ($index > 0 ? $this->pieces[$index - 1] : 0.0);
        $after = $h + ($index + 1 < $last ? $this->pieces[$index + 1] : 0.0);
        for ($axis = 0; $axis < 3; $axis++) {
            // Cubic Hermite with the slopes of the neighbours.
            $out = ($c[$axis] - $a[$axis]) / $before * $h;
            $in = ($d[$axis] - $b[$axis]) / $after * $h;
            $sum[$axis] = $b[$axis] * (1 + 2 * $part) * (1 - $part) ** 2 + $out * $part * (1 - $part) ** 2
                + $c[$axis] * $part * $part * (3 - 2 * $part) + $in * $part * $part * ($part - 1);
            $length += $sum[$axis] ** 2;
        }
        $length = sqrt($length);

        return $length > Tolerance::COINCIDENT ? [$sum[0] / $length, $sum[1] / $length, $sum[2] / $length] : $b;
    }

    /** Finds two unit directions perpendicular to each inner tangent. */
    private function findFrames(): void
    {
        $ex = $ey = $ez = $gx = $gy = $gz = [];
        for ($i = 1, $n = count($this->t) - 1; $i < $n; $i++) {
            [$x, $y, $z] = $this->t[$i];
            if (abs($x) < 0.6) {
                $l = 1.0 / sqrt($y * $y + $z * $z);
                $ex[] = 0.0;
                $ey[] = $z * $l;
                $ez[] = -$y * $l;
                $gx[] = -$l * ($y * $y + $z * $z);
                $gy[] = $x * $y * $l;
                $gz[] = $x * $z * $l;
            } else {
                $l = 1.0 / sqrt($x * $x + $z * $z);
                $ex[] = -$z * $l;
                $ey[] = 0.0;
                $ez[] = $x * $l;
                $gx[] = $y * $x * $l;
                $gy[] = -$l * ($z * $z + $x * $x);
                $gz[] = $y * $z * $l;
            }
        }
        $this->frames = [$ex, $ey, $ez, $gx, $gy, $gz];
    }

    /**
     * Solves the bordered system at the present tangents into moveE, moveG and moveForce, and counts its negative
     * directions (inertia of a block-tridiagonal matrix and of its Schur complement).
     *
     * @param  float|null  $shift  added to every eigenvalue of the second variation; null for a positive approximation
     *     of it
     * @param  list<float>|null  $rightE  right side along the first direction of each tangent; with $rightG instead of
     *     minus the gradient
     * @param  list<float>|null  $rightG
     * @param  array{float, float, float}|null  $gap  excess of the way
     */
    private function solve(?float $shift, ?array $rightE = null, ?array $rightG = null, ?array $gap = null): void
    {
        if ($rightE === null) {
            $this->findFrames();
        }
        [$inverses, $couplings, $rights, $negative, $residual, $excess] = $this->eliminated($shift, $rightE, $rightG);
        [$rx, $ry, $rz] = $gap ?? $excess;
        [$columns, $border] = $this->substituted($inverses, $couplings, $rights);
        [$x0, $x1, $x2, $x3, $y0, $y1, $y2, $y3] = $columns;
        [$n0, $n1, $n2, $n3, $n4, $n5, $n6, $n7, $n8, $n9, $n10, $n11] = $border;
        $n = count($this->t) - 1;
        $this->negative =
            $negative +
            self::positiveEigenvalues($n1, $n6, $n11, ($n2 + $n5) / 2, ($n3 + $n9) / 2, ($n7 + $n10) / 2) -
            3;
        [$dx, $dy, $dz] = self::solve3(
            [$n1, $n2, $n3, $n5, $n6, $n7, $n9, $n10, $n11],
            [$n0 + $rx, $n4 + $ry, $n8 + $rz],
        );
        $moveE = $moveG = [];
        for ($i = $n - 2; $i >= 0; $i--) {
            $moveE[] = $x0[$i] - $x1[$i] * $dx - $x2[$i] * $dy - $x3[$i] * $dz;
            $moveG[] = $y0[$i] - $y1[$i] * $dx - $y2[$i] * $dy - $y3[$i] * $dz;
        }
        $this->moveE = $moveE;
        $this->moveG = $moveG;
        $this->moveForce = [$dx, $dy, $dz];
        $this->residual = $residual;
        $this->gap = sqrt($rx * $rx + $ry * $ry + $rz * $rz);
    }

    /**
     * Eliminates the block-tridiagonal part along the chain, for four right sides together: the residual and the three
     * columns of the constraint.
     *
     * @param  list<float>|null  $rightE
     * @param  list<float>|null  $rightG
     * @return array{list<list<float>>, list<list<float>>, list<list<float>>, int, float, array{float, float, float}}
     *     inverses of the pivots (three entries each), couplings to the tangent before (four), the eliminated right
     *     sides (four along the first direction, four along the second), the number of negative pivots, the largest
     *     residual, and the excess of the way
     */
    private function eliminated(?float $shift, ?array $rightE, ?array $rightG): array
    {
        [$fex, $fey, $fez, $fgx, $fgy, $fgz] = $this->frames;
        $t = $this->t;
        $pieces = $this->pieces;
        $n = count($t) - 1;
        [$fx, $fy, $fz] = $this->force;
        $half = $pieces[0] / 2;
        $rx = $half * $t[0][0] - $this->way[0];
        $ry = $half * $t[0][1] - $this->way[1];
        $rz = $half * $t[0][2] - $this->way[2];
        $i0 = $i1 = $i2 = $c0 = $c1 = $c2 = $c3 = [];
        $r0 = $r1 = $r2 = $r3 = $q0 = $q1 = $q2 = $q3 = [];
        $residual = 0.0;
        $negative = 0;
        [$bx, $by, $bz] = $t[0];
        [$x, $y, $z] = $t[1];
        $px = $py = $pz = $hx = $hy = $hz = $ia = $ib = $ic = 0.0;
        $p0 = $p1 = $p2 = $p3 = $s0 = $s1 = $s2 = $s3 = 0.0;
        $k = 2.0 / $pieces[0];
        for ($i = 1; $i < $n; $i++) {
            [$ax, $ay, $az] = $t[$i + 1];
            $kBefore = $k;
            $k = 2.0 / $pieces[$i];
            $m = ($pieces[$i - 1] + $pieces[$i]) / 2;
            $rx += $m * $x;
            $ry += $m * $y;
            $rz += $m * $z;
            $ex = $fex[$i - 1];
            $ey = $fey[$i - 1];
            $ez = $fez[$i - 1];
            $gx = $fgx[$i - 1];
            $gy = $fgy[$i - 1];
            $gz = $fgz[$i - 1];
            // Gradient of the Lagrangian at this tangent.
            $ux = $m * $fx - $kBefore * $bx - $k * $ax;
            $uy = $m * $fy - $kBefore * $by - $k * $ay;
            $uz = $m * $fz - $kBefore * $bz - $k * $az;
            if ($rightE === null || $rightG === null) {
                $p = -($ex * $ux + $ey * $uy + $ez * $uz);
                $q = -($gx * $ux + $gy * $uy + $gz * $uz);
            } else {
                $p = $rightE[$i - 1];
                $q = $rightG[$i - 1];
            }
            $size = ($p < 0.0 ? -$p : $p) + ($q < 0.0 ? -$q : $q);
            if ($size > $residual * $k) {
                $residual = $size / $k;
            }
            $a = $c = $shift === null ? $kBefore + $k : $shift * $m - ($ux * $x + $uy * $y + $uz * $z);
            $b = 0.0;
            $ex *= $m;
            $ey *= $m;
            $ez *= $m;
            $gx *= $m;
            $gy *= $m;
            $gz *= $m;
            if ($i === 1) {
                $p0 = $p;
                $p1 = $ex;
                $p2 = $ey;
                $p3 = $ez;
                $s0 = $q;
                $s1 = $gx;
                $s2 = $gy;
                $s3 = $gz;
            } else {
                $w = -$kBefore / $m;
                $c0[] = $o11 = $w * ($px * $ex + $py * $ey + $pz * $ez);
                $c1[] = $o12 = $w * ($px * $gx + $py * $gy + $pz * $gz);
                $c2[] = $o21 = $w * ($hx * $ex + $hy * $ey + $hz * $ez);
                $c3[] = $o22 = $w * ($hx * $gx + $hy * $gy + $hz * $gz);
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
            // A numerical safeguard: a singular pivot is moved off zero.
            if ($det < self::SINGULAR * $k * $k && $det > -self::SINGULAR * $k * $k) {
                $a += self::REGULARISATION * $k;
                $c += self::REGULARISATION * $k;
                $det = $a * $c - $b * $b;
            }
            $negative += $det < 0.0 ? 1 : ($a < 0.0 ? 2 : 0);
            $i0[] = $ia = $c / $det;
            $i1[] = $ib = -$b / $det;
            $i2[] = $ic = $a / $det;
            $px = $fex[$i - 1];
            $py = $fey[$i - 1];
            $pz = $fez[$i - 1];
            $hx = $fgx[$i - 1];
            $hy = $fgy[$i - 1];
            $hz = $fgz[$i - 1];
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
        $half = $pieces[$n - 1] / 2;

        return [
            [$i0, $i1, $i2],
            [$c0, $c1, $c2, $c3],
            [$r0, $r1, $r2, $r3, $q0, $q1, $q2, $q3],
            $negative,
            $residual,
            [$rx + $half * $x, $ry + $half * $y, $rz + $half * $z],
        ];
    }

    /**
     * Substitutes back from the last tangent to the first.
     *
     * @param  list<list<float>>  $inverses
     * @param  list<list<float>>  $couplings
     * @param  list<list<float>>  $rights
     * @return array{list<list<float>>, list<float>} the four solutions along the first and second direction of each
     *     tangent, the last tangent first; and the border matrix row by row, which is the effect of each solution on
     *     the way
     */
    private function substituted(array $inverses, array $couplings, array $rights): array
    {
        [$i0, $i1, $i2] = $inverses;
        [$c0, $c1, $c2, $c3] = $couplings;
        [$r0, $r1, $r2, $r3, $q0, $q1, $q2, $q3] = $rights;
        [$fex, $fey, $fez, $fgx, $fgy, $fgz] = $this->frames;
        $pieces = $this->pieces;
        $n = count($this->t) - 1;
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
            $m = ($pieces[$i] + $pieces[$i + 1]) / 2;
            $ex = $m * $fex[$i];
            $ey = $m * $fey[$i];
            $ez = $m * $fez[$i];
            $gx = $m * $fgx[$i];
            $gy = $m * $fgy[$i];
            $gz = $m * $fgz[$i];
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

        return [
            [$x0, $x1, $x2, $x3, $y0, $y1, $y2, $y3],
            [$n0, $n1, $n2, $n3, $n4, $n5, $n6, $n7, $n8, $n9, $n10, $n11],
        ];
    }

    /**
     * Takes the step that was solved for, shortened where it is too long.
     *
     * @return float largest turn of a tangent that was asked for, radians
     */
    private function move(): float
    {
        $most = 0.0;
        foreach ($this->moveE as $i => $a) {
            $b = $this->moveG[$i];
            $size = $a * $a + $b * $b;
            $most = $size > $most ? $size : $most;
        }
        $most = is_finite($most) ? sqrt($most) : INF;
        $part = $most > self::MOST_TURN ? self::MOST_TURN / $most : 1.0;
        $this->moveBy($this->moveE, $this->moveG, $part);
        [$fx, $fy, $fz] = $this->force;
        [$dx, $dy, $dz] = $this->moveForce;
        $this->force = [$fx + $dx, $fy + $dy, $fz + $dz];

        return $most;
    }

    /**
     * @param  list<float>  $e
     * @param  list<float>  $g
     */
    private function moveBy(array $e, array $g, float $factor): void
    {
        [$fex, $fey, $fez, $fgx, $fgy, $fgz] = $this->frames;
        foreach ($e as $i => $a) {
            $a *= $factor;
            $b = $factor * $g[$i];
            [$x, $y, $z] = $this->t[$i + 1];
            $x += $fex[$i] * $a + $fgx[$i] * $b;
            $y += $fey[$i] * $a + $fgy[$i] * $b;
            $z += $fez[$i] * $a + $fgz[$i] * $b;
            $l = 1.0 / sqrt($x * $x + $y * $y + $z * $z);
            $this->t[$i + 1] = [$x * $l, $y * $l, $z * $l];
        }
    }

    /**
     * Returns the number of positive eigenvalues of a symmetric 3 × 3 matrix: the sign changes of its characteristic
     * polynomial (Descartes).
     */
    private static function positiveEigenvalues(float $xx, float $yy, float $zz, float $xy, float $xz, float $yz): int
    {
        $trace = $xx + $yy + $zz;
        $minors = $xx * $yy - $xy * $xy + $xx * $zz - $xz * $xz + $yy * $zz - $yz * $yz;
        $det = $xx * ($yy * $zz - $yz * $yz) - $xy * ($xy * $zz - $yz * $xz) + $xz * ($xy * $yz - $yy * $xz);
        $changes = 0;
        $last = 1.0;
        foreach ([-$trace, $minors, -$det] as $coefficient) {
            if ($coefficient * $last < 0.0) {
                $changes++;
            }
            $last = $coefficient === 0.0 ? $last : ($coefficient < 0.0 ? -1.0 : 1.0);
        }

        return $changes;
    }

    /**
     * Solves a 3 × 3 system by Cramer's rule; returns zeros where the matrix is singular.
     *
     * @param  array{float, float, float, float, float, float, float, float, float}  $m  row by row
     * @param  array{float, float, float}  $b
     * @return array{float, float, float}
     */
    private static function solve3(array $m, array $b): array
    {
        [$a11, $a12, $a13, $a21, $a22, $a23, $a31, $a32, $a33] = $m;
        $c11 = $a22 * $a33 - $a23 * $a32;
        $c12 = $a23 * $a31 - $a21 * $a33;
        $c13 = $a21 * $a32 - $a22 * $a31;
        $det = $a11 * $c11 + $a12 * $c12 + $a13 * $c13;
        if (abs($det) < self::SMALLEST) {
            return [0.0, 0.0, 0.0];
        }

        return [
            ($c11 * $b[0] + ($a13 * $a32 - $a12 * $a33) * $b[1] + ($a12 * $a23 - $a13 * $a22) * $b[2]) / $det,
            ($c12 * $b[0] + ($a11 * $a33 - $a13 * $a31) * $b[1] + ($a13 * $a21 - $a11 * $a23) * $b[2]) / $det,
            ($c13 * $b[0] + ($a12 * $a31 - $a11 * $a32) * $b[1] + ($a11 * $a22 - $a12 * $a21) * $b[2]) / $det,
        ];
    }
}
