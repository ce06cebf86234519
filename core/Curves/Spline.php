<?php

declare(strict_types=1);

namespace Bowline\Curves;

use Bowline\Geometry\Curve;
use Bowline\Geometry\GoldenSection;
use Bowline\Geometry\LinearSystem;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/**
 * A smooth curve through points: the cubic spline over the chord lengths, with continuous curvature. An end with a
 * direction is held to it; one without ends straight. Where the curve is held to a direction at an inner point, the
 * span behind that point has one more knot, placed so that curvature is continuous through both.
 */
final class Spline
{
    /** Accuracy of a parameter within a piece, as a share of the piece. */
    private const PLACE_ACCURACY = 1e-10;

    /** Largest turn between two points, radians. */
    private const TURN = 0.5 * M_PI / 180;

    /** Fewest and first most pieces of a part of a span; those that turn too much are halved. */
    private const MIN_PIECES = 2;

    private const MAX_PIECES = 40;

    /** Smallest piece, as a share of a span. */
    private const LEAST_PIECE = 1e-6;

    /** Parts of a span, and samples in each of how much it turns. */
    private const TURN_PARTS = 8;

    private const SAMPLES_PER_PART = 3;

    /** Samples of a span for a rough smallest radius. */
    private const RADIUS_SAMPLES = 12;

    /**
     * Parts of a span whose length is first integrated, most bisections of each, and the change by a bisection that is
     * accepted.
     */
    private const MEASURED_PARTS = 4;

    private const MOST_HALVINGS = 12;

    private const SAME_LENGTH = 1e-8;

    /** Maxima of curvature are refined beside points within this share of the largest. */
    private const RIVAL_SHARE = 0.97;

    /** Most steps of the golden section about each. */
    private const MOST_STEPS = 40;

    /** Gauss's three points on [0, 1] and their weights, for the length of a piece, which hardly turns. */
    private const GAUSS_POINTS = [[0.112701665379258, 5 / 18], [0.5, 8 / 18], [0.887298334620742, 5 / 18]];

    /** @var list<float> length of each chord */
    private array $spans = [];

    /** @var list<Vector> derivative at each point */
    private array $slopes;

    /** @var list<Vector> with the knots it has got besides */
    private array $points;

    /**
     * @param  non-empty-list<Vector>  $told  no two that follow one another the same
     * @param  Vector|null  $along  out of the first: a unit direction times its pull
     * @param  Vector|null  $into  into the last
     * @param  array<int, Vector>  $held  the same at points between
     * @param  array{float, float}  $knots  length by which the first span counts, and the last, as multiples of their
     *     chords: not 1 where it is a part of a span of another spline
     */
    private function __construct(
        private readonly array $told,
        ?Vector $along,
        ?Vector $into,
        array $held,
        array $knots,
    ) {
        $this->points = $told;
        for ($i = 1, $count = count($told); $i < $count; $i++) {
            $this->spans[] = $told[$i]->distanceTo($told[$i - 1]) * ($i === 1 ? $knots[0] : 1.0)
                * ($i === $count - 1 ? $knots[1] : 1.0);
        }
        if ($held === []) {
            $this->slopes = $this->solve($along, $into);
        } else {
            $this->solveHeld($along, $into, $held);
        }
    }

    /**
     * Returns the curve through points. A direction is a unit vector times its pull: 1 for the natural speed, more to
     * carry it farther.
     *
     * @param  non-empty-list<Vector>  $points
     * @param  array<int, Vector>  $held  directions at inner points, by their index
     * @param  array{float, float}  $knots  lengths of its first and last span, as multiples of their chords
     */
    public static function through(
        array $points,
        ?Vector $along,
        ?Vector $into,
        array $held = [],
        array $knots = [1.0, 1.0],
    ): Curve {
        $spline = self::of($points, $along, $into, $held, $knots);

        return $spline === null ? Curve::straight($points[0], $points[count($points) - 1]) : $spline->curve();
    }

