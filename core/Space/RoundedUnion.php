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
final readonly class RoundedUnion
{
    private const MOST_STEPS = 200;

    /** Change of a multiplier below which projections onto several planes are the same, mm. */
    private const SAME = 1e-12;

    private const MOST_SWEEPS = 400;

    /** Most of the last step that is gone ahead. */
    private const MOST_AHEAD = 5.0;

    /**
     * @param  non-empty-list<TubeDistance>  $tubes
     * @param  float  $rounding  radius of the ball, mm; 0 for none
     */
    public function __construct(
        public array $tubes,
        public float $rounding,
    ) {
    }

    /**
     * Returns the distance as far as it is needed to tell what is inside and how far off at least: exact outside, and
     * inside not more than it is.
     *
     * @param  float  $accuracy  mm
     */
    public function bound(float $x, float $y, float $z, float $accuracy): float
    {
        $least = INF;
        $near = 0;
        foreach ($this->tubes as $tube) {
            $distance = $tube->at($x, $y, $z)[0];
            $least = min($least, $distance);
            // The ball touches both tubes, so that what it keeps out of is within its diameter of either.
            $near += $distance < 2 * $this->rounding ? 1 : 0;
        }

        // Within a tube it is not less deep than in that.
        return $near < 2 || $least <= 0.0 ? $least : $this->at($x, $y, $z, $accuracy)[0];
    }

    /** Returns the number of the tube whose surface is nearest, or that a place is deepest in. */
    public function nearest(float $x, float $y, float $z): int
    {
        $nearest = 0;
        $least = INF;
        foreach ($this->tubes as $number => $tube) {
            $distance = $tube->at($x, $y, $z)[0];
            if ($distance < $least) {
                [$least, $nearest] = [$distance, $number];
            }
        }

        return $nearest;
    }

    /**
     * @param  float  $accuracy  of the place that is looked for, mm
     * @return array{float, float, float, float} signed distance, mm, and the unit direction in which it rises
     */
    public function at(float $x, float $y, float $z, float $accuracy): array
    {
        [$qx, $qy, $qz] = [$x, $y, $z];
        $last = null;
        for ($step = 0; $step < self::MOST_STEPS; $step++) {
            $planes = [];
            foreach ($this->tubes as $tube) {
                [$distance, $gx, $gy, $gz] = $tube->at($qx, $qy, $qz);
                // Square to the plane, how far the place that is asked for lies short of it.
                $short = $this->rounding - $distance + $gx * ($qx - $x) + $gy * ($qy - $y) + $gz * ($qz - $z);
                $planes[] = [$gx, $gy, $gz, $short];
            }
            [$nx, $ny, $nz] = self::projected($planes);
            [$tx, $ty, $tz] = [$x + $nx, $y + $ny, $z + $nz];
            [$rx, $ry, $rz] = [$tx - $qx, $ty - $qy, $tz - $qz];
            [$qx, $qy, $qz] = [$tx, $ty, $tz];
            if (abs($rx) + abs($ry) + abs($rz) < $accuracy) {
                break;
            }
            // What is left falls off evenly: gone ahead by what the last two steps tell of that (Anderson, depth one).
            if ($last !== null) {
                [$sx, $sy, $sz] = [$rx - $last[3], $ry - $last[4], $rz - $last[5]];
                $square = $sx * $sx + $sy * $sy + $sz * $sz;
                $share = $square > self::SAME ** 2 ? ($rx * $sx + $ry * $sy + $rz * $sz) / $square : 0.0;
                if (abs($share) < self::MOST_AHEAD) {
                    $qx -= $share * ($tx - $last[0]);
                    $qy -= $share * ($ty - $last[1]);
                    $qz -= $share * ($tz - $last[2]);
                }
            }
            $last = [$tx, $ty, $tz, $rx, $ry, $rz];
        }
        [$wx, $wy, $wz] = [$qx - $x, $qy - $y, $qz - $z];
        $way = sqrt($wx * $wx + $wy * $wy + $wz * $wz);
        if ($way < self::SAME) {
            // Farther out than the ball: the nearest tube tells.
            [$distance, $gx, $gy, $gz] = $this->tubes[$this->nearest($x, $y, $z)]->at($x, $y, $z);

            return [$distance, $gx, $gy, $gz];
        }

        return [$this->rounding - $way, $wx / $way, $wy / $way, $wz / $way];
    }

    /**
     * Returns the shortest way to where all planes are passed, by Hildreth's method.
     *
     * @param  list<array{float, float, float, float}>  $planes  unit normal, and how far short of it the start is, mm
     * @return array{float, float, float}
     */
    private static function projected(array $planes): array
    {
        $needed = array_values(array_filter($planes, static fn (array $plane): bool => $plane[3] > 0.0));
        if ($needed === []) {
            return [0.0, 0.0, 0.0];
        }
        if (count($planes) === 2) {
            return self::pastBoth($planes[0], $planes[1]);
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
        [[$ax, $ay, $az, $a], [$bx, $by, $bz, $b]] = [$one, $other];
        $cosine = $ax * $bx + $ay * $by + $az * $bz;
        $square = 1.0 - $cosine * $cosine;
        [$ofOne, $ofOther] = [$a - $cosine * $b, $b - $cosine * $a];
        if ($square > self::SAME && $ofOne > 0.0 && $ofOther > 0.0) {
            [$ofOne, $ofOther] = [$ofOne / $square, $ofOther / $square];
        } else {
            // Past the farther one the other is passed too.
            [$ofOne, $ofOther] = $a > $b ? [$a, 0.0] : [0.0, $b];
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
        for ($step = 0; $step < 8; $step++) {
            [$distance, $gx, $gy, $gz] = $this->at($x, $y, $z, $accuracy / 10);
            [$x, $y, $z] = [$x - $distance * $gx, $y - $distance * $gy, $z - $distance * $gz];
            if (abs($distance) < $accuracy) {
                break;
            }
        }

        return [$x, $y, $z];
    }
}
