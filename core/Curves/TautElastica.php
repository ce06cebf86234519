<?php

declare(strict_types=1);

namespace Bowline\Curves;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/**
 * The elastica of length 1 that is pulled so nearly straight that it bends at its ends alone, in closed form.
 *
 * Far from the other end, the angle θ between the tangent and the pull decays by tan(θ/4) = tan(θ₀/4)·e^(−s/λ) in the
 * plane of the two (the separatrix of the pendulum; Love, Mathematical Theory of Elasticity, § 263), where the pull
 * is 1/λ² for a bending stiffness of 1. Such an end is 2λ(1 − cos θ₀/2) shorter along the pull than it is long and
 * goes 2λ·sin θ₀/2 aside, bends least at R = λ / (2 sin θ₀/2), and holds ∫κ² ds = (4/λ)(1 − cos θ₀/2). Two ends
 * disturb each other by e^(−1/λ) of that: below LONGEST_DECAY less than 2·10⁻¹¹.
 */
final readonly class TautElastica
{
    /** The iteration has converged when the pull changes by less than this share. */
    private const EXACT = 1e-14;

    /** Differences of numbers about 1 below this are rounding. */
    private const ROUNDING = 1e-15;

    /** Largest λ that counts as taut, of a length of 1. */
    private const LONGEST_DECAY = 1.0 / 25.0;

    /** Largest λ for which the form is a usable estimate of how an end bends. */
    private const ROUGH_DECAY = 0.16;

    /** Below this angle, radians, an end leaves along the pull and does not bend. */
    private const ALONG = 1e-12;

    /** Cosine of the angle to the way below which an end may turn to any side. */
    private const AGAINST = -0.8;

    /** Shapes whose energies differ by less than this share are images of one another. */
    private const SAME_ENERGY = 1e-7;

    /**
     * Change of the pull and of λ between iterations that is accepted: shapes beside a circle of shapes converge
     * slowly.
     */
    private const CONVERGED = 1e-5;

    /** Most iterations; each gains a factor of about λ. */
    private const MOST_ITERATIONS = 1000;

    /**
     * @param  Vector  $pull  unit
     * @param  float  $decay  λ, of a length of 1
     * @param  float  $startAngle  between the first tangent and the pull, radians
     * @param  float  $endAngle  between the last tangent and the pull, radians
     * @param  Vector  $startSide  unit, square to the pull, towards the first tangent
     * @param  Vector  $endSide  unit, square to the pull, towards the last tangent
     */
    private function __construct(
        private Vector $pull,
        public float $decay,
        private float $startAngle,
        private float $endAngle,
        private Vector $startSide,
        private Vector $endSide,
    ) {
    }

    /**
     * @param  Vector  $along  unit tangent at the start
     * @param  Vector  $into  unit tangent at the end
     * @param  Vector  $way  from end to end, shorter than 1
     * @return self|null null when it does not bend at its ends alone; check isExact()
     */
    public static function between(Vector $along, Vector $into, Vector $way): ?self
    {
        $best = null;
        foreach (self::sides($along, $way->unit(), 40.0) as $startSide) {
            foreach (self::sides($into, $way->unit(), 100.0) as $endSide) {
                $found = self::solved($along, $into, $way, $startSide, $endSide);
                if (
                    $found !== null &&
                    ($best === null || $found->energy() < $best->energy() * (1.0 - self::SAME_ENERGY))
                ) {
                    $best = $found;
                }
            }
        }

        return $best;
    }

    /**
     * Returns the sides to which an end may turn. One that points against the way may turn to any side, and the best is
     * found only by trying; none of those tried lies in a plane of symmetry, where rounding would decide.
     *
     * @param  float  $first  degrees from the side of the tangent
     * @return non-empty-list<Vector>
     */
    private static function sides(Vector $tangent, Vector $way, float $first): array
    {
        $aside = $tangent->minus($way->times($tangent->dot($way)));
        $hasSide = $aside->length() > Tolerance::SAME_DIRECTION;
        $side = $hasSide ? $aside->unit() : $way->anySquare();
        if ($tangent->dot($way) > self::AGAINST) {
            return [$side];
        }
        $others = array_map(static fn (float $degrees): Vector => $side->turnedAbout($way, deg2rad($degrees)), [
            $first,
            $first + 120.0,
            $first + 240.0,
        ]);

        return $hasSide ? [$side, ...$others] : $others;
    }

    private static function solved(Vector $along, Vector $into, Vector $way, Vector $startSide, Vector $endSide): ?self
    {
        $pull = $way->unit();
        // The value where both ends turn fully round; it is larger where they turn less.
        $decay = (1.0 - $way->length()) / 4;
        $change = INF;
        for ($iteration = 0; $iteration < self::MOST_ITERATIONS && $change > self::EXACT; $iteration++) {
            [$startAngle, $startSide] = self::aside($along, $pull, $startSide, $decay);
            [$endAngle, $endSide] = self::aside($into, $pull, $endSide, $decay);
            $straight = $way
                ->minus($startSide->times(2 * $decay * sin($startAngle / 2)))
                ->minus($endSide->times(2 * $decay * sin($endAngle / 2)));
            $shortening = 4.0 - 2.0 * cos($startAngle / 2) - 2.0 * cos($endAngle / 2);
            $next = $shortening > self::ROUNDING ? (1.0 - $straight->length()) / $shortening : INF;
            if (! ($next > 0.0 && $next < self::ROUGH_DECAY)) {
                return null;
            }
            $change = $pull->distanceTo($straight->unit()) + abs($next - $decay) / $next;
            [$pull, $decay] = [$straight->unit(), $next];
        }
        if ($change > self::CONVERGED) {
            return null;
        }
        [$startAngle, $startSide] = self::aside($along, $pull, $startSide, $decay);
        [$endAngle, $endSide] = self::aside($into, $pull, $endSide, $decay);

        return new self($pull, $decay, $startAngle, $endAngle, $startSide, $endSide);
    }

    /** Whether the form is exact to rounding; otherwise it is an estimate. */
    public function isExact(): bool
    {
        return $this->decay <= self::LONGEST_DECAY;
    }

    /** Returns ∫κ² ds for a length of 1. */
    public function energy(): float
    {
        return 4.0 / $this->decay * (2.0 - cos($this->startAngle / 2) - cos($this->endAngle / 2));
    }

    /** @return array{float, float} largest curvature for a length of 1, and the place from 0 to 1 where it is */
    public function tightest(): array
    {
        $start = 2 * sin($this->startAngle / 2) / $this->decay;
        $end = 2 * sin($this->endAngle / 2) / $this->decay;

        return $start >= $end ? [$start, 0.0] : [$end, 1.0];
    }

    /**
     * Returns points whose tangents turn by no more than a step, with the straight between both ends.
     *
     * @param  float  $turn  radians
     * @return list<array{float, Vector, Vector, float}> parameter from 0 to 1, point relative to the start, unit
     *     tangent, curvature
     */
    public function points(float $turn): array
    {
        $points = [];
        foreach (self::places($this->startAngle, $turn) as $angle) {
            $points[] = $this->nearStart($angle);
        }
        $end = array_map($this->nearEnd(...), array_reverse(self::places($this->endAngle, $turn)));
        // Each end stops at the middle: what is left of its bend there is below rounding.
        $points = array_values(array_filter($points, static fn (array $point): bool => $point[0] < 0.5));
        $end = array_values(array_filter($end, static fn (array $point): bool => $point[0] > 0.5));

        return [...$points, ...$end];
    }

    /**
     * Returns angles from that of an end down to nearly 0.
     *
     * @return non-empty-list<float>
     */
    private static function places(float $from, float $turn): array
    {
        if ($from < self::ALONG) {
            return [0.0];
        }
        $count = Tolerance::pieces($from / $turn);
        $angles = array_map(static fn (int $i): float => $from * (1.0 - $i / $count), range(0, $count - 1));
        // The tail decays for ever: a few more points, then straight.
        for ($angle = $from / $count / 4; $angle > Tolerance::PARALLEL; $angle /= 16) {
            $angles[] = $angle;
        }

        return $angles;
    }

    /** @return array{float, Vector, Vector, float} */
    private function nearStart(float $angle): array
    {
        [$place, $along, $aside] = $this->from($this->startAngle, $angle);

        return [
            $place, $this->pull->times($along)->plus($this->startSide->times($aside)),
            $this->pull->times(cos($angle))->plus($this->startSide->times(sin($angle))),
            (2 * sin($angle / 2)) / $this->decay,
        ];
    }

    /** @return array{float, Vector, Vector, float} */
    private function nearEnd(float $angle): array
    {
        [$place, $along, $aside] = $this->from($this->endAngle, $angle);
        $way = $this->pull
            ->times(1.0 - 2 * $this->decay * (2.0 - cos($this->startAngle / 2) - cos($this->endAngle / 2)))
            ->plus($this->startSide->times(2 * $this->decay * sin($this->startAngle / 2)))
            ->plus($this->endSide->times(2 * $this->decay * sin($this->endAngle / 2)));

        return [
            1.0 - $place, $way->minus($this->pull->times($along))->minus($this->endSide->times($aside)),
            $this->pull->times(cos($angle))->plus($this->endSide->times(sin($angle))),
            (2 * sin($angle / 2)) / $this->decay,
        ];
    }

    /**
     * Returns the length from the end to a given angle, and the distances along the pull and aside.
     *
     * @return array{float, float, float}
     */
    private function from(float $first, float $angle): array
    {
        if ($first < self::ALONG) {
            return [0.0, 0.0, 0.0];
        }
        $place = $this->decay * log(tan($first / 4) / tan($angle / 4));

        return [
            $place,
            $place - 2 * $this->decay * (cos($angle / 2) - cos($first / 2)),
            2 * $this->decay * (sin($first / 2) - sin($angle / 2)),
        ];
    }

    /**
     * Returns how an end turns from the pull. An end that points nearly against the pull may turn by a little more than
     * π, because it moves aside by up to 2λ, which tilts the pull. So its side is kept from one iteration to the next
     * instead of being taken from the tangent alone.
     *
     * @return array{float, Vector} angle from the pull to the tangent, 0 to 2π, and the unit direction perpendicular to
     *     the pull in which it turns
     */
    private static function aside(Vector $tangent, Vector $pull, Vector $before, float $decay): array
    {
        $aside = $tangent->minus($pull->times($tangent->dot($pull)));
        if ($tangent->dot($pull) > 0.0) {
            return [$tangent->angleTo($pull), $aside->length() > 0.0 ? $aside->unit() : $pull->anySquare()];
        }
        $kept = $before->minus($pull->times($before->dot($pull)));
        $side = $aside->plus($kept->times(max(8 * $decay, Tolerance::SAME_DIRECTION)))->unit();
        $angle = atan2($aside->dot($side), $tangent->dot($pull));

        return [$angle < 0.0 ? $angle + 2 * M_PI : $angle, $side];
    }
}