    /**
     * Returns how it is divided at a developed length: both parts are splines of their own through the points before
     * and behind, held to its derivative there.
     *
     * @param  non-empty-list<Vector>  $points
     * @param  array<int, Vector>  $held
     * @param  array{float, float}  $knots
     * @param  float  $length  mm
     * @return array{Vector, float, float}|null the derivative, and what the spans before and behind the place count as
     *     multiples of their chords; null where it has no such length
     */
    public static function divided(
        array $points,
        ?Vector $along,
        ?Vector $into,
        array $held,
        array $knots,
        float $length,
    ): ?array {
        $spline = self::of($points, $along, $into, $held, $knots);
        if ($spline === null) {
            return null;
        }
        foreach (array_keys($spline->spans) as $span) {
            $whole = $spline->exactLength($span, 0.0, 1.0, $spline->length($span, 0.0, 1.0), 0);
            if ($length > $whole) {
                $length -= $whole;

                continue;
            }
            [$low, $high] = [0.0, 1.0];
            while ($high - $low > self::PLACE_ACCURACY) {
                $s = ($low + $high) / 2;
                $before = $spline->exactLength($span, 0.0, $s, $spline->length($span, 0.0, $s), 0);
                [$low, $high] = $before < $length ? [$s, $high] : [$low, $s];
            }
            $s = ($low + $high) / 2;
            [$x, $y, $z, $u, $v, $w] = $spline->at($span, $s);
            $at = new Vector($x, $y, $z);
            $count = static fn (float $part, Vector $end): float => $end->distanceTo($at) > Tolerance::COINCIDENT
                ? $part * $spline->spans[$span] / $end->distanceTo($at)
                : 1.0;

            return [
                new Vector($u, $v, $w), $count($s, $spline->points[$span]),
                $count(1.0 - $s, $spline->points[$span + 1]),
            ];
        }

        return null;
    }

    /**
     * Returns its length without drawing it, to a relative accuracy of about 1e-9.
     *
     * @param  non-empty-list<Vector>  $points
     * @param  array<int, Vector>  $held
     * @param  array{float, float}  $knots
     */
    public static function measured(
        array $points,
        ?Vector $along,
        ?Vector $into,
        array $held = [],
        array $knots = [1.0, 1.0],
    ): float {
        $spline = self::of($points, $along, $into, $held, $knots);
        if ($spline === null) {
            return $points[0]->distanceTo($points[count($points) - 1]);
        }
        $length = 0.0;
        foreach (array_keys($spline->spans) as $span) {
            for ($i = 0; $i < self::MEASURED_PARTS; $i++) {
                [$from, $to] = [$i / self::MEASURED_PARTS, ($i + 1) / self::MEASURED_PARTS];
                $length += $spline->exactLength($span, $from, $to, $spline->length($span, $from, $to), 0);
            }
        }

        return $length;
    }

    /** Returns the length of a part of a span, halved until both halves add up to the whole. */
    private function exactLength(int $span, float $from, float $to, float $whole, int $depth): float
    {
        $middle = ($from + $to) / 2;
        $left = $this->length($span, $from, $middle);
        $right = $this->length($span, $middle, $to);
        if ($depth >= self::MOST_HALVINGS || abs($left + $right - $whole) < self::SAME_LENGTH * ($left + $right)) {
            return $left + $right;
        }

        return $this->exactLength($span, $from, $middle, $left, $depth + 1) +
            $this->exactLength($span, $middle, $to, $right, $depth + 1);
    }

    /**
     * Returns its smallest radius from few samples.
     *
     * @param  non-empty-list<Vector>  $points
     * @param  array<int, Vector>  $held
     */
    public static function roughRadius(array $points, ?Vector $along, ?Vector $into, array $held = []): float
    {
        $spline = self::of($points, $along, $into, $held);
        if ($spline === null) {
            return INF;
        }
        $most = 0.0;
        foreach (array_keys($spline->spans) as $span) {
            for ($i = 0; $i <= self::RADIUS_SAMPLES; $i++) {
                $most = max($most, self::bend($spline->at($span, $i / self::RADIUS_SAMPLES))[0]);
            }
        }

        return $most > 0.0 ? 1.0 / $most : INF;
    }

    /**
     * @param  non-empty-list<Vector>  $points
     * @param  array<int, Vector>  $held
     * @param  array{float, float}  $knots
     */
    private static function of(
        array $points,
        ?Vector $along,
        ?Vector $into,
        array $held,
        array $knots = [1.0, 1.0],
    ): ?self {
        $kept = $heldThere = [];
        foreach ($points as $index => $point) {
            if ($kept === [] || $point->distanceTo($kept[count($kept) - 1]) > Tolerance::COINCIDENT) {
                $kept[] = $point;
                if (isset($held[$index])) {
                    $heldThere[count($kept) - 1] = $held[$index];
                }
            }
        }
        unset($heldThere[0], $heldThere[count($kept) - 1]);

        return count($kept) < 2 ? null : new self($kept, $along, $into, $heldThere, $knots);
    }

