<?php

declare(strict_types=1);

namespace Bowline\Job\Section;

use Bowline\Geometry\Outline;
use Bowline\Geometry\Tolerance;

/** An outline as a closed line of chords, by which it is seen whether outlines cross, and how near they come. */
final readonly class OutlineDrawing
{
    /** Largest angle of a chord of an arc, radians. */
    private const CHORD = M_PI / 36;

    /** @param  list<array{float, float}>  $points */
    private function __construct(private array $points)
    {
    }

    public static function of(Outline $outline): self
    {
        $points = [];
        foreach ($outline->pieces as $piece) {
            $count = max(1, (int) ceil(abs($piece->sweep) / self::CHORD));
            for ($i = 0; $i < $count; $i++) {
                $points[] = $piece->pointAt($i / $count);
            }
        }

        return new self($points);
    }

    /** Whether any two chords that do not follow one another meet. */
    public function crossesItself(): bool
    {
        $count = count($this->points);
        for ($i = 0; $i < $count; $i++) {
            for ($k = $i + 2; $k < $count; $k++) {
                if (($i > 0 || $k < $count - 1) && self::cross($this->chord($i), $this->chord($k))) {
                    return true;
                }
            }
            // A chord that goes back along the one before it.
            [$a, $b] = $this->chord($i);
            [, $c] = $this->chord(($i + 1) % $count);
            $turn = ($b[0] - $a[0]) * ($c[1] - $b[1]) - ($b[1] - $a[1]) * ($c[0] - $b[0]);
            $forward = ($b[0] - $a[0]) * ($c[0] - $b[0]) + ($b[1] - $a[1]) * ($c[1] - $b[1]);
            if ($forward < 0.0 && abs($turn) < Tolerance::NOTHING) {
                return true;
            }
        }

        return false;
    }

    public function meets(self $other): bool
    {
        foreach (array_keys($this->points) as $i) {
            foreach (array_keys($other->points) as $k) {
                if (self::cross($this->chord($i), $other->chord($k))) {
                    return true;
                }
            }
        }

        return false;
    }

    /** Whether another outline lies within this one without meeting it. */
    public function contains(self $other): bool
    {
        return $this->holds($other->points[0]) && ! $this->meets($other);
    }

    /** Returns how near another outline comes, mm. */
    public function distanceTo(self $other): float
    {
        $least = INF;
        foreach ([[$this, $other], [$other, $this]] as [$one, $two]) {
            foreach ($one->points as $point) {
                foreach (array_keys($two->points) as $k) {
                    $least = min($least, self::distance($point, $two->chord($k)));
                }
            }
        }

        return $least;
    }

    /**
     * Whether a point is within it, by the crossings of a line to its right.
     *
     * @param  array{float, float}  $point
     */
    private function holds(array $point): bool
    {
        $isWithin = false;
        foreach (array_keys($this->points) as $i) {
            [[$ax, $ay], [$bx, $by]] = $this->chord($i);
            if (($ay > $point[1]) !== ($by > $point[1])
                && $point[0] < $ax + ($point[1] - $ay) / ($by - $ay) * ($bx - $ax)) {
                $isWithin = ! $isWithin;
            }
        }

        return $isWithin;
    }

    /** @return array{array{float, float}, array{float, float}} */
    private function chord(int $i): array
    {
        return [$this->points[$i], $this->points[($i + 1) % count($this->points)]];
    }

    /**
     * @param  array{array{float, float}, array{float, float}}  $one
     * @param  array{array{float, float}, array{float, float}}  $other
     */
    private static function cross(array $one, array $other): bool
    {
        [$a, $b] = $one;
        [$c, $d] = $other;
        [$s, $t] = [self::side($a, $b, $c), self::side($a, $b, $d)];
        [$u, $v] = [self::side($c, $d, $a), self::side($c, $d, $b)];
        if ($s * $t < 0.0 && $u * $v < 0.0) {
            return true;
        }

        return self::distance($a, $other) < Tolerance::NOTHING || self::distance($b, $other) < Tolerance::NOTHING
            || self::distance($c, $one) < Tolerance::NOTHING || self::distance($d, $one) < Tolerance::NOTHING;
    }

    /**
     * Returns twice the area of a triangle, positive where it runs counter-clockwise.
     *
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     * @param  array{float, float}  $at
     */
    private static function side(array $from, array $to, array $at): float
    {
        return ($to[0] - $from[0]) * ($at[1] - $from[1]) - ($to[1] - $from[1]) * ($at[0] - $from[0]);
    }

    /**
     * @param  array{float, float}  $point
     * @param  array{array{float, float}, array{float, float}}  $chord
     */
    private static function distance(array $point, array $chord): float
    {
        [[$ax, $ay], [$bx, $by]] = $chord;
        [$x, $y] = [$bx - $ax, $by - $ay];
        $length = $x ** 2 + $y ** 2;
        $along = $length > 0.0 ? max(0.0, min(1.0, (($point[0] - $ax) * $x + ($point[1] - $ay) * $y) / $length)) : 0.0;

        return hypot($point[0] - $ax - $along * $x, $point[1] - $ay - $along * $y);
    }
}
