<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

use Bowline\Geometry\Bisection;
use Bowline\Geometry\Chord;
use Bowline\Geometry\CubicHermite;
use Bowline\Geometry\Vector;
use Closure;

/** A vector function on [0, 1] in cubic pieces, given by its values and derivatives at knots (cubic Hermite). */
final readonly class CubicChain
{
    /** Distance from a function that it is fitted to, at most, in the units of that. */
    private const ACCURACY = 1e-6;

    /** Pieces of a fitted chain at first, and at most. */
    private const PIECES = 16;

    private const MOST_PIECES = 1024;

    /** Step of the differences that give the derivatives of a fitted chain. */
    private const STEP = 1e-4;

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

    /**
     * Returns a chain along a smooth function, in as many pieces as it takes.
     *
     * @param  Closure(float): Vector  $point  on [0, 1]
     */
    public static function fitted(Closure $point): self
    {
        for ($pieces = self::PIECES; ; $pieces *= 2) {
            $knots = array_map(static fn (int $i): float => $i / $pieces, range(0, $pieces));
            $chain = new self($knots, array_map($point, $knots), array_map(
                static fn (float $t): Vector => self::slope($point, $t), $knots,
            ));
            $off = max(array_map(
                static fn (int $i): float => $chain->pointAt(($i + 0.5) / $pieces)->distanceTo(
                    $point(($i + 0.5) / $pieces),
                ),
                range(0, $pieces - 1),
            ));
            if ($off < self::ACCURACY || $pieces >= self::MOST_PIECES) {
                return $chain;
            }
        }
    }

    /**
     * Returns the derivative of a function on [0, 1] by differences of the fourth order, from one side at the ends.
     *
     * @param  Closure(float): Vector  $point
     */
    private static function slope(Closure $point, float $t): Vector
    {
        $h = self::STEP;
        $weights = match (true) {
            $t < 2 * $h => [0 => -25, 1 => 48, 2 => -36, 3 => 16, 4 => -3],
            $t > 1.0 - 2 * $h => [0 => 25, -1 => -48, -2 => 36, -3 => -16, -4 => 3],
            default => [-2 => 1, -1 => -8, 1 => 8, 2 => -1],
        };
        $sum = Vector::zero();
        foreach ($weights as $steps => $weight) {
            $sum = $sum->plus($point($t + $steps * $h)->times($weight / (12 * $h)));
        }

        return $sum;
    }

    public function pointAt(float $t): Vector
    {
        [$i, $s, $h] = $this->place($t);

        return CubicHermite::at(
            $this->points[$i], $this->slopes[$i], $this->points[$i + 1], $this->slopes[$i + 1], $h, $s,
        );
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
