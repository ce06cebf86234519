<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

use Bowline\Geometry\Bisection;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Vector;

/** A vector function on [0, 1] in cubic pieces, given by its values and derivatives at knots (cubic Hermite). */
final readonly class CubicChain
{
    /**
     * @param  non-empty-list<float>  $knots  ascending from 0 to 1, two at least
     * @param  non-empty-list<Vector>  $points  value at each knot
     * @param  non-empty-list<Vector>  $slopes  derivative by the parameter at each knot
     */
    public function __construct(
        public array $knots,
        public array $points,
        public array $slopes,
    ) {
    }

    public function pointAt(float $t): Vector
    {
        [$i, $s, $h] = $this->place($t);

        return $this->points[$i]->times((1 + 2 * $s) * (1 - $s) ** 2)
            ->plus($this->slopes[$i]->times($h * $s * (1 - $s) ** 2))
            ->plus($this->points[$i + 1]->times($s * $s * (3 - 2 * $s)))
            ->plus($this->slopes[$i + 1]->times($h * $s * $s * ($s - 1)));
    }

    public function derivativeAt(float $t): Vector
    {
        [$i, $s, $h] = $this->place($t);

        return $this->points[$i + 1]->minus($this->points[$i])->times(6 * $s * (1 - $s) / $h)
            ->plus($this->slopes[$i]->times((1 - $s) * (1 - 3 * $s)))
            ->plus($this->slopes[$i + 1]->times($s * (3 * $s - 2)));
    }

    /** @return list<array{float, float}> length of the chord of each piece, mm, and turn of its direction, radians */
    public function turns(): array
    {
        $turns = [];
        for ($i = 1, $count = count($this->knots); $i < $count; $i++) {
            $turns[] = [
                $this->points[$i]->distanceTo($this->points[$i - 1]),
                $this->slopes[$i - 1]->angleTo($this->slopes[$i]),
            ];
        }

        return $turns;
    }

    /**
     * Returns the number of even pieces of the parameter whose chords are within the tolerance: a chord over a width w
     * is at most w² / 8 times the largest second derivative off, and that of a cubic is largest at one of its ends.
     */
    public function pieces(Chord $chord): int
    {
        $largest = 0.0;
        for ($i = 1, $count = count($this->knots); $i < $count; $i++) {
            $width = $this->knots[$i] - $this->knots[$i - 1];
            $mean = $this->points[$i]->minus($this->points[$i - 1])->times(3 / $width);
            [$first, $last] = [$this->slopes[$i - 1], $this->slopes[$i]];
            $largest = max(
                $largest,
                $mean->minus($first->times(2.0))->minus($last)->times(2 / $width)->length(),
                $first->plus($last->times(2.0))->minus($mean)->times(2 / $width)->length(),
            );
        }

        return $chord->piecesOfCurve($largest);
    }

    /**
     * Returns the control points of the same function as a cubic B-spline with the same knots, four times at both ends
     * and twice between: each knot has one a third of the piece before it and one a third behind it.
     *
     * @return non-empty-list<Vector>
     */
    public function controlPoints(): array
    {
        $last = count($this->knots) - 1;
        $points = [$this->points[0]];
        for ($i = 0; $i < $last; $i++) {
            $third = ($this->knots[$i + 1] - $this->knots[$i]) / 3;
            $points[] = $this->points[$i]->plus($this->slopes[$i]->times($third));
            $points[] = $this->points[$i + 1]->minus($this->slopes[$i + 1]->times($third));
        }
        $points[] = $this->points[$last];

        return $points;
    }

    /** @return array{int, float, float} piece, parameter in it from 0 to 1, and its width */
    private function place(float $t): array
    {
        $low = Bisection::piece($this->knots, $t);
        $width = $this->knots[$low + 1] - $this->knots[$low];

        return [$low, ($t - $this->knots[$low]) / $width, $width];
    }
}