    /**
     * Solves with directions held at inner points: one more knot behind each of them, in the middle of its span by
     * parameter, whose point and slope follow from continuous curvature there and at the held point.
     *
     * @param  array<int, Vector>  $held
     */
    private function solveHeld(?Vector $along, ?Vector $into, array $held): void
    {
        $places = $spans = $slopes = [];
        foreach ($this->told as $i => $point) {
            $places[] = $point;
            $slopes[] = $held[$i] ?? null;
            if (! isset($this->spans[$i])) {
                continue;
            }
            if (isset($held[$i])) {
                $places[] = null;
                $slopes[] = null;
                array_push($spans, $this->spans[$i] / 2, $this->spans[$i] / 2);
            } else {
                $spans[] = $this->spans[$i];
            }
        }
        $last = count($places) - 1;
        $slopes[0] = $along;
        $slopes[$last] = $into;
        // Unknowns: the slopes that are not given, then the points of the knots.
        $slopeAt = array_flip(array_keys(array_filter($slopes, static fn (?Vector $slope): bool => $slope === null)));
        $placeAt = array_map(
            static fn (int $n): int => $n + count($slopeAt),
            array_flip(array_keys(array_filter($places, static fn (?Vector $place): bool => $place === null))),
        );
        $size = count($slopeAt) + count($placeAt);
        $matrix = $rights = [];
        for ($i = 0; $i <= $last; $i++) {
            $row = array_fill(0, $size, 0.0);
            $right = Vector::zero();
            $slope = static function (int $k, float $by) use (&$row, &$right, $slopes, $slopeAt): void {
                if (isset($slopeAt[$k])) {
                    $row[$slopeAt[$k]] += $by;
                } else {
                    $right = $right->minus(($slopes[$k] ?? Vector::zero())->times($by));
                }
            };
            $place = static function (int $k, float $by) use (&$row, &$right, $places, $placeAt): void {
                if (isset($placeAt[$k])) {
                    $row[$placeAt[$k]] -= $by;
                } else {
                    $right = $right->plus(($places[$k] ?? Vector::zero())->times($by));
                }
            };
            if ($i > 0 && $i < $last) {
                [$before, $after] = [$spans[$i - 1], $spans[$i]];
                $slope($i - 1, $after);
                $slope($i, 2 * ($before + $after));
                $slope($i + 1, $before);
                $place($i - 1, -3 * $after / $before);
                $place($i, 3 * $after / $before - 3 * $before / $after);
                $place($i + 1, 3 * $before / $after);
            } elseif ($slopes[$i] === null) {
                // A free end has no curvature.
                [$near, $span] = $i === 0 ? [1, $spans[0]] : [$last - 1, $spans[$last - 1]];
                $slope($i, 2.0);
                $slope($near, 1.0);
                $place(max($i, $near), 3.0 / $span);
                $place(min($i, $near), -3.0 / $span);
            } else {
                continue;
            }
            $matrix[] = $row;
            foreach ($right->toArray() as $axis => $part) {
                $rights[$axis][] = $part;
            }
        }
        $solved = array_map(static fn (array $right): array => LinearSystem::solved($matrix, $right), $rights);
        $found = static fn (int $n): Vector => new Vector(
            $solved[0][$n] ?? 0.0,
            $solved[1][$n] ?? 0.0,
            $solved[2][$n] ?? 0.0,
        );
        $this->points = array_map(
            static fn (int $k): Vector => $places[$k] ?? $found($placeAt[$k]),
            array_keys($places),
        );
        $this->slopes = array_map(
            static fn (int $k): Vector => $slopes[$k] ?? $found($slopeAt[$k]),
            array_keys($slopes),
        );
        $this->spans = $spans;
    }

