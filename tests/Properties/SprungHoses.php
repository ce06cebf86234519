<?php

declare(strict_types=1);

namespace Tests\Properties;

use Bowline\Curves\Elastica;
use Bowline\Geometry\Curve;
use Bowline\Geometry\LinearSystem;
use Bowline\Geometry\Vector;
use Tests\Jobs;

/**
 * Sprung hoses from nearly taut to very slack: each shape has its length, is held at both ends, keeps the first
 * integral κ² = c + F·t of an untwisted rod, and no random bending that keeps its ends lowers its energy.
 */
final class SprungHoses implements Property
{
    public function limits(): array
    {
        return [
            'length, share' => 3e-6,
            'end, mm' => 1e-9,
            'first integral, share' => 8e-3,
            'energy that bending frees, share' => 1e-4,
            'less energy elsewhere, share' => 1e-6,
        ];
    }

    public function differences(int $seed): array
    {
        mt_srand($seed);
        $unit = static fn (): Vector => (new Vector(Jobs::random(), Jobs::random(), Jobs::random()))->unit();
        [$to, $along, $into] = [$unit()->times(400.0), $unit(), $unit()];
        $length = 400.0 * (1.0 + 10 ** (-2.5 + (3.0 * mt_rand()) / mt_getrandmax()));
        $shapes = Elastica::between(Vector::zero(), $to, $along, $into, $length, 4);
        $found = [
            'less energy elsewhere, share' => max(0.0, 1.0 - min(array_column($shapes, 'energy')) / $shapes[0]->energy),
        ];
        foreach ($shapes as $shape) {
            $own = [
                'length, share' => abs(self::arcLength($shape->curve) / $length - 1.0),
                'end, mm' => $shape->curve->end()->distanceTo($to),
                'first integral, share' => self::offFirstIntegral($shape->curve),
            ];
            if ($seed % 10 === 0 && $length > 480.0) {
                $own['energy that bending frees, share'] = max(0.0, -self::leastNearby($shape->curve) / $shape->energy);
            }
            foreach ($own as $key => $value) {
                $found[$key] = max($found[$key] ?? 0.0, $value);
            }
        }

        return $found;
    }

    /** Sum of the chords, each made as long as its arc: h(1 + h²κ²/24). */
    public static function arcLength(Curve $curve): float
    {
        $length = 0.0;
        for ($i = 1; $i < count($curve->points); $i++) {
            $chord = $curve->points[$i]->distanceTo($curve->points[$i - 1]);
            $length += $chord * (1.0 + ((($curve->curvature[$i] + $curve->curvature[$i - 1]) / 2) * $chord) ** 2 / 24);
        }

        return $length;
    }

    /** How far κ² is off c + F·t at the worst point, as a share of the largest κ²; c and F by least squares. */
    private static function offFirstIntegral(Curve $curve): float
    {
        $scale = max(1e-300, max($curve->curvature) ** 2);
        $normal = array_fill(0, 4, array_fill(0, 4, 0.0));
        $right = array_fill(0, 4, 0.0);
        $rows = array_map(static fn (Vector $t): array => [1.0, ...$t->toArray()], $curve->directions);
        foreach ($rows as $i => $row) {
            for ($a = 0; $a < 4; $a++) {
                $right[$a] += ($row[$a] * $curve->curvature[$i] ** 2) / $scale;
                for ($b = 0; $b < 4; $b++) {
                    $normal[$a][$b] += $row[$a] * $row[$b] + ($a === $b ? 1e-12 : 0.0);
                }
            }
        }
        $fit = LinearSystem::solved($normal, $right);

        return max(
            array_map(
                static fn (array $row, float $bend): float => abs(
                    $bend ** 2 / $scale -
                        array_sum(array_map(static fn (float $a, float $b): float => $a * $b, $fit, $row)),
                ),
                $rows,
                $curve->curvature,
            ),
        );
    }

    /**
     * The least change of ∫κ² ds over random bendings of a curve that keep its ends: tangents are turned by waves that
     * are nought at both ends, and by three more so that they add up to the same way again (Newton).
     */
    private static function leastNearby(Curve $curve): float
    {
        $count = 160;
        $h = $curve->length() / $count;
        $tangents = array_map(static fn (int $i): Vector => $curve->directionAt($h * $i), range(0, $count));
        $energy = static fn (array $t): float => array_sum(
            array_map(static fn (int $i): float => 2.0 - 2.0 * $t[$i]->dot($t[$i + 1]), range(0, $count - 1)),
        ) / $h;
        $way = static fn (array $t): Vector => array_reduce(
            array_keys($t),
            static fn (Vector $sum, int $i): Vector => $sum->plus(
                $t[$i]->times($i === 0 || $i === $count ? $h / 2 : $h),
            ),
            Vector::zero(),
        );
        $turned = static fn (array $waves): array => array_map(
            static function (Vector $t, int $i) use ($waves, $count): Vector {
                foreach ($waves as $k => $wave) {
                    $t = $t->plus($wave->times(sin((M_PI * ($k + 1) * $i) / $count))->cross($t))->unit();
                }

                return $t;
            },
            $tangents,
            array_keys($tangents),
        );
        [$restEnergy, $restWay] = [$energy($tangents), $way($tangents)];
        $least = INF;
        for ($n = 0; $n < 10; $n++) {
            $waves = array_map(
                static fn (int $k): Vector => (new Vector(Jobs::random(), Jobs::random(), Jobs::random()))->times(
                    0.12 / $k,
                ),
                range(1, 4),
            );
            for ($round = 0; $round < 5; $round++) {
                $missed = $way($turned($waves))->minus($restWay);
                $columns = array_map(
                    static function (int $axis) use ($waves, $way, $turned, $restWay, $missed): array {
                        $step = [0.0, 0.0, 0.0];
                        $step[$axis] = 1e-5;
                        $waves[1] = $waves[1]->plus(new Vector(...$step));

                        return $way($turned($waves))->minus($restWay)->minus($missed)->times(1e5)->toArray();
                    },
                    [0, 1, 2],
                );
                $fix = LinearSystem::solved(
                    array_map(static fn (int $row): array => array_column($columns, $row), [0, 1, 2]),
                    $missed->toArray(),
                );
                $waves[1] = $waves[1]->minus(new Vector(...$fix));
            }
            if ($way($turned($waves))->distanceTo($restWay) < 1e-6 && $waves[1]->length() < 1.0) {
                $least = min($least, $energy($turned($waves)) - $restEnergy);
            }
        }

        return $least;
    }
}
