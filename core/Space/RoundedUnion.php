<?php

declare(strict_types=1);

namespace Bowline\Space;

/**
 * What several tubes are together, with a ball of a radius rolled along where they meet (their closing by that ball):
 * its signed distance, negative inside. A place is inside where the nearest place that is a radius off all tubes is
 * farther than a radius; so that place is looked for, by projecting onto tangent planes of the tubes widened by the
 * radius until it stays (sequential projection, which converges as they are round outwards).
 *
 * @phpstan-import-type Nearest from TubeDistance
 */
final readonly class RoundedUnion implements UnionDistance
{
    private const MOST_STEPS = 200;

    /** Change of a multiplier below which projections onto several planes are the same, mm. */
    private const SAME = 1e-12;

    /** How far short of a plane a way may end that passes it, mm. */
    private const PASSED = 1e-10;

    private const MOST_SWEEPS = 400;

    /** A ball that is so much of a tube, or so far off a place in it, may touch on several sides of that. */
    private const LARGE = 0.5;

    /** Cosine between the ways out of two tubes below which a place lies between them. */
    private const OPPOSED = -0.3;

    /** Most steps along the gradient to the surface. */
    private const SURFACE_STEPS = 20;

    /** How far a place at rest may lie short of the radius off a tube, in accuracies. */
    private const OFF = 4.0;

    /** Steps after which none is gone ahead any more: it may go to and fro. */
    private const STEPS_AHEAD = 60;

    /** Most of the last step that is gone ahead. */
    private const MOST_AHEAD = 5.0;

    /** Least radius of the tubes, mm. */
    private float $thinnest;

    /**
     * @param  non-empty-array<int, TubeDistance>  $tubes  by their numbers
     * @param  float  $rounding  radius of the ball, mm; 0 for none
     */
    public function __construct(
        public array $tubes,
        public float $rounding,
    ) {
        $this->thinnest = min(array_map(static fn (TubeDistance $tube): float => $tube->radius, $tubes));
    }

    public function tubes(): array
    {
        return $this->tubes;
    }

    public function balls(): array
    {
        return [$this->rounding];
    }

    public function nearestGroup(float $x, float $y, float $z, float $accuracy): self
    {
        return $this;
    }

    public function ballNear(float $x, float $y, float $z, float $within): ?float
    {
        $touched = 0;
        foreach ($this->tubes as $tube) {
            // On the fillet a place is outside of both tubes, and within the diameter of the ball of either.
            $distance = $tube->at($x, $y, $z)[0];
            $touched += $distance > -$within && $distance < 2 * $this->rounding + $within ? 1 : 0;
        }

        return $touched > 1 ? $this->rounding : null;
    }

    public function bound(float $x, float $y, float $z, float $accuracy): float
    {
        return $this->quick($x, $y, $z) ?? $this->at($x, $y, $z, $accuracy)[0];
    }

    /** Returns the same; null where the ball touches more than one tube, so that it has to be looked for. */
    private function quick(float $x, float $y, float $z): ?float
    {
        $ball = $this->rounding;
        $least = INF;
        $near = 0;
        $out = [0.0, 0.0, 0.0];
        $nearest = null;
        foreach ($this->tubes as $tube) {
            [$distance, $gx, $gy, $gz] = $tube->at($x, $y, $z);
            if ($distance < $least) {
                $least = $distance;
                $nearest = $tube;
                $out = [$gx, $gy, $gz];
            }
            // The ball touches both tubes, so that what it keeps out of is within its diameter of either.
            $near += $distance < 2 * $ball ? 1 : 0;
        }
        // Within a tube it is not less deep than in that. Farther out than its radius the ball is not in the way.
        if ($near < 2 || $least <= 0.0 || $least >= $ball) {
            return $least;
        }
        // Where the ball that touches the nearest tube is clear of the others, that tube tells.
        [$cx, $cy, $cz] = [
            $x + ($ball - $least) * $out[0], $y + ($ball - $least) * $out[1], $z + ($ball - $least) * $out[2],
        ];
        foreach ($this->tubes as $tube) {
            if ($tube !== $nearest && $tube->at($cx, $cy, $cz)[0] < $ball) {
                return null;
            }
        }

        return $least;
    }

    public function nearest(float $x, float $y, float $z): int
    {
        $nearest = array_key_first($this->tubes);
        $least = INF;
        foreach ($this->tubes as $number => $tube) {
            $distance = $tube->at($x, $y, $z)[0];
            if ($distance < $least) {
                [$least, $nearest] = [$distance, $number];
            }
        }

        return $nearest;
    }

    public function at(float $x, float $y, float $z, float $accuracy): array
    {
        $found = $this->from([$x, $y, $z], [$x, $y, $z], $accuracy);
        if ($found[0] < 0.0 || ! $found[4]) {
            // A ball on another side may be nearer: looked for from all round.
            foreach ($this->waysOut($x, $y, $z, ! $found[4]) as [$ux, $uy, $uz]) {
                $other = $this->from([$x, $y, $z], [$x + $ux, $y + $uy, $z + $uz], $accuracy);
                if ($other[4] && ($other[0] > $found[0] || ! $found[4])) {
                    $found = $other;
                }
            }
        }

        return [$found[0], $found[1], $found[2], $found[3]];
    }

    /**
     * Returns ways out of the two nearest tubes: away from each, between these, and beside both; none where the ball
     * is small and lies in a corner of them, and not between, unless they are needed.
     *
     * @return list<array{float, float, float}> as long as the radius of the ball, and as the place is deep, mm
     */
    private function waysOut(float $x, float $y, float $z, bool $isNeeded): array
    {
        $nearest = array_map(
            static fn (TubeDistance $tube): array => $tube->at($x, $y, $z), array_values($this->tubes),
        );
        usort($nearest, static fn (array $one, array $other): int => $one[0] <=> $other[0]);
        [[, $ax, $ay, $az], [, $bx, $by, $bz]] = [$nearest[0], $nearest[1] ?? $nearest[0]];
        $far = $this->rounding + max(0.0, -$nearest[0][0]);
        $isLarge = $far > self::LARGE * $this->thinnest;
        if (! $isNeeded && ! $isLarge && $ax * $bx + $ay * $by + $az * $bz > self::OPPOSED) {
            return [];
        }
        $ways = [];
        foreach ([
            [$ax, $ay, $az], [$bx, $by, $bz], [$ax + $bx, $ay + $by, $az + $bz],
            $beside = [$ay * $bz - $az * $by, $az * $bx - $ax * $bz, $ax * $by - $ay * $bx],
            [-$beside[0], -$beside[1], -$beside[2]],
        ] as [$ux, $uy, $uz]) {
            $length = sqrt($ux * $ux + $uy * $uy + $uz * $uz);
            if ($length > self::SAME) {
                $ways[] = [$far * $ux / $length, $far * $uy / $length, $far * $uz / $length];
            }
        }

        return $ways;
    }

    /**
     * Returns the distance by the place a radius off all tubes that is found from a start.
     *
     * @param  array{float, float, float}  $place
     * @param  array{float, float, float}  $start
     * @return array{float, float, float, float, bool} at last, whether it has come to rest there
     */
    private function from(array $place, array $start, float $accuracy): array
    {
        // With few lists of values: each makes an array, and these steps are taken millions of times.
        [$x, $y, $z] = $place;
        [$qx, $qy, $qz] = $start;
        $lastX = $lastY = $lastZ = $lastRx = $lastRy = $lastRz = 0.0;
        $isSettled = false;
        for ($step = 0; $step < self::MOST_STEPS; $step++) {
            $planes = [];
            $least = INF;
            foreach ($this->tubes as $tube) {
                [$distance, $gx, $gy, $gz] = $tube->at($qx, $qy, $qz);
                $least = $distance < $least ? $distance : $least;
                // Square to the plane, how far the place that is asked for lies short of it.
                $short = $this->rounding - $distance + $gx * ($qx - $x) + $gy * ($qy - $y) + $gz * ($qz - $z);
                $planes[] = [$gx, $gy, $gz, $short];
            }
            [$nx, $ny, $nz] = self::projected($planes);
            $tx = $x + $nx;
            $ty = $y + $ny;
            $tz = $z + $nz;
            $rx = $tx - $qx;
            $ry = $ty - $qy;
            $rz = $tz - $qz;
            $qx = $tx;
            $qy = $ty;
            $qz = $tz;
            if (abs($rx) + abs($ry) + abs($rz) < $accuracy) {
                // Steps may be short and yet not get there.
                $isSettled = $least > $this->rounding - self::OFF * $accuracy;
                break;
            }
            // What is left falls off evenly: gone ahead by what the last two steps tell of that (Anderson, depth one).
            if ($step > 0 && $step < self::STEPS_AHEAD) {
                $sx = $rx - $lastRx;
                $sy = $ry - $lastRy;
                $sz = $rz - $lastRz;
                $square = $sx * $sx + $sy * $sy + $sz * $sz;
                $share = $square > self::SAME ** 2 ? ($rx * $sx + $ry * $sy + $rz * $sz) / $square : 0.0;
                if (abs($share) < self::MOST_AHEAD) {
                    $qx -= $share * ($tx - $lastX);
                    $qy -= $share * ($ty - $lastY);
                    $qz -= $share * ($tz - $lastZ);
                }
            }
            $lastX = $tx;
            $lastY = $ty;
            $lastZ = $tz;
            $lastRx = $rx;
            $lastRy = $ry;
            $lastRz = $rz;
        }
        $wx = $qx - $x;
        $wy = $qy - $y;
        $wz = $qz - $z;
        $way = sqrt($wx * $wx + $wy * $wy + $wz * $wz);
        if ($way < self::SAME) {
            // Farther out than the ball: the nearest tube tells.
            [$distance, $gx, $gy, $gz] = $this->tubes[$this->nearest($x, $y, $z)]->at($x, $y, $z);

            return [$distance, $gx, $gy, $gz, true];
        }

        return [$this->rounding - $way, $wx / $way, $wy / $way, $wz / $way, $isSettled];
    }

    /**
     * Returns the shortest way to where all planes are passed, by Hildreth's method.
     *
     * @param  list<array{float, float, float, float}>  $planes  unit normal, and how far short of it the start is, mm
     * @return array{float, float, float}
     */
    private static function projected(array $planes): array
    {
        $isNeeded = false;
        foreach ($planes as $plane) {
            $isNeeded = $isNeeded || $plane[3] > 0.0;
        }
        if (! $isNeeded) {
            return [0.0, 0.0, 0.0];
        }
        if (count($planes) === 2) {
            return self::pastBoth($planes[0], $planes[1]);
        }
        $touching = self::touching($planes);
        if ($touching !== null) {
            return $touching;
        }
        $multipliers = array_fill(0, count($planes), 0.0);
        [$x, $y, $z] = [0.0, 0.0, 0.0];
        for ($sweep = 0; $sweep < self::MOST_SWEEPS; $sweep++) {
            $changed = 0.0;
            foreach ($planes as $i => [$gx, $gy, $gz, $short]) {
                $more = max(-$multipliers[$i], $short - $gx * $x - $gy * $y - $gz * $z);
                $multipliers[$i] += $more;
                [$x, $y, $z] = [$x + $more * $gx, $y + $more * $gy, $z + $more * $gz];
                $changed = max($changed, abs($more));
            }
            if ($changed < self::SAME) {
                break;
            }
        }

        return [$x, $y, $z];
    }

    /**
     * Returns the same by trying which of the planes it ends on, up to three of them; null where no three tell.
     *
     * @param  list<array{float, float, float, float}>  $planes
     * @return array{float, float, float}|null
     */
    private static function touching(array $planes): ?array
    {
        $count = count($planes);
        for ($i = 0; $i < $count; $i++) {
            for ($j = $i; $j < $count; $j++) {
                // One of both at least lies ahead.
                $way = max($planes[$i][3], $planes[$j][3]) > 0.0 ? self::pastBoth($planes[$i], $planes[$j]) : null;
                if ($way !== null && self::passes($planes, $way)) {
                    return $way;
                }
            }
        }
        for ($i = 0; $i < $count; $i++) {
            for ($j = $i + 1; $j < $count; $j++) {
                for ($k = $j + 1; $k < $count; $k++) {
                    $way = self::pastThree($planes[$i], $planes[$j], $planes[$k]);
                    if ($way !== null && self::passes($planes, $way)) {
                        return $way;
                    }
                }
            }
        }

        return null;
    }

    /**
     * @param  list<array{float, float, float, float}>  $planes
     * @param  array{float, float, float}  $way
     */
    private static function passes(array $planes, array $way): bool
    {
        foreach ($planes as [$gx, $gy, $gz, $short]) {
            if ($gx * $way[0] + $gy * $way[1] + $gz * $way[2] < $short - self::PASSED) {
                return false;
            }
        }

        return true;
    }

    /**
     * Returns the way to where three planes meet: λ from the products of their normals, by Cramer's rule.
     *
     * @param  array{float, float, float, float}  $one  unit normal, and how far short of it the start is, mm
     * @param  array{float, float, float, float}  $two
     * @param  array{float, float, float, float}  $three
     * @return array{float, float, float}|null null where they do not meet, or one of them pulls
     */
    private static function pastThree(array $one, array $two, array $three): ?array
    {
        [[$ax, $ay, $az, $a], [$bx, $by, $bz, $b], [$cx, $cy, $cz, $c]] = [$one, $two, $three];
        $ab = $ax * $bx + $ay * $by + $az * $bz;
        $ac = $ax * $cx + $ay * $cy + $az * $cz;
        $bc = $bx * $cx + $by * $cy + $bz * $cz;
        $whole = 1.0 + 2 * $ab * $ac * $bc - $ab * $ab - $ac * $ac - $bc * $bc;
        if ($whole < self::SAME) {
            return null;
        }
        $ofA = ($a * (1 - $bc * $bc) + $b * ($ac * $bc - $ab) + $c * ($ab * $bc - $ac)) / $whole;
        $ofB = ($a * ($ac * $bc - $ab) + $b * (1 - $ac * $ac) + $c * ($ab * $ac - $bc)) / $whole;
        $ofC = ($a * ($ab * $bc - $ac) + $b * ($ab * $ac - $bc) + $c * (1 - $ab * $ab)) / $whole;

        return min($ofA, $ofB, $ofC) < 0.0 ? null : [
            $ofA * $ax + $ofB * $bx + $ofC * $cx, $ofA * $ay + $ofB * $by + $ofC * $cy,
            $ofA * $az + $ofB * $bz + $ofC * $cz,
        ];
    }

    /**
     * Returns the place on the nearest tube, where the ball touches that and no other; null where it does not.
     *
     * @return array{float, float, float}|null
     */
    private function onTube(float $x, float $y, float $z): ?array
    {
        $nearest = $this->nearest($x, $y, $z);
        [$distance, $gx, $gy, $gz] = $this->tubes[$nearest]->at($x, $y, $z);
        [$x, $y, $z] = [$x - $distance * $gx, $y - $distance * $gy, $z - $distance * $gz];
        $out = $this->rounding;
        foreach ($this->tubes as $number => $tube) {
            if ($number !== $nearest && $tube->at($x + $out * $gx, $y + $out * $gy, $z + $out * $gz)[0] < $out) {
                return null;
            }
        }

        return [$x, $y, $z];
    }

    /**
     * Returns the shortest way to where two planes are passed, one of which at least is not.
     *
     * @param  array{float, float, float, float}  $one  unit normal, and how far short of it the start is, mm
     * @param  array{float, float, float, float}  $other
     * @return array{float, float, float}
     */
    private static function pastBoth(array $one, array $other): array
    {
        [$ax, $ay, $az, $a] = $one;
        [$bx, $by, $bz, $b] = $other;
        $cosine = $ax * $bx + $ay * $by + $az * $bz;
        $square = 1.0 - $cosine * $cosine;
        $ofOne = $a - $cosine * $b;
        $ofOther = $b - $cosine * $a;
        if ($square > self::SAME && $ofOne > 0.0 && $ofOther > 0.0) {
            $ofOne /= $square;
            $ofOther /= $square;
        } else {
            // Past the farther one the other is passed too.
            $ofOne = $a > $b ? $a : 0.0;
            $ofOther = $a > $b ? 0.0 : $b;
        }

        return [
            $ofOne * $ax + $ofOther * $bx, $ofOne * $ay + $ofOther * $by, $ofOne * $az + $ofOther * $bz,
        ];
    }

    /**
     * Returns the place of its surface near another, by steps along the gradient.
     *
     * @return array{float, float, float}
     */
    public function onSurface(float $x, float $y, float $z, float $accuracy): array
    {
        $onTube = $this->onTube($x, $y, $z);
        if ($onTube !== null) {
            return $onTube;
        }
        for ($step = 0; $step < self::SURFACE_STEPS; $step++) {
            [$distance, $gx, $gy, $gz] = $this->at($x, $y, $z, $accuracy / 10);
            [$x, $y, $z] = [$x - $distance * $gx, $y - $distance * $gy, $z - $distance * $gz];
            if (abs($distance) < $accuracy) {
                break;
            }
        }

        return [$x, $y, $z];
    }
}
