<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Geometry\Curve;
use Bowline\Geometry\Vector;

/**
 * The curve of a length in space, held at both ends in place and direction and free to swivel, with least ∫κ² ds:
 * Euler's elastica. Several curves may be at rest. First comes the one that it comes to when it is led straight
 * across, unless another bends clearly less; then the others, the least first.
 *
 * A chain is started from arches and waves to every side and let flow downhill; what it settles to is solved
 * exactly by shooting: without twist the tangent follows t″ = (n·t − |t′|²)·t − n for a constant force n (Antman,
 * Nonlinear Problems of Elasticity, ch. VIII, for an isotropic rod), integrated by Runge and Kutta's fourth order.
 */
final readonly class Elastica
{
    private const COARSE = 20;

    /** Pieces of the chain that shooting starts from; finer ones where it does not meet. */
    private const FINE = [64, 128, 320];

    /** Steps of the integration; its error goes with the fourth power. */
    private const STEPS = 96;

    /** Two curves whose energies differ by less than this part are one, or its mirror image. */
    private const SAME = 1e-3;

    /** A shape that bends less than this part of what the direct one does is taken before it. */
    private const CLEARLY_LESS = 0.85;

    /** Turn from one point of the drawing to the next at most, radians. */
    private const TURN = 0.5 * M_PI / 180;

    /** @param  float  $energy  ∫κ² ds, 1/mm */
    private function __construct(
        public Curve $curve,
        public float $energy,
    ) {
    }

    /**
     * @param  Vector  $along  unit, travel out of the start
     * @param  Vector  $into  unit, travel into the end
     * @param  float  $length  mm, more than the distance of the two points
     * @param  int  $most  how many shapes are wanted
     * @return non-empty-list<self> the one it comes to by itself first, then those with less energy before those with more
     */
    public static function between(Vector $from, Vector $to, Vector $along, Vector $into, float $length, int $most = 1): array
    {
        $way = $to->minus($from)->times(1.0 / $length);
        $direct = new ElasticChain(self::direct($along, $into, $way), $way->toArray());
        $direct->flow(16);
        $settled = self::settled($along, $into, $way);
        if ($direct->settle(14) && $direct->energy() * self::CLEARLY_LESS < $settled[0]->energy() && $direct->energy() > $settled[0]->energy() * (1.0 + self::SAME)) {
            $energy = $direct->energy();
            $settled = [$direct, ...array_filter($settled, static fn (ElasticChain $other): bool => abs($other->energy() - $energy) > self::SAME * $energy)];
        }
        $found = [];
        foreach (array_slice($settled, 0, $most) as $chain) {
            $found[] = self::exact($chain, $from, $along, $into, $way, $length);
        }
        assert($found !== []);

        return $found;
    }

    /**
     * Tangents of the plain cubic between the two places and directions: what a hand bends the hose to.
     *
     * @return list<array{float, float, float}>
     */
    private static function direct(Vector $along, Vector $into, Vector $way): array
    {
        $tangents = [];
        for ($i = 0; $i <= self::COARSE; $i++) {
            $s = $i / self::COARSE;
            $tangent = $way->times(6 * $s * (1 - $s))->plus($along->times((1 - $s) * (1 - 3 * $s)))->plus($into->times($s * (3 * $s - 2)));
            $tangents[] = ($tangent->length() > 1e-6 ? $tangent->unit() : $along->anySquare())->toArray();
        }

        return $tangents;
    }

    /** @return non-empty-list<ElasticChain> at rest, the least energy first, no two alike */
    private static function settled(Vector $along, Vector $into, Vector $way): array
    {
        $tried = [];
        foreach (self::starts($along, $into, $way) as $tangents) {
            $chain = new ElasticChain($tangents, $way->toArray());
            $chain->flow(10);
            if (is_finite($chain->energy())) {
                $tried[] = $chain;
            }
        }
        usort($tried, static fn (ElasticChain $a, ElasticChain $b): int => $a->energy() <=> $b->energy());
        $settled = [];
        foreach ($tried as $index => $chain) {
            $isNew = array_filter($settled, static fn (ElasticChain $other): bool => abs($other->energy() - $chain->energy()) < 0.02 * ($chain->energy() + 1e-9)) === [];
            if (! $isNew && $index > 3) {
                continue;
            }
            $chain->flow(6);
            $before = clone $chain;
            if ($chain->settle(14) && is_finite($chain->energy())) {
                $settled[] = $chain;
            } elseif ($settled === []) {
                // Newton may leap away from a shape that is nearly straight; flowing on comes to it more slowly.
                $before->flow(60);
                if ($before->missed < 1e-4 && is_finite($before->energy())) {
                    $settled[] = $before;
                }
            }
        }
        usort($settled, static fn (ElasticChain $a, ElasticChain $b): int => $a->energy() <=> $b->energy());
        $different = [];
        foreach ($settled as $chain) {
            $last = $different === [] ? -INF : $different[count($different) - 1]->energy();
            if ($chain->energy() - $last > self::SAME * ($chain->energy() + 1e-9)) {
                $different[] = $chain;
            }
        }

        return $different === [] ? [$tried[0] ?? new ElasticChain(self::direct($along, $into, $way), $way->toArray())] : $different;
    }

    /**
     * Tangents to begin with: arches and waves to the sides of the way, which begin and end as they must.
     *
     * @return list<list<array{float, float, float}>>
     */
    private static function starts(Vector $along, Vector $into, Vector $way): array
    {
        $distance = $way->length();
        $chord = $distance > 1e-9 ? $way->unit() : ($along->plus($into)->length() > 1e-6 ? $along->plus($into)->unit() : $along->anySquare());
        $square = static fn (Vector $vector): Vector => $vector->minus($chord->times($vector->dot($chord)));
        $lateral = $square($along->minus($into));
        $lateral = $lateral->length() > 1e-3 ? $lateral : $square($along->plus($into));
        $first = $lateral->length() > 1e-3 ? $lateral->unit() : $chord->anySquare();
        $second = $chord->cross($first);
        $slack = 1.0 / max($distance, 0.05) - 1.0;
        $swing = min(2.3, 2.0 * sqrt(min($slack, 1.4)));
        $starts = [];
        foreach ([[$first, 1], [$first->times(-1.0), 1], [$second, 1], [$second->times(-1.0), 1], [$first, 2], [$first->times(-1.0), 2], [$second, 2]] as [$side, $waves]) {
            $tangents = [];
            for ($i = 0; $i <= self::COARSE; $i++) {
                $s = $i / self::COARSE;
                $angle = $swing * cos($waves * M_PI * $s);
                $own = $chord->times(cos($angle))->plus($side->times(sin($angle)));
                // Near its ends it goes over into the directions it is held in.
                $start = max(0.0, 1.0 - 5.0 * $s) ** 2;
                $end = max(0.0, 5.0 * $s - 4.0) ** 2;
                $blend = $along->times($start)->plus($into->times($end))->plus($own->times(1.0 - $start - $end));
                $tangents[] = ($blend->length() > 1e-6 ? $blend->unit() : $side)->toArray();
            }
            $starts[] = [$along->toArray(), ...array_slice($tangents, 1, -1), $into->toArray()];
        }

        return $starts;
    }

    /** Solved exactly from a chain at rest; where shooting meets from none, by a chain so fine that it is as good. */
    private static function exact(ElasticChain $chain, Vector $from, Vector $along, Vector $into, Vector $way, float $length): self
    {
        foreach (self::FINE as $pieces) {
            $chain = $chain->refined($pieces);
            $chain->settle(8);
            $states = self::shot($chain, $along, $into, $way);
            if ($states !== null) {
                return self::drawn($states, $from, $length);
            }
        }

        return self::drawn(self::ofChain($chain), $from, $length);
    }

    /** @return list<array{float, float, float, float, float, float, float, float, float}>|null null where it does not meet */
    private static function shot(ElasticChain $chain, Vector $along, Vector $into, Vector $way): ?array
    {
        $n = count($chain->t) - 1;
        $e = $along->anySquare();
        $f = $along->cross($e);
        $bend = static fn (int $axis): float => (-3 * $chain->t[0][$axis] + 4 * $chain->t[1][$axis] - $chain->t[2][$axis]) * $n / 2;
        $first = new Vector($bend(0), $bend(1), $bend(2));
        $unknown = [
            -$chain->force[0] * $n / 2, -$chain->force[1] * $n / 2, -$chain->force[2] * $n / 2, $first->dot($e), $first->dot($f),
        ];
        $p = $into->anySquare();
        $q = $into->cross($p);
        [$unknown, $states, $missed] = self::met($unknown, self::STEPS, $along, [$e, $f], $way, [$p, $q]);
        if (self::size($missed) < 1e-7) {
            // Once more in finer steps, which are also those it is drawn by.
            [, $states, $missed] = self::met($unknown, 3 * self::STEPS, $along, [$e, $f], $way, [$p, $q]);
        }

        return self::size($missed) > 1e-7 ? null : $states;
    }

    /**
     * Newton's method on what misses the end.
     *
     * @param  array<float>  $unknown
     * @param  array{Vector, Vector}  $out
     * @param  array{Vector, Vector}  $in
     * @return array{array<float>, list<array{float, float, float, float, float, float, float, float, float}>, array{float, float, float, float, float}}
     */
    private static function met(array $unknown, int $steps, Vector $along, array $out, Vector $way, array $in): array
    {
        [$states, $missed] = self::shoot($unknown, $steps, $along, $out, $way, $in);
        for ($round = 0; $round < 12 && self::size($missed) > 1e-11; $round++) {
            /** @var array<int, array<int, float>> $matrix */
            $matrix = [];
            foreach ($unknown as $j => $value) {
                $step = 1e-6 * max(1.0, abs($value));
                $moved = $unknown;
                $moved[$j] += $step;
                [, $other] = self::shoot($moved, $steps, $along, $out, $way, $in);
                foreach ($missed as $i => $miss) {
                    $matrix[$i][$j] = ($other[$i] - $miss) / $step;
                }
            }
            $change = self::solve($matrix, $missed);
            $part = 1.0;
            do {
                $next = array_map(static fn (float $value, float $by): float => $value - $part * $by, $unknown, $change);
                [$nextStates, $nextMissed] = self::shoot($next, $steps, $along, $out, $way, $in);
                $part /= 2;
            } while (self::size($nextMissed) > self::size($missed) && $part > 1e-3);
            if (self::size($nextMissed) >= self::size($missed)) {
                break;
            }
            [$unknown, $states, $missed] = [$next, $nextStates, $nextMissed];
        }

        return [$unknown, $states, $missed];
    }

    /**
     * @param  array<float>  $unknown  the force, and the bend at the start to two sides
     * @param  array{Vector, Vector}  $out  those sides
     * @param  array{Vector, Vector}  $in  the sides at the end
     * @return array{list<array{float, float, float, float, float, float, float, float, float}>, array{float, float, float, float, float}} what it comes to, and by how much it misses
     */
    private static function shoot(array $unknown, int $steps, Vector $along, array $out, Vector $way, array $in): array
    {
        [$x, $y, $z, $b, $c] = array_values($unknown) + [0.0, 0.0, 0.0, 0.0, 0.0];
        $states = self::integrate($along->toArray(), $out[0]->times($b)->plus($out[1]->times($c))->toArray(), [$x, $y, $z], $steps);
        $end = $states[$steps];
        $t = new Vector($end[3], $end[4], $end[5]);
        // Turned right round it would point the wrong way and still have no part to its side.
        $wrong = $t->dot($in[0]->cross($in[1])) < 0.0 ? 2.0 : 0.0;

        return [$states, [$end[0] - $way->x, $end[1] - $way->y, $end[2] - $way->z, $t->dot($in[0]) + $wrong, $t->dot($in[1])]];
    }

    /**
     * @param  array{float, float, float}  $t
     * @param  array{float, float, float}  $u  its derivative
     * @param  array{float, float, float}  $force
     * @return list<array{float, float, float, float, float, float, float, float, float}> place, tangent and its derivative at even steps
     */
    private static function integrate(array $t, array $u, array $force, int $steps): array
    {
        [$nx, $ny, $nz] = $force;
        $h = 1.0 / $steps;
        $state = [0.0, 0.0, 0.0, ...$t, ...$u];
        $states = [$state];
        for ($step = 0; $step < $steps; $step++) {
            [$x, $y, $z, $tx, $ty, $tz, $ux, $uy, $uz] = $state;
            $l = $nx * $tx + $ny * $ty + $nz * $tz - $ux * $ux - $uy * $uy - $uz * $uz;
            $a1 = $l * $tx - $nx;
            $a2 = $l * $ty - $ny;
            $a3 = $l * $tz - $nz;
            $half = $h / 2;
            $t2x = $tx + $half * $ux;
            $t2y = $ty + $half * $uy;
            $t2z = $tz + $half * $uz;
            $u2x = $ux + $half * $a1;
            $u2y = $uy + $half * $a2;
            $u2z = $uz + $half * $a3;
            $l = $nx * $t2x + $ny * $t2y + $nz * $t2z - $u2x * $u2x - $u2y * $u2y - $u2z * $u2z;
            $b1 = $l * $t2x - $nx;
            $b2 = $l * $t2y - $ny;
            $b3 = $l * $t2z - $nz;
            $t3x = $tx + $half * $u2x;
            $t3y = $ty + $half * $u2y;
            $t3z = $tz + $half * $u2z;
            $u3x = $ux + $half * $b1;
            $u3y = $uy + $half * $b2;
            $u3z = $uz + $half * $b3;
            $l = $nx * $t3x + $ny * $t3y + $nz * $t3z - $u3x * $u3x - $u3y * $u3y - $u3z * $u3z;
            $c1 = $l * $t3x - $nx;
            $c2 = $l * $t3y - $ny;
            $c3 = $l * $t3z - $nz;
            $t4x = $tx + $h * $u3x;
            $t4y = $ty + $h * $u3y;
            $t4z = $tz + $h * $u3z;
            $u4x = $ux + $h * $c1;
            $u4y = $uy + $h * $c2;
            $u4z = $uz + $h * $c3;
            $l = $nx * $t4x + $ny * $t4y + $nz * $t4z - $u4x * $u4x - $u4y * $u4y - $u4z * $u4z;
            $sixth = $h / 6;
            $state = [
                $x + $sixth * ($tx + 2 * ($t2x + $t3x) + $t4x),
                $y + $sixth * ($ty + 2 * ($t2y + $t3y) + $t4y),
                $z + $sixth * ($tz + 2 * ($t2z + $t3z) + $t4z),
                $tx + $sixth * ($ux + 2 * ($u2x + $u3x) + $u4x),
                $ty + $sixth * ($uy + 2 * ($u2y + $u3y) + $u4y),
                $tz + $sixth * ($uz + 2 * ($u2z + $u3z) + $u4z),
                $ux + $sixth * ($a1 + 2 * ($b1 + $c1) + $l * $t4x - $nx),
                $uy + $sixth * ($a2 + 2 * ($b2 + $c2) + $l * $t4y - $ny),
                $uz + $sixth * ($a3 + 2 * ($b3 + $c3) + $l * $t4z - $nz),
            ];
            $states[] = $state;
        }

        return $states;
    }

    /** @return list<array{float, float, float, float, float, float, float, float, float}> */
    private static function ofChain(ElasticChain $chain): array
    {
        $n = count($chain->t) - 1;
        $states = [];
        $at = [0.0, 0.0, 0.0];
        foreach ($chain->t as $i => $t) {
            $before = $chain->t[max(0, $i - 1)];
            $after = $chain->t[min($n, $i + 1)];
            $span = ($i === 0 || $i === $n ? 1 : 2) / $n;
            if ($i > 0) {
                $at = [$at[0] + ($before[0] + $t[0]) / 2 / $n, $at[1] + ($before[1] + $t[1]) / 2 / $n, $at[2] + ($before[2] + $t[2]) / 2 / $n];
            }
            $states[] = [...$at, ...$t, ($after[0] - $before[0]) / $span, ($after[1] - $before[1]) / $span, ($after[2] - $before[2]) / $span];
        }

        return $states;
    }

    /** @param  list<array{float, float, float, float, float, float, float, float, float}>  $states */
    private static function drawn(array $states, Vector $from, float $length): self
    {
        $n = count($states) - 1;
        $h = $length / $n;
        $points = $directions = $along = $curvature = [];
        $energy = 0.0;
        $bends = array_map(static fn (array $s): float => sqrt($s[6] ** 2 + $s[7] ** 2 + $s[8] ** 2) / $length, $states);
        for ($i = 0; $i < $n; $i++) {
            [$a, $b] = [$states[$i], $states[$i + 1]];
            $pa = $from->plus((new Vector($a[0], $a[1], $a[2]))->times($length));
            $pb = $from->plus((new Vector($b[0], $b[1], $b[2]))->times($length));
            [$ta, $tb] = [(new Vector($a[3], $a[4], $a[5]))->unit(), (new Vector($b[3], $b[4], $b[5]))->unit()];
            [$ka, $kb] = [$bends[$i], $bends[$i + 1]];
            $energy += $h * ($ka * $ka + $kb * $kb) / 2;
            $pieces = max(1, (int) ceil($ta->angleTo($tb) / self::TURN));
            for ($j = $i === 0 ? 0 : 1; $j <= $pieces; $j++) {
                $s = $j / $pieces;
                // Cubic between the two places and tangents.
                $points[] = $pa->times((1 + 2 * $s) * (1 - $s) ** 2)->plus($ta->times($h * $s * (1 - $s) ** 2))
                    ->plus($pb->times($s * $s * (3 - 2 * $s)))->plus($tb->times($h * $s * $s * ($s - 1)));
                $directions[] = $ta->times(1 - $s)->plus($tb->times($s))->unit();
                $along[] = $h * ($i + $s);
                $curvature[] = $ka + ($kb - $ka) * $s;
            }
        }
        [$most, $at] = self::tightest(array_map(static fn (float $bend): float => $bend ** 2, $bends));

        return new self(new Curve($points, $directions, $along, $curvature, $most > 0.0 ? 1.0 / sqrt($most) : INF, $at * $h), $energy);
    }

    /**
     * The largest of the squares of curvature, by a parabola through the three about it.
     *
     * @param  list<float>  $squares
     * @return array{float, float} the largest, and where, in steps
     */
    private static function tightest(array $squares): array
    {
        $index = (int) array_search(max([0.0, ...$squares]), $squares, true);
        $middle = $squares[$index] ?? 0.0;
        $before = $squares[$index - 1] ?? null;
        $after = $squares[$index + 1] ?? null;
        $bow = $before === null || $after === null ? 0.0 : $before - 2 * $middle + $after;
        if ($bow >= -1e-300 || $before === null || $after === null) {
            return [$middle, (float) $index];
        }
        $shift = ($before - $after) / (2 * $bow);

        return [$middle - ($before - $after) * $shift / 4, $index + $shift];
    }

    /** @param  array{float, float, float, float, float}  $missed */
    private static function size(array $missed): float
    {
        $size = sqrt($missed[0] ** 2 + $missed[1] ** 2 + $missed[2] ** 2 + $missed[3] ** 2 + $missed[4] ** 2);

        return is_finite($size) ? $size : INF;
    }

    /**
     * Gauss with the largest pivot.
     *
     * @param  array<int, array<float>>  $m
     * @param  array<int, float>  $b
     * @return list<float>
     */
    private static function solve(array $m, array $b): array
    {
        $n = count($b);
        for ($i = 0; $i < $n; $i++) {
            $best = $i;
            for ($r = $i + 1; $r < $n; $r++) {
                $best = abs($m[$r][$i]) > abs($m[$best][$i]) ? $r : $best;
            }
            [$m[$i], $m[$best]] = [$m[$best], $m[$i]];
            [$b[$i], $b[$best]] = [$b[$best], $b[$i]];
            $pivot = abs($m[$i][$i]) > 1e-14 ? $m[$i][$i] : 1e-14;
            for ($r = $i + 1; $r < $n; $r++) {
                $factor = $m[$r][$i] / $pivot;
                for ($c = $i; $c < $n; $c++) {
                    $m[$r][$c] -= $factor * $m[$i][$c];
                }
                $b[$r] -= $factor * $b[$i];
            }
        }
        $x = array_fill(0, $n, 0.0);
        for ($i = $n - 1; $i >= 0; $i--) {
            $sum = $b[$i];
            for ($c = $i + 1; $c < $n; $c++) {
                $sum -= $m[$i][$c] * $x[$c];
            }
            $x[$i] = $sum / (abs($m[$i][$i]) > 1e-14 ? $m[$i][$i] : 1e-14);
        }

        return array_values($x);
    }
}
