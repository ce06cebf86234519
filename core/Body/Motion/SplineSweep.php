<?php

declare(strict_types=1);

namespace Bowline\Body\Motion;

use Bowline\Body\Boundary\ArcCurve;
use Bowline\Body\Boundary\CubicChain;
use Bowline\Body\Boundary\CurveVisitor;
use Bowline\Body\Boundary\EdgeCurve;
use Bowline\Body\Boundary\EllipseCurve;
use Bowline\Body\Boundary\LineCurve;
use Bowline\Body\Boundary\SplineCurve;
use Bowline\Body\Boundary\SplineSurface;
use Bowline\Body\Boundary\Surface;
use Bowline\Body\Frame;
use Bowline\Body\Quadrature;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use LogicException;

/**
 * Along a curve by parallel transport. Centre, first and second direction of the frame are cubic chains over the same
 * knots, so that whatever is carried is exactly a B-spline. At the knots the frame is that of the curve; between them
 * what lies within the reach of the section is within the tolerance of where it should be.
 *
 * @implements CurveVisitor<Surface>
 */
final readonly class SplineSweep implements CurveVisitor, Motion
{
    /** Distance from the true sweep between the knots at most, mm. */
    public const ACCURACY = 5e-4;

    /** Points of the curve from one knot to the next at most. */
    private const MOST_STRIDE = 64;

    /** Knots of one sweep at most, less one: long faces are more than some readers of STEP can find their way on. */
    private const MOST_SPANS = 8;

    private function __construct(
        private Frame $start,
        private Frame $end,
        private CubicChain $centre,
        private CubicChain $first,
        private CubicChain $second,
    ) {
    }

    /**
     * @param  Frame  $start  at the start of the curve
     * @param  float  $reach  of the section from the curve, mm
     * @param  list<float>|null  $rolls  angle at each point of the curve by which the section is rolled about it,
     *     beyond being carried along it, radians; null where it is not
     * @return non-empty-list<self> one after another
     */
    public static function along(Curve $curve, Frame $start, float $reach, ?array $rolls = null): array
    {
        $states = self::states($curve, $start, $rolls);
        $knots = [$states[0]];
        $at = 0;
        $last = count($states) - 1;
        while ($at < $last) {
            $stride = min(self::MOST_STRIDE, $last - $at);
            while ($stride > 1 && self::error($states, $at, $at + $stride, $reach) > self::ACCURACY) {
                $stride = intdiv($stride, 2);
            }
            $at += $stride;
            $knots[] = $states[$at];
        }
        $sweeps = [];
        for ($first = 0; $first < count($knots) - 1; $first += self::MOST_SPANS) {
            $sweeps[] = self::through($knots[$first], ...array_slice($knots, $first + 1, self::MOST_SPANS));
        }

        return $sweeps === [] ? throw new LogicException('a curve has two points') : $sweeps;
    }

    /**
     * Returns the motion along a straight way that widens or narrows what it carries, as an oblique cone.
     *
     * @param  Vector  $way  from start to end, mm; need not go along the third direction of the frame
     * @param  float  $scale  of lengths at the end
     */
    public static function tapered(Frame $start, Vector $way, float $scale): self
    {
        $chain = static fn (Vector $from, Vector $to): CubicChain => new CubicChain(
            [0.0, 1.0], [$from, $to], [$to->minus($from), $to->minus($from)],
        );

        return new self(
            $start, $start->movedTo($start->at->plus($way)), $chain($start->at, $start->at->plus($way)),
            $chain($start->first, $start->first->times($scale)), $chain($start->second, $start->second->times($scale)),
        );
    }

    private static function through(SweepState $from, SweepState ...$others): self
    {
        $chains = self::chains([$from, ...array_values($others)]);
        $to = $others === [] ? $from : $others[array_key_last($others)];

        return new self(
            Frame::of($from->at, $from->travel, $from->first), Frame::of($to->at, $to->travel, $to->first), ...$chains,
        );
    }

    /**
     * @param  non-empty-list<SweepState>  $states  two at least
     * @return array{CubicChain, CubicChain, CubicChain} place, first and second direction, with a knot at each state
     */
    private static function chains(array $states): array
    {
        $from = $states[0]->along;
        $length = $states[count($states) - 1]->along - $from;
        $knots = array_map(static fn (SweepState $one): float => ($one->along - $from) / $length, $states);
        $knots[count($knots) - 1] = 1.0;
        $chain = static fn (int $value): CubicChain => new CubicChain(
            $knots,
            array_map(static fn (SweepState $one): Vector => $one->values()[$value][0], $states),
            array_map(static fn (SweepState $one): Vector => $one->values()[$value][1]->times($length), $states),
        );

        return [$chain(0), $chain(1), $chain(2)];
    }

    /**
     * Returns the states at the points of a curve. A frame that does not turn about the curve changes along its axis
     * alone: N′ = −(N·k)T with the curvature vector k; rolled by φ it changes by φ′ across besides.
     *
     * @param  list<float>|null  $rolls
     * @return non-empty-list<SweepState>
     */
    private static function states(Curve $curve, Frame $start, ?array $rolls): array
    {
        $states = [];
        $first = $start->first;
        $last = count($curve->points) - 1;
        foreach ($curve->directions as $i => $travel) {
            $first = $i === 0 ? $first : $first->transported($curve->directions[$i - 1], $travel)->squareTo($travel);
            $rolled = $rolls === null ? $first : $first->turnedAbout($travel, $rolls[$i]);
            $second = $travel->cross($rolled);
            [$before, $after] = [max(0, $i - 1), min($last, $i + 1)];
            $turn = $curve->directions[$after]->minus($curve->directions[$before]);
            $bending = $turn->length() < Tolerance::NO_ROTATION
                ? Vector::zero()
                : $turn->squareTo($travel)->times($curve->curvature[$i]);
            $roll = $rolls === null
                ? 0.0
                : ($rolls[$after] - $rolls[$before]) / ($curve->along[$after] - $curve->along[$before]);
            $states[] = new SweepState(
                $curve->along[$i], $curve->points[$i], $travel,
                $rolled, $travel->times(-$rolled->dot($bending))->plus($second->times($roll)),
                $second, $travel->times(-$second->dot($bending))->minus($rolled->times($roll)),
            );
        }

        return $states === [] ? throw new LogicException('a curve has points') : $states;
    }

    /**
     * Returns how far the cubic from one state to another is from those between, mm.
     *
     * @param  list<SweepState>  $states
     */
    private static function error(array $states, int $from, int $to, float $reach): float
    {
        $chains = self::chains([$states[$from], $states[$to]]);
        $length = $states[$to]->along - $states[$from]->along;
        $error = 0.0;
        $step = max(1, intdiv($to - $from, 4));
        for ($i = $from + $step; $i < $to; $i += $step) {
            $t = ($states[$i]->along - $states[$from]->along) / $length;
            foreach ([1.0, $reach, $reach] as $value => $scale) {
                $error = max(
                    $error, $scale * $chains[$value]->pointAt($t)->distanceTo($states[$i]->values()[$value][0]),
                );
            }
        }

        return $error;
    }

    public function placeAt(float $t): AffineMap
    {
        [$first, $second] = [$this->first->pointAt($t), $this->second->pointAt($t)];

        return $this->map($first, $second, $first->cross($second), $this->centre->pointAt($t));
    }

    public function velocityAt(float $t): AffineMap
    {
        return $this->map(
            $this->first->derivativeAt($t), $this->second->derivativeAt($t), Vector::zero(),
            $this->centre->derivativeAt($t),
        );
    }

    /** Returns the map of the frame at the start to these directions and this point. */
    private function map(Vector $first, Vector $second, Vector $along, Vector $at): AffineMap
    {
        $linear = function (Vector $one) use ($first, $second, $along): Vector {
            [$x, $y] = $this->coordinates($one);

            return $first->times($x)->plus($second->times($y))->plus($along->times($one->dot($this->start->along)));
        };

        return AffineMap::of($linear, $this->start->at, $at);
    }

    public function pathOf(Vector $start): EdgeCurve
    {
        [$x, $y] = $this->coordinates($start->minus($this->start->at));
        $sum = static fn (Vector $at, Vector $first, Vector $second): Vector => $at
            ->plus($first->times($x))
            ->plus($second->times($y));

        return new SplineCurve(new CubicChain(
            $this->centre->knots,
            array_map($sum, $this->centre->points, $this->first->points, $this->second->points),
            array_map($sum, $this->centre->slopes, $this->first->slopes, $this->second->slopes),
        ));
    }

    public function carried(EdgeCurve $profile): EdgeCurve
    {
        return $profile->moved($this->placeAt(1.0)->point(...));
    }

    public function surfaceOf(EdgeCurve $profile): Surface
    {
        return $profile->accept($this);
    }

    public function divisions(Chord $chord, array $points): array
    {
        $reach = max(0.0, ...array_map(
            fn (Vector $point): float => $point->distanceTo($this->start->at), $points,
        ));
        $shares = [0.0];
        foreach ($this->centre->turns() as $i => [$length, $turn]) {
            $shares[] = $shares[$i] + ($turn > 0.0 ? $chord->share($length / $turn + $reach, $turn) : 0.0);
        }
        $pieces = Tolerance::pieces($shares[count($shares) - 1]);
        $divisions = [0.0];
        $i = 1;
        for ($piece = 1; $piece < $pieces; $piece++) {
            $share = $shares[count($shares) - 1] * $piece / $pieces;
            while ($shares[$i] < $share) {
                $i++;
            }
            [$from, $to] = [$this->centre->knots[$i - 1], $this->centre->knots[$i]];
            $divisions[] = $from + ($to - $from) * ($share - $shares[$i - 1]) / ($shares[$i] - $shares[$i - 1]);
        }

        return [...$divisions, 1.0];
    }

    public function isStraight(): bool
    {
        return false;
    }

    public function frameOf(Frame $start): Frame
    {
        return $this->end;
    }

    public function quadrature(): array
    {
        return Quadrature::spline($this->centre->knots);
    }

    public function line(LineCurve $line): Surface
    {
        return $this->surface(1, [0.0, 1.0], [1.0, 1.0], [$line->from, $line->to], $line);
    }

    public function arc(ArcCurve $arc): Surface
    {
        // A rational quadratic for each part up to a quarter: its middle control point where the tangents meet.
        $parts = Tolerance::pieces($arc->angle / (M_PI / 2));
        $half = $arc->angle / $parts / 2;
        $points = [$arc->pointAt(0.0)];
        $weights = [1.0];
        for ($i = 0; $i < $parts; $i++) {
            $points[] = $arc->frame->polar($arc->radius / cos($half), (2 * $i + 1) * $half);
            $weights[] = cos($half);
            $points[] = $arc->isFull() && $i === $parts - 1 ? $points[0] : $arc->frame->polar(
                $arc->radius, 2 * ($i + 1) * $half,
            );
            $weights[] = 1.0;
        }

        return $this->surface(
            2, array_map(static fn (int $i): float => $i / $parts, range(0, $parts)), $weights, $points, $arc,
        );
    }

    public function ellipse(EllipseCurve $ellipse): never
    {
        throw new LogicException('no section has an ellipse in it');
    }

    public function spline(SplineCurve $spline): never
    {
        throw new LogicException('no section has a spline in it');
    }

    /**
     * @param  1|2  $degree
     * @param  non-empty-list<float>  $knots
     * @param  non-empty-list<float>  $weights
     * @param  non-empty-list<Vector>  $points  control points of the profile
     */
    private function surface(
        int $degree,
        array $knots,
        array $weights,
        array $points,
        EdgeCurve $profile,
    ): SplineSurface {
        $centre = $this->centre->controlPoints();
        $first = $this->first->controlPoints();
        $second = $this->second->controlPoints();
        $rows = array_map(function (Vector $point) use ($centre, $first, $second): array {
            [$x, $y] = $this->coordinates($point->minus($this->start->at));

            return array_map(
                static fn (Vector $at, Vector $one, Vector $other): Vector => $at
                    ->plus($one->times($x))
                    ->plus($other->times($y)),
                $centre, $first, $second,
            );
        }, $points);
        $normal = $this->placeAt(0.5)
            ->direction($profile->derivativeAt(0.5))
            ->cross($this->velocityAt(0.5)->point($profile->pointAt(0.5)))
            ->unit();

        return new SplineSurface($degree, $knots, $weights, $this->centre->knots, $rows, $normal);
    }

    /** @return array{float, float} the part of a vector along the two directions of the section at the start, mm */
    private function coordinates(Vector $way): array
    {
        return [$way->dot($this->start->first), $way->dot($this->start->second)];
    }
}
