<?php

declare(strict_types=1);

namespace Bowline\Curves;

use Bowline\Geometry\Curve;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/**
 * A uniform flexible line of given length between two points under gravity: y = a·cosh(x/a) about its lowest point. The
 * only unknown, a, follows from √(L² − v²) = 2a·sinh(h/2a), with h and v the horizontal and vertical distance of the
 * ends (Routh, Analytical Statics I, art. 447).
 */
final readonly class Catenary
{
    /** Newton's method has converged when it changes the solution by less than this share: rounding. */
    private const CONVERGED = 1e-15;

    /**
     * Largest turn between two points of the drawn curve, radians: directions are then within a quarter of a degree.
     */
    private const TURN = 0.5 * M_PI / 180;

    private const MOST_POINTS = 2000;

    /** Ends whose horizontal distance is less than this hang on one plumb line, mm. */
    private const PLUMB = 1e-6;

    /**
     * @param  float  $a  mm; the radius at the lowest point
     * @param  float  $first  developed length from the lowest point to the start, less than 0 when that lies behind
     * @param  float  $last  the same to the end
     */
    private function __construct(
        public float $a,
        public float $first,
        public float $last,
        public Curve $curve,
        public Vector $lowest,
        public float $sag,
    ) {
    }

    /**
     * @param  Vector  $up  unit
     * @param  float  $length  mm, more than the distance of the two points
     */
    public static function between(Vector $from, Vector $to, Vector $up, float $length): self
    {
        $way = $to->minus($from);
        $v = $way->dot($up);
        $level = $way->minus($up->times($v));
        $h = $level->length();
        if ($h < self::PLUMB) {
            return self::plumb($from, $to, $up, $length);
        }
        $across = $level->unit();
        $a = $h / (2 * self::half(sqrt($length * $length - $v * $v) / $h));
        $lowestAt = $h / 2 - $a * asinh($v / (2 * $a * sinh($h / (2 * $a))));
        $base = $from->plus($across->times($lowestAt))->minus($up->times($a * cosh(-$lowestAt / $a)));
        $first = $a * sinh(-$lowestAt / $a);
        // From the length instead of another sinh, so that the drawn curve has exactly the given length.
        $last = $first + $length;
        $curve = self::drawn($a, $first, $last, static function (float $s) use ($a, $base, $across, $up): array {
            $x = $a * asinh($s / $a);
            $root = sqrt($a * $a + $s * $s);

            return [
                $base->plus($across->times($x))->plus($up->times($root)),
                $across->times($a / $root)->plus($up->times($s / $root)),
                $a / ($root * $root),
            ];
        });
        // The sag is greatest where the line is parallel to the chord.
        $deep = $a * asinh($v / $h);
        $sag = $from->dot($up) + $v * ($deep + $lowestAt) / $h - ($base->dot($up) + $a * cosh($deep / $a));

        return new self($a, $first, $last, $curve, $base->plus($up->times($a)), $sag);
    }

    /** Returns the tension at a developed length from the lowest point, N, for a weight in N/mm. */
    public function pull(float $weight, float $s): float
    {
        return $weight * sqrt($this->a ** 2 + $s ** 2);
    }

    /** Returns the curve straight down from one end and up to the other, without width. */
    private static function plumb(Vector $from, Vector $to, Vector $up, float $length): self
    {
        $v = $to->minus($from)->dot($up);
        $down = ($length - $v) / 2;
        $lowest = $from->minus($up->times($down));

        return new self(0.0, -$down, $length - $down, new Curve(
            [$from, $lowest, $to], [$up->times(-1.0), $up, $up], [0.0, $down, $length], [0.0, 0.0, 0.0], 0.0, $down,
        ), $lowest, $length / 2);
    }

    /** Solves sinh(x)/x = ratio for x = h/2a, by Newton's method. */
    private static function half(float $ratio): float
    {
        // Start values: for a small sag sinh(x)/x ≈ 1 + x²/6; for a large one ln(2·ratio·x).
        $x = $ratio < 3.0 ? sqrt(6.0 * ($ratio - 1.0)) : log(2.0 * $ratio) + log(log(2.0 * $ratio));
        for ($step = 0; $step < 60; $step++) {
            $change = (sinh($x) - $ratio * $x) / (cosh($x) - $ratio);
            $x -= $change;
            if (abs($change) < self::CONVERGED * max(1.0, $x)) {
                break;
            }
        }

        return max($x, Tolerance::SAFEGUARD);
    }

    /**
     * Returns the curve whose point, direction and curvature at a length from the lowest point are given.
     *
     * @param  callable(float): array{Vector, Vector, float}  $at
     */
    private static function drawn(float $a, float $first, float $last, callable $at): Curve
    {
        // The direction is atan(s/a), so even steps of it are even turns.
        $from = atan($first / $a);
        $to = atan($last / $a);
        $pieces = min(self::MOST_POINTS, max(8, Tolerance::pieces(($to - $from) / self::TURN)));
        [$point, $direction, $bend] = $at($first);
        [$points, $directions, $along, $curvature] = [[$point], [$direction], [0.0], [$bend]];
        for ($i = 1; $i <= $pieces; $i++) {
            $s = $i === $pieces ? $last : $a * tan($from + ($to - $from) * $i / $pieces);
            [$points[], $directions[], $curvature[]] = $at($s);
            $along[] = $s - $first;
        }
        $tightest = $first > 0.0 ? $first : ($last < 0.0 ? $last : 0.0);

        return new Curve(
            $points,
            $directions,
            $along,
            $curvature,
            ($a * $a + $tightest * $tightest) / $a,
            $tightest - $first,
        );
    }
}
