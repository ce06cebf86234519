<?php

declare(strict_types=1);

namespace Bowline\Curves;

use Bowline\Geometry\Curve;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/**
 * The shapes at rest of an elastic line of given length, clamped at both ends in place and direction and free to
 * swivel: the local minima of ∫κ² ds (Euler's elastica in space). Where it is pulled nearly straight there is one,
 * in closed form (TautElastica). Elsewhere chains are let down from arches and loops to their minima (ElasticChain),
 * and those are refined (ElasticRefinement) to about 1e-7 of their energy and curvature.
 */
final readonly class Elastica
{
    /** A perpendicular component of unit directions shorter than this defines no side. */
    private const NO_SIDE = 1e-3;

    /** Pieces of the chains that search for minima. */
    private const PIECES = 20;

    /** Pieces of those chains over one decay length of the bend at a pulled end. */
    private const STEPS_A_DECAY = 4.0;

    /** Steps of descent before Newton's method, and the most steps of that. */
    private const FLOW_STEPS = 4;

    private const NEWTON_STEPS = 60;

    /** Two chains whose energies differ by less than this share are the same shape, or mirror images. */
    private const SAME_ENERGY = 1e-5;

    /** Chains within this share of the least energy may change their order when refined: the error of a chain. */
    private const CHAIN_ERROR = 0.08;

    /** Shapes whose energies differ by less than this share may be the same shape in a nearly flat valley. */
    private const FLAT_VALLEY = 1e-3;

    /** Largest turn between two points of the curve that is returned, radians. */
    private const TURN = 0.5 * M_PI / 180;

    /** Turn of a tangent that displaces a chain from a saddle, radians. */
    private const OFF_SADDLE = 0.3;

    /**
     * @param  float  $energy  ∫κ² ds, 1/mm
     * @param  bool  $jumped  whether the shape it was followed from had stopped being stable
     * @param  bool  $isRefined  false where corrections did not converge and a chain of many pieces stands in
     */
    private function __construct(
        public Curve $curve,
        public float $energy,
        public bool $jumped = false,
        private bool $isRefined = true,
    ) {
    }

    /**
     * @param  Vector  $along  unit, travel out of the start
     * @param  Vector  $into  unit, travel into the end
     * @param  float  $length  mm, more than the distance of the two points
     * @param  int  $most  how many shapes are wanted
     * @return non-empty-list<self> stable shapes, the least energy first; of mirror images one
     */
    public static function between(
        Vector $from,
        Vector $to,
        Vector $along,
        Vector $into,
        float $length,
        int $most = 1,
    ): array {
        $way = $to->minus($from)->times(1.0 / $length);
        $taut = TautElastica::between($along, $into, $way);
        if ($taut?->isExact() === true) {
            return [self::ofTaut($taut, $from, $to, $length)];
        }
        $grading = Grading::forDecay(self::PIECES, $taut->decay ?? 1.0, self::STEPS_A_DECAY);
        $minima = self::minima($along, $into, $way, $grading);
        $images = new MirrorImages($along, $into, $way);
        $refined = [];
        $farthest = INF;
        foreach ($minima as $index => $chain) {
            // More chains than asked for are refined where the errors of the chains could have changed their order.
            if ($index >= $most && $chain->energy() > $farthest) {
                break;
            }
            $farthest = $index < $most ? $chain->energy() * (1.0 + self::CHAIN_ERROR) : $farthest;
            $refined[] = self::refined($images->preferred($chain), $from, $to, $way, $length);
        }
        // A chain that does not converge beside one of nearly its energy is the same shape in a flat valley.
        $refined = array_filter(
            $refined,
            static fn (self $one): bool => $one->isRefined ||
                array_filter(
                    $refined,
                    static fn (self $other): bool => $other->isRefined &&
                        abs($other->energy / $one->energy - 1.0) < self::FLAT_VALLEY,
                ) === [],
        );
        usort($refined, static fn (self $a, self $b): int => $a->energy <=> $b->energy);
        $wanted = array_slice($refined, 0, max(1, $most));
        assert($wanted !== []);

        return $wanted;
    }

    /**
     * Returns the shape that another becomes when its ends or its length change a little: the same minimum while that
     * is stable, and otherwise the minimum below it.
     */
    public static function after(
        Curve $before,
        Vector $from,
        Vector $to,
        Vector $along,
        Vector $into,
        float $length,
    ): ?self {
        $way = $to->minus($from)->times(1.0 / $length);
        $taut = TautElastica::between($along, $into, $way);
        if ($taut?->isExact() === true) {
            return self::ofTaut($taut, $from, $to, $length);
        }
        $grading = Grading::forDecay(self::PIECES, $taut->decay ?? 1.0, self::STEPS_A_DECAY);
        $tangents = array_map(
            static fn (float $place): array => $before->directionAt($before->length() * $place)->toArray(),
            array_slice($grading->places(), 1, -1),
        );
        $chain = new ElasticChain(
            [$along->toArray(), ...$tangents, $into->toArray()],
            $way->toArray(),
            $grading->pieces(),
        );
        $chain->flow(2);
        if (! $chain->minimise(self::NEWTON_STEPS)) {
            return null;
        }
        $jumped = false;
        if (! $chain->isStable()) {
            $below = self::below($chain);
            if ($below === []) {
                return null;
            }
            $jumped = $below[0]->energy() < $chain->energy() * (1.0 - self::CHAIN_ERROR);
            $chain = $below[0];
        }
        $shape = self::refined($chain, $from, $to, $way, $length);

        return $jumped ? new self($shape->curve, $shape->energy, true) : $shape;
    }

    /** @return non-empty-list<ElasticChain> minima that were found, the least energy first, no two alike */
    private static function minima(Vector $along, Vector $into, Vector $way, Grading $grading): array
    {
        $minima = [];
        $pieces = $grading->pieces();
        $last = new ElasticChain(self::cubic($along, $into, $way, $grading->places()), $way->toArray(), $pieces);
        foreach (self::starts($along, $into, $way, $grading->places()) as $tangents) {
            $last = $chain = new ElasticChain($tangents, $way->toArray(), $pieces);
            $chain->flow(self::FLOW_STEPS);
            if (! $chain->minimise(self::NEWTON_STEPS)) {
                continue;
            }
            array_push($minima, ...($chain->isStable() ? [$chain] : self::below($chain)));
        }
        usort($minima, static fn (ElasticChain $a, ElasticChain $b): int => $a->energy() <=> $b->energy());
        $different = [];
        foreach ($minima as $chain) {
            $before = $different === [] ? -INF : $different[count($different) - 1]->energy();
            if ($chain->energy() - $before > self::SAME_ENERGY * ($chain->energy() + Tolerance::NOTHING)) {
                $different[] = $chain;
            }
        }

        return $different === [] ? [$last] : $different;
    }

    /**
     * Returns the minima below a saddle: the least energy first, of two mirror images the preferred one.
     *
     * @return list<ElasticChain>
     */
    private static function below(ElasticChain $saddle): array
    {
        $below = [];
        foreach ($saddle->offSaddle(self::OFF_SADDLE) as $chain) {
            if ($chain->minimise(self::NEWTON_STEPS) && $chain->isStable()) {
                $below[] = $chain;
            }
        }
        if (count($below) === 2 && $below[1]->energy() < $below[0]->energy() * (1.0 - self::SAME_ENERGY)) {
            return [$below[1], $below[0]];
        }

        return $below;
    }

    /**
     * Returns start tangents: the cubic between both ends, arches to two sides of the way, and loops.
     *
     * @param  list<float>  $places
     * @return non-empty-list<list<array{float, float, float}>>
     */
    private static function starts(Vector $along, Vector $into, Vector $way, array $places): array
    {
        $starts = [self::cubic($along, $into, $way, $places)];
        $chord = $way->length() > Tolerance::PARALLEL ? $way->unit() : $along;
        $square = static fn (Vector $vector): Vector => $vector->minus($chord->times($vector->dot($chord)));
        $aside = $square($along->minus($into));
        $aside = $aside->length() > self::NO_SIDE ? $aside : $square($along->plus($into));
        $aside = $aside->length() > self::NO_SIDE ? $aside->unit() : $chord->anySquare();
        foreach ([$aside, $chord->cross($aside)] as $side) {
            $starts[] = self::arch($along, $into, $way, $chord, $side, $places);
        }
        $axis = $along->cross($into);
        $axis = $axis->length() > self::NO_SIDE ? $axis->unit() : $along->anySquare();
        foreach ([$axis, $axis->times(-1.0)] as $normal) {
            $starts[] = self::turning($along, $into, $normal, $places);
        }

        return $starts;
    }

    /**
     * @param  list<float>  $places
     * @return list<array{float, float, float}> tangents of an arch that leaves the way to one side and returns, about
     *     as long as the line
     */
    private static function arch(
        Vector $along,
        Vector $into,
        Vector $way,
        Vector $chord,
        Vector $side,
        array $places,
    ): array {
        $slack = 1.0 / max($way->length(), 0.05) - 1.0;
        $swing = min(2.3, 2.0 * sqrt($slack));
        $tangents = [];
        foreach ($places as $s) {
            $angle = $swing * cos(M_PI * $s);
            // Near its ends the arch blends into the directions in which it is held.
            $start = max(0.0, 1.0 - 5.0 * $s) ** 2;
            $end = max(0.0, 5.0 * $s - 4.0) ** 2;
            $own = $chord->times(cos($angle))->plus($side->times(sin($angle)));
            $blend = $along->times($start)->plus($into->times($end))->plus($own->times(1.0 - $start - $end));
            $tangents[] = ($blend->length() > Tolerance::NO_SIDE ? $blend->unit() : $side)->toArray();
        }

        return [$along->toArray(), ...array_slice($tangents, 1, -1), $into->toArray()];
    }

    /**
     * @param  list<float>  $places
     * @return list<array{float, float, float}> tangents of the plain cubic between the two places and directions
     */
    private static function cubic(Vector $along, Vector $into, Vector $way, array $places): array
    {
        $tangents = [];
        foreach ($places as $s) {
            $tangent = $way
                ->times(6 * $s * (1 - $s))
                ->plus($along->times((1 - $s) * (1 - 3 * $s)))
                ->plus($into->times($s * (3 * $s - 2)));
            $tangents[] = ($tangent->length() > Tolerance::NO_SIDE ? $tangent->unit() : $along->anySquare())->toArray();
        }

        return $tangents;
    }

    /**
     * @param  list<float>  $places
     * @return list<array{float, float, float}> tangents that turn once about a normal on their way from the first to
     *     the last
     */
    private static function turning(Vector $along, Vector $into, Vector $normal, array $places): array
    {
        $tangents = [];
        foreach ($places as $s) {
            $blend = $along
                ->turnedAbout($normal, 2 * M_PI * $s)
                ->times(1.0 - $s)
                ->plus($into->turnedAbout($normal, 2 * M_PI * ($s - 1.0))->times($s));
            $tangents[] = ($blend->length() > Tolerance::NO_SIDE ? $blend->unit() : $normal)->toArray();
        }

        return [$along->toArray(), ...array_slice($tangents, 1, -1), $into->toArray()];
    }

    private static function refined(ElasticChain $chain, Vector $from, Vector $to, Vector $way, float $length): self
    {
        $refinement = ElasticRefinement::of($chain, $way->toArray());
        if ($refinement === null) {
            // Beside a point where it stops being stable the corrections may not converge; a chain of many pieces is
            // used instead.
            $fine = $chain->withPieces(10 * self::PIECES);
            $fine->minimise(20);

            return self::drawn(ElasticRefinement::unrefined($fine, $way->toArray()), $from, $to, $length, false);
        }

        return self::drawn($refinement, $from, $to, $length, true);
    }

    private static function ofTaut(TautElastica $taut, Vector $from, Vector $to, float $length): self
    {
        $points = $directions = $along = $curvature = [];
        $shape = $taut->points(self::TURN);
        $left = self::leftover($shape[0][1], $shape[count($shape) - 1][1], $from, $to, $length);
        foreach ($shape as [$place, $point, $tangent, $bend]) {
            $points[] = $from->plus($point->minus($shape[0][1])->plus($left->times($place))->times($length));
            $directions[] = $tangent->unit();
            $along[] = $place * $length;
            $curvature[] = $bend / $length;
        }
        $points = [$from, ...array_slice($points, 1, -1), $to];
        [$most, $place] = $taut->tightest();

        return new self(
            new Curve($points, $directions, $along, $curvature, $most > 0.0 ? $length / $most : INF, $place * $length),
            $taut->energy() / $length,
        );
    }

    /**
     * Returns what rounding and the last iteration left between the end and its place; it is spread over the length.
     */
    private static function leftover(Vector $start, Vector $end, Vector $from, Vector $to, float $length): Vector
    {
        return $to->minus($from)->times(1.0 / $length)->minus($end->minus($start));
    }

    private static function drawn(
        ElasticRefinement $shape,
        Vector $from,
        Vector $to,
        float $length,
        bool $isRefined,
    ): self {
        $states = $shape->states();
        $end = $states[count($states) - 1];
        $left = self::leftover(Vector::zero(), new Vector($end[1], $end[2], $end[3]), $from, $to, $length);
        $points = $directions = $along = $curvature = [];
        foreach ($states as $i => [$b, $bx, $by, $bz, $vx, $vy, $vz, $kb]) {
            if ($i === 0) {
                [$points[], $directions[], $along[], $curvature[]] = [
                    $from,
                    new Vector($vx, $vy, $vz),
                    0.0,
                    $kb / $length,
                ];

                continue;
            }
            [$a, $ax, $ay, $az, $tx, $ty, $tz, $ka] = $states[$i - 1];
            $h = $b - $a;
            $pieces = Tolerance::pieces(
                (2.0 * asin(min(1.0, sqrt(($tx - $vx) ** 2 + ($ty - $vy) ** 2 + ($tz - $vz) ** 2) / 2))) / self::TURN,
            );
            for ($j = 1; $j <= $pieces; $j++) {
                $s = $j / $pieces;
                // Cubic between the two points and tangents.
                $a0 = (1 + 2 * $s) * (1 - $s) ** 2;
                $a1 = $h * $s * (1 - $s) ** 2;
                $b0 = $s * $s * (3 - 2 * $s);
                $b1 = $h * $s * $s * ($s - 1);
                $place = $a + $h * $s;
                $points[] = new Vector(
                    $from->x + $length * ($ax * $a0 + $tx * $a1 + $bx * $b0 + $vx * $b1 + $left->x * $place),
                    $from->y + $length * ($ay * $a0 + $ty * $a1 + $by * $b0 + $vy * $b1 + $left->y * $place),
                    $from->z + $length * ($az * $a0 + $tz * $a1 + $bz * $b0 + $vz * $b1 + $left->z * $place),
                );
                [$dx, $dy, $dz] = [$tx + ($vx - $tx) * $s, $ty + ($vy - $ty) * $s, $tz + ($vz - $tz) * $s];
                $size = sqrt($dx * $dx + $dy * $dy + $dz * $dz);
                $directions[] = new Vector($dx / $size, $dy / $size, $dz / $size);
                $along[] = $length * $place;
                $curvature[] = ($ka + ($kb - $ka) * $s) / $length;
            }
        }
        [$points, $along] = [[...array_slice($points, 0, -1), $to], [...array_slice($along, 0, -1), $length]];
        [$most, $place] = $shape->tightest();

        return new self(
            new Curve($points, $directions, $along, $curvature, $most > 0.0 ? $length / $most : INF, $place * $length),
            $shape->energy() / $length,
            false,
            $isRefined,
        );
    }
}
