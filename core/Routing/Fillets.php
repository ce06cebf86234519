<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Tolerance;

/**
 * How the corners of a polyline are rounded: which vertices count, how far each turns, and how much of
 * its legs each bend takes, shrunk where legs have no room. Plain float arrays, because bringing a run
 * to a fixed length asks for this hundreds of times (bench/fixed-length.php); everything that is laid
 * with corners goes through here, so that a length looked for is the length laid.
 */
final readonly class Fillets
{
    /**
     * @param  list<int>  $kept  vertices that do not coincide with the one before
     * @param  list<int>  $asking  for each of them, the vertex of those that coincide whose radius holds
     * @param  list<float>  $turn  radians at each kept vertex, 0 where there is no bend
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
        $ux = $uy = $uz = $span = [];
        [$x, $y, $z] = $points[0];
        $count = count($points);
        for ($i = 1; $i < $count; $i++) {
            $dx = $points[$i][0] - $x;
            $dy = $points[$i][1] - $y;
            $dz = $points[$i][2] - $z;
            $length = sqrt($dx * $dx + $dy * $dy + $dz * $dz);
            if ($length < Tolerance::COINCIDENT) {
                if ($own[$i] && ! $own[$asking[count($asking) - 1]]) {
                    $asking[count($asking) - 1] = $i;
                }

                continue;
            }
            $span[] = $length;
            $ux[] = $dx / $length;
            $uy[] = $dy / $length;
            $uz[] = $dz / $length;
            $kept[] = $i;
            $asking[] = $i;
            [$x, $y, $z] = $points[$i];
        }

        $last = count($kept) - 1;
        $turn = $asked = $tangent = $radius = array_fill(0, $last + 1, 0.0);
        $bends = [];
        for ($i = 1; $i < $last; $i++) {
            $cx = $uy[$i - 1] * $uz[$i] - $uz[$i - 1] * $uy[$i];
            $cy = $uz[$i - 1] * $ux[$i] - $ux[$i - 1] * $uz[$i];
            $cz = $ux[$i - 1] * $uy[$i] - $uy[$i - 1] * $ux[$i];
            $dot = $ux[$i - 1] * $ux[$i] + $uy[$i - 1] * $uy[$i] + $uz[$i - 1] * $uz[$i];
            $angle = atan2(sqrt($cx * $cx + $cy * $cy + $cz * $cz), $dot);
            if ($angle < Tolerance::NO_TURN) {
                continue;
            }
            $turn[$i] = $angle;
            $radius[$i] = $radii[$asking[$i]];
            $asked[$i] = $tangent[$i] = $radius[$i] * tan($angle / 2);
            $bends[] = $i;
        }

        self::shrink($bends, $span, $asked, $tangent, $radius);

        $total = array_sum($span);
        foreach ($bends as $i) {
            $total += $radius[$i] * $turn[$i] - 2 * $tangent[$i];
        }

        return new self($kept, $asking, array_values($turn), array_values($asked), array_values($tangent), array_values($radius), $total);
    }

    /**
     * Where two bends want more of a leg than there is, each gets at least half of it and one that
     * wants less leaves the rest to the other. So a mild bend keeps its radius beside a hopeless one.
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
