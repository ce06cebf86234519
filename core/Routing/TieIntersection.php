<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Bisection;
use Bowline\Geometry\Quadric;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Tie\Tie;
use Bowline\Job\Tie\TieKind;

/**
 * Finds the point nearest to a given one that satisfies some ties. Each tie is one or two planes, a sphere, a cylinder,
 * or a double cone with its apex at the corner before. Planes leave a point, a line, a plane or all of space; with one
 * quadric the nearest point is known in closed form. Where two or more quadrics meet, or a quadric meets a plane, the
 * rulings of a cylinder or cone are sampled, intersected with each of the others, and the nearest results (or, with a
 * further quadric, those that also lie on it) are refined.
 */
final readonly class TieIntersection
{
    /** A line is parallel to a plane when the component of its direction along the normal is below this: rounding. */
    private const ALONG_PLANE = 1e-14;

    /** A tie that is missed by less than this is satisfied, mm. */
    public const HOLDS = 1e-7;

    /** A direction whose part outside the bound ones is shorter than this is dependent. */
    private const SAYS_NOTHING = 1e-9;

    /** Number of rulings of a cylinder or cone that are sampled. */
    private const LINES = 240;

    /** Bisections of the angle between two rulings when a point is refined. */
    private const REFINEMENTS = 50;

    private const GOLDEN = 0.6180339887498949;

    /** Shortest leg that has a direction, mm. */
    private const LEAST_LEG = 1e-6;

    /**
     * @param  Vector  $told  where the corner would be without its ties
     * @param  Vector  $last  the corner before it
     * @param  list<Tie>  $ties
     */
    private function __construct(
        private Vector $told,
        private Vector $last,
        private array $ties,
    ) {
    }

    /**
     * @param  non-empty-list<Tie>  $ties
     * @return Vector|null null when no place keeps them all
     */
    public static function nearest(array $ties, Vector $told, Vector $last): ?Vector
    {
        $solver = new self($told, $last, $ties);
        $planes = $quadrics = [];
        foreach ($ties as $tie) {
            array_push($planes, ...$solver->planes($tie));
            $quadric = $solver->quadric($tie);
            if (
                $quadric !== null &&
                array_filter($quadrics, static fn (Quadric $one): bool => $one->isSame($quadric)) === []
            ) {
                $quadrics[] = $quadric;
            }
        }
        [$spheres, $ruled] = [
            array_values(array_filter($quadrics, static fn (Quadric $one): bool => $one->isSphere())),
            array_values(array_filter($quadrics, static fn (Quadric $one): bool => ! $one->isSphere())),
        ];
        // Two spheres intersect in a plane.
        foreach (array_slice($spheres, 1) as $sphere) {
            $way = $sphere->centre->minus($spheres[0]->centre);
            if ($way->length() > self::SAYS_NOTHING) {
                $along = ($way->dot($way) + $spheres[0]->radius() ** 2 - $sphere->radius() ** 2) / (2 * $way->length());
                $planes[] = [$way->unit(), $spheres[0]->centre->dot($way->unit()) + $along];
            }
        }

        return $solver->best($solver->candidates($planes, [...$ruled, ...array_slice($spheres, 0, 1)]));
    }

    /** Returns how far a point misses a tie, mm. */
    public static function missed(Tie $tie, Vector $at, Vector $last): float
    {
        return sqrt(
            array_sum(
                array_map(static fn (array $equation): float => $equation[0] ** 2, self::equations($tie, $at, $last)),
            ),
        );
    }

    /**
     * Returns the residual of each equation of a tie in mm, and its gradient with respect to the corner.
     *
     * @return list<array{float, Vector}>
     */
    public static function equations(Tie $tie, Vector $at, Vector $last): array
    {
        $anchor = $tie->anchor;
        $direction = $anchor->direction ?? $tie->along ?? new Vector(0.0, 0.0, 1.0);
        $from = $at->minus($anchor->at);
        $leg = $at->minus($last);

        return match ($tie->kind) {
            TieKind::Level => [[$from->dot($tie->along ?? $direction) - $tie->amount, $tie->along ?? $direction]],
            TieKind::Away => $anchor->isFace
                ? [[$from->dot($direction) - $tie->amount, $direction]]
                : [
                    self::distance(
                        $anchor->direction === null ? $from : $from->minus($direction->times($from->dot($direction))),
                        $tie->amount,
                        $direction,
                    ),
                ],
            TieKind::OnAxis => self::across($from, $direction),
            TieKind::Parallel => $anchor->isFace
                ? [[$leg->dot($direction), $direction]]
                : self::across($leg, $direction),
            TieKind::Square => $anchor->isFace ? self::across($leg, $direction) : [[$leg->dot($direction), $direction]],
            TieKind::Angle => [self::slant($leg, $direction, $anchor->isFace ? sin($tie->amount) : cos($tie->amount))],
        };
    }

    /**
     * Returns the planes of a tie as unit normal and distance from the origin.
     *
     * @return list<array{Vector, float}>
     */
    private function planes(Tie $tie): array
    {
        if ($this->quadric($tie) !== null) {
            return [];
        }
        // A distance of 0 from an axis means on the axis; an angle of 0° or 90° puts the leg on a line or a plane.
        $direction = $tie->anchor->direction ?? new Vector(0.0, 0.0, 1.0);
        $normals = match (true) {
            $tie->kind === TieKind::Away && ! $tie->anchor->isFace => $tie->anchor->direction === null
                ? [new Vector(1.0, 0.0, 0.0), new Vector(0.0, 1.0, 0.0), new Vector(0.0, 0.0, 1.0)]
                : [$direction->anySquare(), $direction->cross($direction->anySquare())],
            $tie->kind === TieKind::Angle => $this->coneAngle($tie) < M_PI / 4
                ? [$direction->anySquare(), $direction->cross($direction->anySquare())] : [$direction],
            default => null,
        };
        if ($normals === null) {
            return array_map(
                static fn (array $equation): array => [$equation[1], -$equation[0]],
                self::equations($tie, Vector::zero(), $this->last),
            );
        }
        $through = $tie->kind === TieKind::Angle ? $this->last : $tie->anchor->at;

        return array_map(static fn (Vector $normal): array => [$normal, $normal->dot($through)], $normals);
    }

    private function quadric(Tie $tie): ?Quadric
    {
        $anchor = $tie->anchor;
        if ($tie->kind === TieKind::Away && ! $anchor->isFace && $tie->amount > self::HOLDS) {
            return $anchor->direction === null
                ? Quadric::sphere($anchor->at, $tie->amount)
                : Quadric::cylinder($anchor->at, $anchor->direction, $tie->amount);
        }
        $angle = $tie->kind === TieKind::Angle ? $this->coneAngle($tie) : 0.0;

        return $angle > Tolerance::PARALLEL && $angle < M_PI / 2 - Tolerance::PARALLEL && $anchor->direction !== null
            ? Quadric::cone($this->last, $anchor->direction, $angle)
            : null;
    }

    /** Returns the angle of the leg to the axis of the anchor, or to the normal of its face. */
    private function coneAngle(Tie $tie): float
    {
        return $tie->anchor->isFace ? M_PI / 2 - $tie->amount : $tie->amount;
    }

    /**
     * @param  iterable<Vector>  $candidates
     */
    private function best(iterable $candidates): ?Vector
    {
        $best = null;
        foreach ($candidates as $candidate) {
            if (
                ($best === null ||
                    $candidate->distanceTo($this->told) < $best->distanceTo($this->told) - Tolerance::NOTHING) &&
                $this->isKept($candidate)
            ) {
                $best = $candidate;
            }
        }

        return $best;
    }

    private function isKept(Vector $at): bool
    {
        foreach ($this->ties as $tie) {
            if (self::missed($tie, $at, $this->last) >= self::HOLDS) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  list<array{Vector, float}>  $planes
     * @param  list<Quadric>  $quadrics  of spheres one at most, the last
     * @return iterable<Vector> places among which is the nearest that keeps all
     */
    private function candidates(array $planes, array $quadrics): iterable
    {
        [$at, $bound] = $this->onPlanes($planes);
        if ($quadrics === [] || count($bound) === 3) {
            return [$at];
        }
        if (count($bound) === 2) {
            return $this->onLine($at, $bound[0]->cross($bound[1])->unit(), $quadrics);
        }
        if ($bound === [] && count($quadrics) === 1) {
            return [$quadrics[0]->nearest($this->told)];
        }
        if ($quadrics[0]->isSphere()) {
            // A plane intersects a sphere in a circle.
            $centre = $quadrics[0]->centre->plus($bound[0]->times($at->minus($quadrics[0]->centre)->dot($bound[0])));
            $radius = sqrt(max(0.0, $quadrics[0]->radius() ** 2 - $quadrics[0]->centre->distanceTo($centre) ** 2));
            $out = $at->minus($centre);

            return [
                $centre->plus(
                    ($out->length() > Tolerance::NO_ROTATION ? $out->unit() : $bound[0]->anySquare())->times($radius),
                ),
            ];
        }

        return $bound === [] ? $this->whereSurfacesMeet($quadrics[0], $quadrics[1], array_slice($quadrics, 2))
            : $this->whereSurfaceMeetsPlane($quadrics[0], $at, $bound[0], array_slice($quadrics, 1));
    }

    /**
     * Returns the nearest point on all planes and an orthonormal basis of the directions that they bind.
     *
     * @param  list<array{Vector, float}>  $planes
     * @return array{Vector, list<Vector>}
     */
    private function onPlanes(array $planes): array
    {
        $at = $this->told;
        $bound = [];
        foreach ($planes as [$normal, $distance]) {
            $along = $normal->minus(TieSolution::allowed($normal, $bound));
            if ($along->length() > self::SAYS_NOTHING) {
                $at = $at->plus($along->unit()->times(($distance - $at->dot($normal)) / $along->length()));
                $bound[] = $along->unit();
            }
        }

        return [$at, $bound];
    }

    /**
     * @param  list<Quadric>  $quadrics
     * @return list<Vector> where a line meets the first of them, or its place nearest to the told one
     */
    private function onLine(Vector $from, Vector $direction, array $quadrics): array
    {
        $nearest = $from->plus($direction->times($this->told->minus($from)->dot($direction)));
        $met = $quadrics === [] ? null : $quadrics[0]->meets($from, $direction);
        if ($met === null) {
            return $quadrics === []
                ? $this->awayFromLast($nearest, $direction)
                : $this->onLine($from, $direction, array_slice($quadrics, 1));
        }

        return array_map(static fn (float $along): Vector => $from->plus($direction->times($along)), $met);
    }

    /**
     * Returns a point on a line, or, where a leg would have no length there, points a little to both sides.
     *
     * @return list<Vector>
     */
    private function awayFromLast(Vector $at, Vector $direction): array
    {
        return $at->distanceTo($this->last) > self::LEAST_LEG ? [$at]
            : [$at->plus($direction->times(2 * self::LEAST_LEG)), $at->minus($direction->times(2 * self::LEAST_LEG))];
    }

    /**
     * @param  Vector  $on  a point of the plane
     * @param  list<Quadric>  $others
     * @return iterable<Vector>
     */
    private function whereSurfaceMeetsPlane(Quadric $ruled, Vector $on, Vector $normal, array $others): iterable
    {
        $off = static fn (float $turn): float => $ruled->line($turn)[1]->dot($normal);
        $start = static fn (float $turn): float => $on->minus($ruled->line($turn)[0])->dot($normal);
        $isAlong = ! $ruled->isCone() && abs($off(0.0)) < self::SAYS_NOTHING;
        $isThroughApex =
            $ruled->isCone() && abs($start(0.0)) < self::SAYS_NOTHING * max(1.0, $on->distanceTo($ruled->centre));
        if ($isAlong || $isThroughApex) {
            // The plane is parallel to some rulings of the surface and meets each of the others in one point.
            yield from $this->onLines($ruled, $isAlong ? $start : $off, $others);

            return;
        }
        yield from $this->along(
            $ruled,
            static fn (Vector $from, Vector $direction): array => abs($direction->dot($normal)) < self::ALONG_PLANE
                ? []
                : [$on->minus($from)->dot($normal) / $direction->dot($normal)],
            $others,
        );
    }

    /**
     * @param  list<Quadric>  $others
     * @return iterable<Vector>
     */
    private function whereSurfacesMeet(Quadric $ruled, Quadric $second, array $others): iterable
    {
        [$from, $direction] = $ruled->line(0.3);
        $isOneApex =
            $ruled->isCone() && $second->isCone() && $ruled->centre->distanceTo($second->centre) < self::SAYS_NOTHING;
        $isParallel =
            ! $ruled->isCone() &&
            ! $second->isCone() &&
            ! $second->isSphere() &&
            abs($second->along($from, $direction)[2]) < Tolerance::SAFEGUARD;
        if ($isOneApex || $isParallel) {
            // The surfaces have whole lines in common.
            yield from $this->onLines(
                $ruled,
                static fn (float $turn): float => $second->along(...$ruled->line($turn))[$isOneApex ? 2 : 0],
                $others,
            );

            return;
        }
        yield from $this->along(
            $ruled,
            static fn (Vector $from, Vector $direction): array => $second->meets($from, $direction) ?? [],
            $others,
        );
    }

    /**
     * @param  callable(float): float  $off  what is nought where a line belongs to both
     * @param  list<Quadric>  $others
     * @return iterable<Vector>
     */
    private function onLines(Quadric $ruled, callable $off, array $others): iterable
    {
        foreach ($this->roots($off) as $turn) {
            [$from, $direction] = $ruled->line($turn);
            yield from $this->onLine($from, $direction, $others);
        }
    }

    /**
     * Follows the intersection of the rulings of a surface with another one, to where it is nearest or lies on a third.
     *
     * @param  callable(Vector, Vector): list<float>  $meets  distances at which a line meets the other surface, at most
     *     two, in order
     * @param  list<Quadric>  $others
     * @return iterable<Vector>
     */
    private function along(Quadric $ruled, callable $meets, array $others): iterable
    {
        foreach ([0, 1] as $branch) {
            $place = static function (float $turn) use ($ruled, $meets, $branch): ?Vector {
                [$from, $direction] = $ruled->line($turn);
                $along = $meets($from, $direction)[$branch] ?? null;

                return $along === null ? null : $from->plus($direction->times($along));
            };
            $turns = $others === []
                ? $this->minima(fn (float $turn): float => $place($turn)?->distanceTo($this->told) ?? INF)
                : $this->roots(static function (float $turn) use ($place, $others): float {
                    $at = $place($turn);

                    return $at === null ? NAN : $others[0]->off($at);
                });
            foreach ($turns as $turn) {
                $at = $place($turn);
                if ($at !== null) {
                    yield $at;
                }
            }
        }
    }

    /**
     * Returns the roots of a function of the angle, with and without a change of sign.
     *
     * @param  callable(float): float  $of  NAN where it is not defined
     * @return list<float>
     */
    private function roots(callable $of): array
    {
        $roots = [];
        foreach ($this->stretches($of) as $stretch) {
            $last = count($stretch) - 1;
            array_push($roots, $stretch[0][0], $stretch[$last][0]);
            for ($i = 0; $i < $last; $i++) {
                [[$from, $here], [$to, $next]] = [$stretch[$i], $stretch[$i + 1]];
                if ($here * $next <= 0.0) {
                    $roots[] = Bisection::root($of, $from, $to, $here, self::REFINEMENTS);
                } elseif (
                    $i > 0 &&
                    $stretch[$i - 1][1] * $here > 0.0 &&
                    abs($here) <= abs($stretch[$i - 1][1]) &&
                    abs($here) <= abs($next)
                ) {
                    // The function may touch zero between three samples.
                    $sign = $here < 0.0 ? -1.0 : 1.0;
                    $low = $stretch[$i - 1][0];
                    $turn = self::least(static fn (float $turn): float => $sign * $of($turn), $low, $to);
                    $dip = $of($turn);
                    array_push(
                        $roots,
                        ...$dip * $sign < 0.0
                            ? [
                                Bisection::root($of, $low, $turn, $here, self::REFINEMENTS),
                                Bisection::root($of, $turn, $to, $dip, self::REFINEMENTS),
                            ]
                            : [$turn],
                    );
                }
            }
        }

        return $roots;
    }

    /**
     * Returns the intervals of the angle in which a function is defined, with their ends refined, each as dense
     * samples.
     *
     * @param  callable(float): float  $of  NAN where it is not defined
     * @return list<non-empty-list<array{float, float}>> angles and values; a little more than one turn where the
     *     function is defined everywhere
     */
    private function stretches(callable $of): array
    {
        $step = 2 * M_PI / self::LINES;
        $stretches = [];
        $stretch = [];
        $before = NAN;
        for ($i = 0; $i <= self::LINES + 1; $i++) {
            $value = $of($i * $step);
            if ($i > 0 && is_nan($value) !== is_nan($before)) {
                [$some, $none] = is_nan($value) ? [($i - 1) * $step, $i * $step] : [$i * $step, ($i - 1) * $step];
                for ($n = 0; $n < self::REFINEMENTS; $n++) {
                    $middle = ($some + $none) / 2;
                    [$some, $none] = is_nan($of($middle)) ? [$some, $middle] : [$middle, $none];
                }
                $stretch[] = [$some, $of($some)];
            }
            if (! is_nan($value)) {
                $stretch[] = [$i * $step, $value];
            } elseif ($stretch !== []) {
                $stretches[] = $stretch;
                $stretch = [];
            }
            $before = $value;
        }

        return $stretch === [] ? $stretches : [...$stretches, $stretch];
    }

    /**
     * Returns the minimum of a function between two angles, by golden section about their middle.
     *
     * @param  callable(float): float  $of  INF where it is not defined
     */
    private static function least(callable $of, float $low, float $high): float
    {
        $known = ($low + $high) / 2;
        for ($n = 0; $n < self::REFINEMENTS; $n++) {
            [$c, $d] = [$high - self::GOLDEN * ($high - $low), $low + self::GOLDEN * ($high - $low)];
            [$one, $other] = [$of($c), $of($d)];
            // Where both samples are undefined, the defined part lies towards the middle.
            [$low, $high] = $one < $other || ($one === INF && $other === INF && $c > $known) ? [$low, $d] : [$c, $high];
        }

        return ($low + $high) / 2;
    }

    /**
     * Returns the local minima of a function of the angle, by golden section.
     *
     * @param  callable(float): float  $of  INF where it is not defined
     * @return list<float>
     */
    private function minima(callable $of): array
    {
        $step = 2 * M_PI / self::LINES;
        $values = array_map(static fn (int $i): float => $of($i * $step), range(0, self::LINES - 1));
        $minima = [];
        foreach ($values as $i => $value) {
            $before = $values[($i + self::LINES - 1) % self::LINES];
            $after = $values[($i + 1) % self::LINES];
            if (! is_finite($value) || $value > $before || $value > $after) {
                continue;
            }
            array_push($minima, self::least($of, ($i - 1) * $step, ($i + 1) * $step), $i * $step);
        }

        return $minima;
    }

    /** @return list<array{float, Vector}> */
    private static function across(Vector $offset, Vector $axis): array
    {
        $first = $axis->anySquare();
        $second = $axis->cross($first);

        return [[$offset->dot($first), $first], [$offset->dot($second), $second]];
    }

    /** @return array{float, Vector} */
    private static function distance(Vector $offset, float $amount, Vector $axis): array
    {
        $length = $offset->length();

        return [$length - $amount, $length > Tolerance::NO_ROTATION ? $offset->unit() : $axis->anySquare()];
    }

    /** @return array{float, Vector} a leg whose cosine with the direction is given; either way along it */
    private static function slant(Vector $leg, Vector $direction, float $cosine): array
    {
        $length = $leg->length();
        if ($length < self::LEAST_LEG) {
            // A leg of no length does not satisfy the tie.
            return [1.0, Vector::zero()];
        }
        $towards = $leg->dot($direction) < 0.0 ? $direction->times(-1.0) : $direction;

        return [$leg->dot($towards) - $cosine * $length, $towards->minus($leg->times($cosine / $length))];
    }
}