    /** @return list<Vector> the tridiagonal system for the derivatives, by elimination */
    private function solve(?Vector $along, ?Vector $into): array
    {
        $n = count($this->points) - 1;
        $upper = $right = [];
        for ($i = 0; $i <= $n; $i++) {
            if ($i === 0 || $i === $n) {
                $held = $i === 0 ? $along : $into;
                $chord = $i === 0 ? 0 : $n - 1;
                $mean = $this->points[$chord + 1]->minus($this->points[$chord])->times(1.0 / $this->spans[$chord]);
                // Held end: its derivative is given. Free end: no curvature.
                [$a, $b, $c, $r] =
                    $held !== null
                        ? [0.0, 1.0, 0.0, $held]
                        : ($i === 0
                            ? [0.0, 2.0, 1.0, $mean->times(3.0)]
                            : [1.0, 2.0, 0.0, $mean->times(3.0)]);
            } else {
                [$before, $after] = [$this->spans[$i - 1], $this->spans[$i]];
                $a = $after;
                $b = 2 * ($before + $after);
                $c = $before;
                $r = $this->points[$i]->minus($this->points[$i - 1])->times(3 * $after / $before)
                    ->plus($this->points[$i + 1]->minus($this->points[$i])->times(3 * $before / $after));
            }
            $pivot = $b - ($i > 0 ? $a * $upper[$i - 1] : 0.0);
            $upper[$i] = $c / $pivot;
            $right[$i] = ($i > 0 ? $r->minus($right[$i - 1]->times($a)) : $r)->times(1.0 / $pivot);
        }
        for ($i = $n - 1; $i >= 0; $i--) {
            $right[$i] = $right[$i]->minus($right[$i + 1]->times($upper[$i]));
        }

        return array_values($right);
    }

    private function curve(): Curve
    {
        $points = $directions = $along = $curvature = [];
        $length = 0.0;
        $looks = [];
        $straight = cos(self::TURN);
        foreach (array_keys($this->spans) as $span) {
            $before = 0.0;
            $direction = null;
            $ahead = array_reverse($this->places($span));
            while ($ahead !== []) {
                $s = $ahead[count($ahead) - 1];
                $at = $this->at($span, $s);
                [$bend, $size] = self::bend($at);
                $next = new Vector($at[3] / $size, $at[4] / $size, $at[5] / $size);
                if ($direction !== null && $next->dot($direction) < $straight && $s - $before > self::LEAST_PIECE) {
                    $ahead[] = ($before + $s) / 2;

                    continue;
                }
                array_pop($ahead);
                if ($direction !== null) {
                    $length += $this->length($span, $before, $s);
                }
                $looks[$span][] = [$s, $bend, $length];
                if ($direction !== null || $span === 0) {
                    $points[] = new Vector($at[0], $at[1], $at[2]);
                    $directions[] = $next;
                    $along[] = $length;
                    $curvature[] = $bend;
                }
                [$before, $direction] = [$s, $next];
            }
        }
        [$most, $place] = $this->tightest($looks, max([0.0, ...$curvature]));

        return new Curve(
            $points,
            $directions,
            $along,
            $curvature,
            $most > 0.0 ? 1.0 / $most : INF,
            $place,
            $this->told,
        );
    }

    /** @return list<float> places in a span, 0 to 1, between which it turns by about TURN at most */
    private function places(int $span): array
    {
        $places = [0.0];
        [$x, $y, $z] = $this->slopes[$span]->toArray();
        $turned = [];
        for ($i = 1; $i <= self::TURN_PARTS * self::SAMPLES_PER_PART; $i++) {
            [, , , $u, $v, $w] = $this->at($span, $i / (self::TURN_PARTS * self::SAMPLES_PER_PART));
            $turned[] = atan2(
                sqrt(($y * $w - $z * $v) ** 2 + ($z * $u - $x * $w) ** 2 + ($x * $v - $y * $u) ** 2),
                $x * $u + $y * $v + $z * $w,
            );
            [$x, $y, $z] = [$u, $v, $w];
        }
        foreach (array_chunk($turned, self::SAMPLES_PER_PART) as $part => $turns) {
            // Estimated as if all of the part turned as much as its sharpest sample.
            $pieces = min(
                self::MAX_PIECES,
                max(self::MIN_PIECES, Tolerance::pieces((self::SAMPLES_PER_PART * max($turns)) / self::TURN)),
            );
            for ($i = 1; $i <= $pieces; $i++) {
                $places[] = ($part + $i / $pieces) / self::TURN_PARTS;
            }
        }

        return $places;
    }

