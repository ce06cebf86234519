<?php

declare(strict_types=1);

namespace Bowline\Curves;

use Bowline\Geometry\Tolerance;

/**
 * Refines a chain at rest to the elastica it approximates, to sixth order (deferred correction): the residual of 2t″ =
 * F − (F·t + 2|t′|²)t, from sixth-order differences, is reduced to zero by Newton steps with the matrix of the chain.
 * The nodes are graded towards both ends, with steps as small as the decay length of the bend at a pulled end needs.
 * Plain float arrays: this runs during a drag (bench/curves.php).
 */
final class ElasticRefinement
{
    private const PIECES = 64;

    /** Decay length of the bend at an end, for a length of 1, below which the number of pieces is doubled. */
    private const SHARP_DECAY = 0.15;

    private const MOST_CORRECTIONS = 40;

    /** The iteration ends at a correction that turns no tangent by more than this, radians. */
    private const CONVERGED = 1e-11;

    /** Where corrections stop shrinking, one below this is accepted, radians. */
    private const ACCEPTABLE = 1e-6;

    /** Added to the second variation in each correction: shapes on a circle of shapes have an eigenvalue of 0. */
    private const SHIFT = 0.02;

    /** Steps for one decay length of the bend at an end. */
    private const STEPS_A_DECAY = 16.0;

    /**
     * First and second differences of sixth order at the k-th of eight points (Fornberg, Math. Comp. 51, 1988), times
     * 420 and 180.
     */
    private const FIRST = [
        [-1089, 2940, -4410, 4900, -3675, 1764, -490, 60],
        [-60, -609, 1260, -1050, 700, -315, 84, -10],
        [10, -140, -329, 700, -350, 140, -35, 4],
    ];

    private const SECOND = [
        [938, -4014, 7911, -9490, 7380, -3618, 1019, -126],
        [126, -70, -486, 855, -670, 324, -90, 11],
        [-11, 214, -378, 130, 85, -54, 16, -2],
    ];

    /**
     * The integral of the polynomial of degree five through six points over the first, second and third interval, times
     * 1440.
     */
    private const INTERVAL = [
        [475, 1427, -798, 482, -173, 27],
        [-27, 637, 1022, -258, 77, -11],
        [11, -93, 802, 802, -93, 11],
    ];

    private readonly int $count;

    /** @var list<float> place of each tangent, 0 to 1 */
    private readonly array $places;

    /** @var list<float> derivative of the place by ξ */
    private readonly array $stretch;

    /** @var list<float> its second derivative over its first */
    private readonly array $bend;

    /** @var list<list<float>> tangents by component, and after correcting the same for the derivative and the point */
    private array $tangents = [];

    /** @var list<list<float>> */
    private array $derivatives = [];

    /** @var list<list<float>> */
    private array $points = [];

    /** @param  array{float, float, float}  $way */
    private function __construct(
        private readonly ElasticChain $chain,
        private readonly array $way,
        Grading $grading,
    ) {
        $this->count = count($chain->t) - 1;
        [$this->places, $this->stretch, $this->bend] = [$grading->places(), $grading->stretch(), $grading->bend()];
    }

    /**
     * @param  ElasticChain  $chain  at rest
     * @param  array{float, float, float}  $way
     * @return self|null null where the corrections do not converge
     */
    public static function of(ElasticChain $chain, array $way): ?self
    {
        [$x, $y, $z] = $chain->force;
        $decay = sqrt(2.0 / max(Tolerance::NOTHING, sqrt($x * $x + $y * $y + $z * $z)));
        foreach ($decay < self::SHARP_DECAY ? [2, 4] : [1, 2] as $times) {
            $count = $times * self::PIECES;
            $grading = Grading::forDecay($count, $decay, self::STEPS_A_DECAY);
            $shape = new self($chain->resampled($grading->pieces()), $way, $grading);
            $shape->chain->minimise(2);
            if ($shape->converges()) {
                return $shape;
            }
        }

        return null;
    }

