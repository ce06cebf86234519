<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Geometry\Curve;
use Bowline\Geometry\Vector;

/**
 * A smooth curve through points: the cubic spline over the lengths of the chords, whose second derivative goes on
 * through every point, and with it tangent and curvature. Held to a direction at an end that has one; where it has
 * none it ends straight.
 */
final class Spline
{
    /** Turn from one point of the drawing to the next at most, radians, and how many there are to a span at least. */
    private const TURN = 0.5 * M_PI / 180;

    private const FEWEST = 12;

    private const MOST = 240;

    /** Gauss's three points on [0, 1], for the length: a piece hardly turns. */
    private const GAUSS = [[0.112701665379258, 5 / 18], [0.5, 8 / 18], [0.887298334620742, 5 / 18]];

    /** @var list<float> length of each chord */
    private array $spans = [];

    /** @var list<Vector> derivative at each point */
    private array $slopes;

    /**
     * @param  list<Vector>  $points  no two that follow one another the same
     * @param  Vector|null  $along  unit, out of the first
     * @param  Vector|null  $into  unit, into the last
     */
    private function __construct(
        private readonly array $points,
        ?Vector $along,
        ?Vector $into,
    ) {
        for ($i = 1, $count = count($points); $i < $count; $i++) {
            $this->spans[] = $points[$i]->distanceTo($points[$i - 1]);
        }
        $this->slopes = $this->solve($along, $into);
    }

    /** @param  list<Vector>  $points */
    public static function through(array $points, ?Vector $along, ?Vector $into): Curve
    {
        $kept = [];
        foreach ($points as $point) {
            if ($kept === [] || $point->distanceTo($kept[count($kept) - 1]) > 1e-6) {
                $kept[] = $point;
            }
        }

        return count($kept) < 2 ? Curve::straight($points[0], $points[count($points) - 1]) : (new self($kept, $along, $into))->curve();
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
                // Held: the derivative itself. Free: no curvature there.
                [$a, $b, $c, $r] = $held !== null ? [0.0, 1.0, 0.0, $held] : ($i === 0 ? [0.0, 2.0, 1.0, $mean->times(3.0)] : [1.0, 2.0, 0.0, $mean->times(3.0)]);
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
        $most = [0.0, 0.0];
        foreach ($this->spans as $span => $chord) {
            $turn = $this->slopes[$span]->angleTo($this->slopes[$span + 1]);
            $bow = $this->turning($span);
            $pieces = min(self::MOST, max(self::FEWEST, (int) ceil(max($turn, $bow) / self::TURN)));
            for ($i = $span === 0 ? 0 : 1; $i <= $pieces; $i++) {
                $s = $i / $pieces;
                if ($i > 0) {
                    $length += $this->length($span, ($i - 1) / $pieces, $s);
                }
                [$point, $first, $second] = $this->at($span, $s);
                $bend = $first->cross($second)->length() / max($first->length(), 1e-12) ** 3;
                $points[] = $point;
                $directions[] = $first->unit();
                $along[] = $length;
                $curvature[] = $bend;
                $most = $bend > $most[0] ? [$bend, $length] : $most;
            }
        }
        $tightest = $this->tightest($most[0], $along, $curvature);

        return new Curve($points, $directions, $along, $curvature, $tightest > 0.0 ? 1.0 / $tightest : INF, $most[1], $this->points);
    }

    /** How much it would turn in a span if it turned everywhere as it does where it turns most. */
    private function turning(int $span): float
    {
        $most = 0.0;
        $before = $this->slopes[$span];
        for ($i = 1; $i <= 24; $i++) {
            $next = $this->at($span, $i / 24)[1];
            $most = max($most, $before->angleTo($next));
            $before = $next;
        }

        return 24 * $most;
    }

    /**
     * The most curvature, by a parabola about the largest there is.
     *
     * @param  list<float>  $along
     * @param  list<float>  $curvature
     */
    private function tightest(float $most, array $along, array $curvature): float
    {
        $index = (int) array_search($most, $curvature, true);
        if ($index === 0 || $index === count($curvature) - 1 || $most === 0.0) {
            return $most;
        }
        [$x0, $x1, $x2] = [$along[$index - 1], $along[$index], $along[$index + 1]];
        [$y0, $y1, $y2] = [$curvature[$index - 1], $curvature[$index], $curvature[$index + 1]];
        $d1 = ($y1 - $y0) / max($x1 - $x0, 1e-12);
        $d2 = ($y2 - $y1) / max($x2 - $x1, 1e-12);
        $bow = ($d2 - $d1) / max($x2 - $x0, 1e-12);
        if ($bow >= 0.0) {
            return $most;
        }
        $slope = $d1 + $bow * ($x1 - $x0);

        return max($most, $y1 - $slope * $slope / (4 * $bow));
    }

    /** In plain numbers: most of the time of a curve goes here. */
    private function length(int $span, float $from, float $to): float
    {
        $h = $this->spans[$span];
        [$p, $q, $m, $n] = [$this->points[$span], $this->points[$span + 1], $this->slopes[$span], $this->slopes[$span + 1]];
        [$x, $y, $z] = [($q->x - $p->x) / $h, ($q->y - $p->y) / $h, ($q->z - $p->z) / $h];
        $sum = 0.0;
        foreach (self::GAUSS as [$at, $weight]) {
            $s = $from + ($to - $from) * $at;
            [$a, $b, $c] = [6 * $s * (1 - $s), (1 - $s) * (1 - 3 * $s), $s * (3 * $s - 2)];
            [$dx, $dy, $dz] = [$x * $a + $m->x * $b + $n->x * $c, $y * $a + $m->y * $b + $n->y * $c, $z * $a + $m->z * $b + $n->z * $c];
            $sum += $weight * sqrt($dx * $dx + $dy * $dy + $dz * $dz);
        }

        return $sum * ($to - $from) * $h;
    }

    /** @return array{Vector, Vector, Vector} point, derivative and second derivative by the length of the chord */
    private function at(int $span, float $s): array
    {
        $h = $this->spans[$span];
        [$p, $q, $m, $n] = [$this->points[$span], $this->points[$span + 1], $this->slopes[$span], $this->slopes[$span + 1]];
        $point = $p->times((1 + 2 * $s) * (1 - $s) ** 2)->plus($m->times($h * $s * (1 - $s) ** 2))
            ->plus($q->times($s * $s * (3 - 2 * $s)))->plus($n->times($h * $s * $s * ($s - 1)));
        $first = $q->minus($p)->times(6 * $s * (1 - $s) / $h)->plus($m->times((1 - $s) * (1 - 3 * $s)))->plus($n->times($s * (3 * $s - 2)));
        $second = $q->minus($p)->times((6 - 12 * $s) / $h)->plus($m->times(6 * $s - 4))->plus($n->times(6 * $s - 2))->times(1.0 / $h);

        return [$point, $first, $second];
    }
}
