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
 * A chain is started from arches and waves to every side and let flow downhill (ElasticChain); what it settles to
 * is solved exactly (ElasticShooting).
 */
final readonly class Elastica
{
    private const COARSE = 20;

    /** Pieces of the chains that are only looked at whether they may bend less than the direct one. */
    private const ROUGH = 12;

    /** Pieces of the two chains that shooting starts from; finer ones where it does not meet. */
    private const FINE = [32, 64, 128];

    /** How far from rest these chains may be. */
    private const ROUGHLY = 1e-6;

    /** Two curves whose energies differ by less than this part are one, or its mirror image. */
    private const SAME = 1e-3;

    /** A shape that bends less than this part of what the direct one does is taken before it. */
    private const CLEARLY_LESS = 0.85;

    /** Steps of flowing downhill after which it is looked how a chain does; what bends so many times what the direct one does by then will not come to rest with less. */
    private const LOOKS = [[5, 3.0], [5, 1.2], [6, 0.95]];

    /** It is on its way to the direct one when it bends as much as that but for this part, and adds up to the way but for that. */
    private const ALIKE = 0.02;

    private const ADDS_UP = 0.01;

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
        $hasDirect = $direct->settle(14) && is_finite($direct->energy());
        // Where only one shape is wanted, those that will not bend less need not come to rest.
        $settled = self::settled($along, $into, $way, $hasDirect && $most === 1 ? $direct : null);
        $settled = $settled === [] ? [$direct] : $settled;
        if ($hasDirect && $direct->energy() * self::CLEARLY_LESS < $settled[0]->energy()) {
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
     * The shape at rest that another goes over into when its ends or its length are changed a little.
     *
     * @return self|null null where it does not come to rest from there
     */
    public static function after(Curve $before, Vector $from, Vector $to, Vector $along, Vector $into, float $length): ?self
    {
        $way = $to->minus($from)->times(1.0 / $length);
        $tangents = array_map(
            static fn (int $i): array => $before->directionAt($before->length() * $i / self::COARSE)->toArray(), range(1, self::COARSE - 1),
        );
        $chain = new ElasticChain([$along->toArray(), ...$tangents, $into->toArray()], $way->toArray());
        $chain->flow(6);

        return $chain->settle(14) && is_finite($chain->energy()) ? self::exact($chain, $from, $along, $into, $way, $length) : null;
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

    /**
     * @param  ElasticChain|null  $direct  chains that will not come to rest with less energy than this are let go
     * @return list<ElasticChain> at rest, the least energy first, no two alike; none when all are let go
     */
    private static function settled(Vector $along, Vector $into, Vector $way, ?ElasticChain $direct): array
    {
        $tried = [];
        $pieces = $direct === null ? self::COARSE : self::ROUGH;
        $least = $direct?->refined($pieces)->energy();
        foreach (self::starts($along, $into, $way, $pieces) as $tangents) {
            $chain = new ElasticChain($tangents, $way->toArray());
            if (self::isPromising($chain, $least)) {
                $tried[] = $direct === null ? $chain : $chain->refined(self::COARSE);
            }
        }
        usort($tried, static fn (ElasticChain $a, ElasticChain $b): int => $a->energy() <=> $b->energy());
        $settled = [];
        foreach ($tried as $index => $chain) {
            $isNew = array_filter($settled, static fn (ElasticChain $other): bool => abs($other->energy() - $chain->energy()) < 0.02 * ($chain->energy() + 1e-9)) === [];
            if (! $isNew && $index > 3) {
                continue;
            }
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

        if ($different === [] && $direct !== null) {
            return [];
        }

        return $different === [] ? [$tried[0] ?? new ElasticChain(self::direct($along, $into, $way), $way->toArray())] : $different;
    }

    /** Lets a chain flow downhill for a while. */
    private static function isPromising(ElasticChain $chain, ?float $least): bool
    {
        foreach (self::LOOKS as [$steps, $times]) {
            $chain->flow($steps);
            $energy = $chain->energy();
            if (! is_finite($energy)) {
                return false;
            }
            if ($least !== null && ($energy > $times * $least || (abs($energy - $least) < self::ALIKE * $least && $chain->missed < self::ADDS_UP))) {
                return false;
            }
        }

        return true;
    }

    /**
     * Tangents to begin with: arches and waves to the sides of the way, which begin and end as they must.
     *
     * @return list<list<array{float, float, float}>>
     */
    private static function starts(Vector $along, Vector $into, Vector $way, int $pieces): array
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
            for ($i = 0; $i <= $pieces; $i++) {
                $s = $i / $pieces;
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
        $coarse = null;
        foreach (self::FINE as $pieces) {
            $chain = $chain->refined($pieces);
            $chain->settle(8, self::ROUGHLY);
            $states = $coarse === null ? null : ElasticShooting::from($coarse, $chain, $along, $into, $way);
            if ($states !== null) {
                return self::drawn($states, $from, $length);
            }
            $coarse = $chain;
        }
        $chain->settle(8);
        $fine = $chain->refined(2 * (count($chain->t) - 1));
        $fine->settle(8);

        return self::drawn(self::ofChains($chain, $fine), $from, $length);
    }

    /**
     * What two chains say, the one of twice as many pieces, without the error that goes with the square of a piece
     * (Richardson); derivatives by five places, and the way between two from both their ends.
     *
     * @return list<array{float, float, float, float, float, float, float, float, float}>
     */
    private static function ofChains(ElasticChain $coarse, ElasticChain $fine): array
    {
        $n = count($coarse->t) - 1;
        $t = array_map(
            static fn (array $rough, int $i): Vector => (new Vector(...$fine->t[2 * $i]))->times(4 / 3)->minus((new Vector(...$rough))->times(1 / 3))->unit(),
            $coarse->t, array_keys($coarse->t),
        );
        $sum = static function (int $first, int ...$weights) use ($t, $n): Vector {
            $total = Vector::zero();
            foreach (array_values($weights) as $k => $weight) {
                $total = $total->plus($t[$first + $k]->times($weight));
            }

            return $total->times($n / 12);
        };
        $states = [];
        $at = $before = Vector::zero();
        foreach ($t as $i => $tangent) {
            $turn = match (true) {
                $i === 0 => $sum(0, -25, 48, -36, 16, -3),
                $i === 1 => $sum(0, -3, -10, 18, -6, 1),
                $i === $n - 1 => $sum($n - 4, -1, 6, -18, 10, 3),
                $i === $n => $sum($n - 4, 3, -16, 36, -48, 25),
                default => $sum($i - 2, 1, -8, 0, 8, -1),
            };
            if ($i > 0) {
                $at = $at->plus($t[$i - 1]->plus($tangent)->times(0.5 / $n))->plus($before->minus($turn)->times(1 / (12 * $n * $n)));
            }
            $before = $turn;
            $states[] = [...$at->toArray(), ...$tangent->toArray(), ...$turn->toArray()];
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
            [$ax, $ay, $az, $tx, $ty, $tz] = $states[$i];
            [$bx, $by, $bz, $vx, $vy, $vz] = $states[$i + 1];
            [$ka, $kb] = [$bends[$i], $bends[$i + 1]];
            $energy += $h * ($ka * $ka + $kb * $kb) / 2;
            $pieces = max(1, (int) ceil(2.0 * asin(min(1.0, sqrt(($tx - $vx) ** 2 + ($ty - $vy) ** 2 + ($tz - $vz) ** 2) / 2)) / self::TURN));
            for ($j = $i === 0 ? 0 : 1; $j <= $pieces; $j++) {
                $s = $j / $pieces;
                // Cubic between the two places and tangents.
                $a0 = (1 + 2 * $s) * (1 - $s) ** 2 * $length;
                $a1 = $h * $s * (1 - $s) ** 2;
                $b0 = $s * $s * (3 - 2 * $s) * $length;
                $b1 = $h * $s * $s * ($s - 1);
                $points[] = new Vector(
                    $from->x + $ax * $a0 + $tx * $a1 + $bx * $b0 + $vx * $b1, $from->y + $ay * $a0 + $ty * $a1 + $by * $b0 + $vy * $b1,
                    $from->z + $az * $a0 + $tz * $a1 + $bz * $b0 + $vz * $b1,
                );
                [$dx, $dy, $dz] = [$tx + ($vx - $tx) * $s, $ty + ($vy - $ty) * $s, $tz + ($vz - $tz) * $s];
                $size = sqrt($dx * $dx + $dy * $dy + $dz * $dz);
                $directions[] = new Vector($dx / $size, $dy / $size, $dz / $size);
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
}