    /**
     * Returns a chain of even pieces unchanged, where its corrections do not converge.
     *
     * @param  array{float, float, float}  $way
     */
    public static function unrefined(ElasticChain $chain, array $way): self
    {
        $shape = new self($chain, $way, Grading::even(count($chain->t) - 1));
        $shape->findShape();

        return $shape;
    }

    /**
     * Returns parameter, point, unit tangent and curvature at each node.
     *
     * @return non-empty-list<array{float, float, float, float, float, float, float, float}>
     */
    public function states(): array
    {
        [[$px, $py, $pz], [$tx, $ty, $tz]] = [$this->points, $this->tangents];
        $states = [];
        foreach ($this->places as $i => $place) {
            $states[] = [$place, $px[$i], $py[$i], $pz[$i], $tx[$i], $ty[$i], $tz[$i], sqrt($this->square($i))];
        }
        assert($states !== []);

        return $states;
    }

    /**
     * Returns the largest curvature and its parameter. Along an elastica the square of the curvature is a constant plus
     * F·t, so its derivative is F·t′; between two nodes it is the cubic with these values and slopes.
     *
     * @return array{float, float}
     */
    public function tightest(): array
    {
        [$fx, $fy, $fz] = $this->chain->force;
        [$dx, $dy, $dz] = $this->derivatives;
        $best = [0.0, 0.0];
        foreach ($this->places as $i => $place) {
            $square = $this->square($i);
            $best = $square > $best[0] ? [$square, $place] : $best;
            if ($i === $this->count) {
                break;
            }
            $h = $this->places[$i + 1] - $place;
            $out = $h * ($fx * $dx[$i] + $fy * $dy[$i] + $fz * $dz[$i]);
            $in = $h * ($fx * $dx[$i + 1] + $fy * $dy[$i + 1] + $fz * $dz[$i + 1]);
            if ($out <= 0.0 || $in >= 0.0) {
                continue;
            }
            $rise = $this->square($i + 1) - $square;
            // Slope of the cubic: out + 2(3·rise − 2·out − in)·s + 3(out + in − 2·rise)·s², zero between 0 and 1.
            [$b, $a] = [3 * $rise - 2 * $out - $in, 3 * ($out + $in - 2 * $rise)];
            $s = $out / (sqrt(max(0.0, $b * $b - $a * $out)) - $b);
            $value = $square + $s * ($out + $s * ($b + $s * $a / 3));
            $best = $value > $best[0] ? [$value, $place + $h * $s] : $best;
        }

        return [sqrt($best[0]), $best[1]];
    }

    private function square(int $i): float
    {
        return $this->derivatives[0][$i] ** 2 + $this->derivatives[1][$i] ** 2 + $this->derivatives[2][$i] ** 2;
    }

    /** Returns ∫κ² ds. */
    public function energy(): float
    {
        return array_sum($this->integrals(array_map($this->square(...), range(0, $this->count))));
    }

    private function converges(): bool
    {
        $last = INF;
        for ($round = 0; $round < self::MOST_CORRECTIONS; $round++) {
            $this->findShape();
            [$residual, $gap] = $this->residual();
            $turn = $this->chain->correct($residual, $gap, self::SHIFT);
            if (! is_finite($turn) || $turn > 1.0) {
                return false;
            }
            if ($turn < self::CONVERGED || ($round > 6 && $turn > 0.5 * $last && $turn < self::ACCEPTABLE)) {
                $this->findShape();

                return true;
            }
            $last = $turn;
        }
        $this->findShape();

        return $last < self::ACCEPTABLE;
    }

