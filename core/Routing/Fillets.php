<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Tolerance;

/**
 * Fits the bends of a polyline: which vertices are corners, their angles, and the tangent length of each bend, reduced
 * where a leg has no room. Plain float arrays, because the search for a fixed length asks for this hundreds of times
 * (bench/fixed-length.php). All runs with corners are laid by this class, so that the length that was searched for is
 * the length that is laid.
 */
final readonly class Fillets
{
    /**
     * @param  list<int>  $kept  indices of both ends and of the corners; vertices that coincide with another or where
     *     the line goes straight on are left out
     * @param  list<int>  $asking  for each of them, of the vertices that coincide, the one whose radius is used
     * @param  list<float>  $turn  angle at each kept vertex, radians; 0 at both ends
     * @param  list<float>  $asked  tangent length asked for at each kept vertex, mm
     * @param  list<float>  $tangent  tangent length that has room, mm
     * @param  list<float>  $radius  centre-line radius that has room, mm
     */
    private function __construct(
        public array $kept,
        public array $asking,
        public array $turn,
        public array $asked,
        public array $tangent,
        public array $radius,
        public float $length,
    ) {
    }

    /**
     * @param  list<array{float, float, float}>  $points
     * @param  list<float>  $radii  asked for at each vertex, mm; those of the ends do not count
     * @param  list<bool>  $own  whether a vertex asks for its radius itself: it goes before one that does not
     */
    public static function fit(array $points, array $radii, array $own): self
    {
        $kept = [0];
        $asking = [0];
        $turn = $asked = $tangent = $radius = [0.0];
        $ux = $uy = $uz = $span = [];
        [$x, $y, $z] = $points[0];
        $count = count($points);
        for ($i = 1; $i < $count; $i++) {
            $dx = $points[$i][0] - $x;
            $dy = $points[$i][1] - $y;
            $dz = $points[$i][2] - $z;
            $length = sqrt($dx * $dx + $dy * $dy + $dz * $dz);
            $last = count($kept) - 1;
            if ($length < Tolerance::COINCIDENT) {
                if ($own[$i] && ! $own[$asking[$last]]) {
                    $asking[$last] = $i;
                }

                continue;
            }
            $dx /= $length;
            $dy /= $length;
            $dz /= $length;
            while ($last > 0) {
                $turn[$last] = self::angle($ux[$last - 1], $uy[$last - 1], $uz[$last - 1], $dx, $dy, $dz);
                if ($turn[$last] >= Tolerance::NO_TURN) {
                    break;
                }
                // The line goes straight on here: the leg continues from the vertex before.
                array_pop($kept);
                array_pop($asking);
                array_pop($turn);
                array_pop($span);
                array_pop($ux);
                array_pop($uy);
                array_pop($uz);
                $last--;
                [$x, $y, $z] = $points[$kept[$last]];
                $dx = $points[$i][0] - $x;
                $dy = $points[$i][1] - $y;
                $dz = $points[$i][2] - $z;
                $length = sqrt($dx * $dx + $dy * $dy + $dz * $dz);
                $dx /= $length;
                $dy /= $length;
                $dz /= $length;
            }
            $span[] = $length;
            $ux[] = $dx;
            $uy[] = $dy;
            $uz[] = $dz;
            $kept[] = $i;
            $asking[] = $i;
            $turn[] = 0.0;
            [$x, $y, $z] = $points[$i];
        }

        $last = count($kept) - 1;
        $bends = [];
        for ($i = 1; $i <= $last; $i++) {
            $isBend = $i < $last;
            $radius[$i] = $isBend ? $radii[$asking[$i]] : 0.0;
            $asked[$i] = $tangent[$i] = $isBend ? $radius[$i] * tan($turn[$i] / 2) : 0.0;
            if ($isBend) {
                $bends[] = $i;
            }
        }

        self::shrink($bends, $span, $asked, $tangent, $radius);

        $total = array_sum($span);
        foreach ($bends as $i) {
            $total += $radius[$i] * $turn[$i] - 2 * $tangent[$i];
        }

        return new self(
            $kept,
            array_values($asking),
            array_values($turn),
            array_values($asked),
            array_values($tangent),
            array_values($radius),
            $total,
        );
    }

    /** Angle between two unit directions, 0 to π. */
    private static function angle(float $ax, float $ay, float $az, float $bx, float $by, float $bz): float
    {
        $cx = $ay * $bz - $az * $by;
        $cy = $az * $bx - $ax * $bz;
        $cz = $ax * $by - $ay * $bx;

        return atan2(sqrt($cx * $cx + $cy * $cy + $cz * $cz), $ax * $bx + $ay * $by + $az * $bz);
    }

    /**
     * Where two bends want more of a leg than there is, each gets at least half of it, and one that wants less leaves
     * the rest to the other, so that a mild bend keeps its radius beside an impossible one.
     *
     * @param  list<int>  $bends
     * @param  list<float>  $span
     * @param  array<int, float>  $asked
     * @param  array<int, float>  $tangent
     * @param  array<int, float>  $radius
     */
    private static function shrink(array $bends, array $span, array $asked, array &$tangent, array &$radius): void
    {
        $ends = [0, ...$bends, count($span)];
        for ($k = 1, $legs = count($ends); $k < $legs; $k++) {
            $before = $ends[$k - 1];
            $after = $ends[$k];
            $length = 0.0;
            for ($i = $before; $i < $after; $i++) {
                $length += $span[$i];
            }
            $first = $asked[$before];
            $second = $asked[$after];
            if ($first + $second <= $length + Tolerance::NOTHING) {
                continue;
            }
            $half = $length / 2;
            $tangent[$before] = min($tangent[$before], max($half, $length - $second));
            $tangent[$after] = min($tangent[$after], max($half, $length - $first));
        }
        foreach ($bends as $i) {
            if ($tangent[$i] < $asked[$i]) {
                $radius[$i] *= $tangent[$i] / $asked[$i];
            }
        }
    }
}