    /**
     * Finds the largest curvature. At an inner point it is continuous but may have a kink, so it is searched within
     * each span by golden section beside every point that has nearly the largest.
     *
     * @param  array<int, list<array{float, float, float}>>  $looks  of each span: parameter, curvature and developed
     *     length of each point
     * @param  float  $most  largest curvature at any of these points
     * @return array{float, float} largest curvature and its developed length
     */
    private function tightest(array $looks, float $most): array
    {
        $best = [$most, 0.0];
        foreach ($looks as $span => $own) {
            foreach ($own as $i => [$s, $bend, $length]) {
                if ($bend === $most) {
                    $best = $best[0] > $most ? $best : [$most, $length];
                }
                if (
                    $bend < self::RIVAL_SHARE * $most ||
                    $bend < ($own[$i - 1][1] ?? 0.0) ||
                    $bend < ($own[$i + 1][1] ?? 0.0)
                ) {
                    continue;
                }
                [$low, $high] = [$own[$i - 1][0] ?? $s, $own[$i + 1][0] ?? $s];
                if ($low >= $high) {
                    continue;
                }
                [$middle, $negative] = GoldenSection::least(
                    fn (float $s): float => -self::bend($this->at($span, $s))[0],
                    $low,
                    $high,
                    min(self::MOST_STEPS, GoldenSection::steps($high - $low, self::PLACE_ACCURACY)),
                );
                if (-$negative > $best[0]) {
                    $place =
                        $middle <= $s || ! isset($own[$i + 1])
                            ? $length - $this->length($span, $middle, $s)
                            : $length + $this->length($span, $s, $middle);
                    $best = [-$negative, $place];
                }
            }
        }

        return $best;
    }

    /** Plain floats: most of the time of a curve is spent here. */
    private function length(int $span, float $from, float $to): float
    {
        $h = $this->spans[$span];
        [$p, $q, $m, $n] = [
            $this->points[$span],
            $this->points[$span + 1],
            $this->slopes[$span],
            $this->slopes[$span + 1],
        ];
        [$x, $y, $z] = [($q->x - $p->x) / $h, ($q->y - $p->y) / $h, ($q->z - $p->z) / $h];
        $sum = 0.0;
        foreach (self::GAUSS_POINTS as [$at, $weight]) {
            $s = $from + ($to - $from) * $at;
            [$a, $b, $c] = [6 * $s * (1 - $s), (1 - $s) * (1 - 3 * $s), $s * (3 * $s - 2)];
            [$dx, $dy, $dz] = [
                $x * $a + $m->x * $b + $n->x * $c,
                $y * $a + $m->y * $b + $n->y * $c,
                $z * $a + $m->z * $b + $n->z * $c,
            ];
            $sum += $weight * sqrt($dx * $dx + $dy * $dy + $dz * $dz);
        }

        return $sum * ($to - $from) * $h;
    }

    /**
     * Returns point, first and second derivative by chord length, as plain floats.
     *
     * @return array{float, float, float, float, float, float, float, float, float}
     */
    private function at(int $span, float $s): array
    {
        $h = $this->spans[$span];
        [$p, $q, $m, $n] = [
            $this->points[$span],
            $this->points[$span + 1],
            $this->slopes[$span],
            $this->slopes[$span + 1],
        ];
        $t = 1.0 - $s;
        $chord = $s * $s * (3.0 - 2.0 * $s);
        $out = $h * $s * $t * $t;
        $in = -$h * $s * $s * $t;
        $chord1 = 6.0 * $s * $t / $h;
        $out1 = $t * (1.0 - 3.0 * $s);
        $in1 = $s * (3.0 * $s - 2.0);
        $chord2 = (6.0 - 12.0 * $s) / ($h * $h);
        $out2 = (6.0 * $s - 4.0) / $h;
        $in2 = (6.0 * $s - 2.0) / $h;
        $x = $q->x - $p->x;
        $y = $q->y - $p->y;
        $z = $q->z - $p->z;

        return [
            $p->x + $x * $chord + $m->x * $out + $n->x * $in,
            $p->y + $y * $chord + $m->y * $out + $n->y * $in,
            $p->z + $z * $chord + $m->z * $out + $n->z * $in,
            $x * $chord1 + $m->x * $out1 + $n->x * $in1,
            $y * $chord1 + $m->y * $out1 + $n->y * $in1,
            $z * $chord1 + $m->z * $out1 + $n->z * $in1,
            $x * $chord2 + $m->x * $out2 + $n->x * $in2,
            $y * $chord2 + $m->y * $out2 + $n->y * $in2,
            $z * $chord2 + $m->z * $out2 + $n->z * $in2,
        ];
    }

    /**
     * @param  array{float, float, float, float, float, float, float, float, float}  $at
     * @return array{float, float} curvature, and the size of the derivative
     */
    private static function bend(array $at): array
    {
        [, , , $x, $y, $z, $u, $v, $w] = $at;
        $size = max(Tolerance::SAFEGUARD, sqrt($x * $x + $y * $y + $z * $z));

        return [
            sqrt(($y * $w - $z * $v) ** 2 + ($z * $u - $x * $w) ** 2 + ($x * $v - $y * $u) ** 2) /
            ($size * $size * $size),
            $size,
        ];
    }
}