    /** Computes the derivatives by parameter and the points from the tangents. */
    private function findShape(): void
    {
        $count = $this->count;
        $tangents = [
            array_column($this->chain->t, 0),
            array_column($this->chain->t, 1),
            array_column($this->chain->t, 2),
        ];
        $this->tangents = $tangents;
        $this->derivatives = $this->points = [];
        foreach ($tangents as $one) {
            $derivative = [];
            for ($i = 0; $i <= $count; $i++) {
                if ($i < 3 || $i > $count - 3) {
                    $sum = 0.0;
                    foreach (self::FIRST[min($i, $count - $i)] as $k => $weight) {
                        $sum += $weight * ($i < 3 ? $one[$k] : -$one[$count - $k]);
                    }
                    $derivative[] = $sum / 420 * $count / $this->stretch[$i];
                } else {
                    $derivative[] =
                        ((($one[$i + 3] -
                            $one[$i - 3] -
                            9 * ($one[$i + 2] - $one[$i - 2]) +
                            45 * ($one[$i + 1] - $one[$i - 1])) /
                            60) *
                            $count) /
                        $this->stretch[$i];
                }
            }
            $this->derivatives[] = $derivative;
            $point = [0.0];
            foreach ($this->integrals($one) as $i => $part) {
                $point[] = $point[$i] + $part;
            }
            $this->points[] = $point;
        }
    }

    /**
     * Returns the integral over each piece.
     *
     * @param  list<float>  $values  at each node
     * @return list<float>
     */
    private function integrals(array $values): array
    {
        $count = $this->count;
        $f = array_map(
            static fn (float $value, float $stretch): float => ($value * $stretch) / $count / 1440,
            $values,
            $this->stretch,
        );
        $integrals = [];
        for ($i = 0; $i < $count; $i++) {
            if ($i < 2 || $i > $count - 3) {
                $sum = 0.0;
                foreach (self::INTERVAL[min($i, $count - 1 - $i)] as $k => $weight) {
                    $sum += $weight * ($i < 2 ? $f[$k] : $f[$count - $k]);
                }
                $integrals[] = $sum;
            } else {
                $integrals[] =
                    802 * ($f[$i] + $f[$i + 1]) - 93 * ($f[$i - 1] + $f[$i + 2]) + 11 * ($f[$i - 2] + $f[$i + 3]);
            }
        }

        return $integrals;
    }

    /**
     * Returns the gradient at each inner tangent and the excess of the way.
     *
     * @return array{list<array{float, float, float}>, array{float, float, float}}
     */
    private function residual(): array
    {
        $count = $this->count;
        $force = $this->chain->force;
        $second = [[], [], []];
        foreach ([0, 1, 2] as $axis) {
            $one = $this->tangents[$axis];
            $own = [];
            for ($i = 1; $i < $count; $i++) {
                if ($i < 3 || $i > $count - 3) {
                    $sum = 0.0;
                    foreach (self::SECOND[min($i, $count - $i)] as $k => $weight) {
                        $sum += $weight * ($i < 3 ? $one[$k] : $one[$count - $k]);
                    }
                    $sum /= 180;
                } else {
                    $sum =
                        (2 * ($one[$i + 3] + $one[$i - 3]) -
                            27 * ($one[$i + 2] + $one[$i - 2]) +
                            270 * ($one[$i + 1] + $one[$i - 1]) -
                            490 * $one[$i]) /
                        180;
                }
                $stretch = $this->stretch[$i];
                $bySecond =
                    ($sum * $count * $count) / ($stretch * $stretch) -
                    ($this->bend[$i] / $stretch) * $this->derivatives[$axis][$i];
                // As in the chain, taken over half of the pieces beside the tangent.
                $own[] = ($force[$axis] - 2 * $bySecond) * ($this->places[$i + 1] - $this->places[$i - 1]) / 2;
            }
            $second[$axis] = $own;
        }

        return [
            array_map(
                static fn (int $i): array => [$second[0][$i], $second[1][$i], $second[2][$i]],
                range(0, $count - 2),
            ),
            [
                $this->points[0][$count] - $this->way[0],
                $this->points[1][$count] - $this->way[1],
                $this->points[2][$count] - $this->way[2],
            ],
        ];
    }
}
