<?php

declare(strict_types=1);

namespace Bowline\Curves;

use Bowline\Geometry\Bisection;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Path;
use Bowline\Geometry\Segment;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/**
 * A helix wound round a path along its bends: at developed length u of the path it is r away in a direction that turns
 * once per pitch. The directions perpendicular to the path are carried along it by parallel transport.
 */
final class Winding
{
    /** Turn between two points of the curve, radians. */
    private const TURN = 0.9 * M_PI / 180;

    private const MOST_POINTS = 20000;

    /** @var list<array{float, Segment, Vector}> where each piece of the path begins, and the upright direction there */
    private array $pieces = [];

    /** @var array<int, list<Vector>> the upright at every point of a piece that is a curve */
    private array $frames = [];

    /**
     * @param  float  $radius  from the path to the middle of what is wound, mm
     * @param  float  $pitch  along the path to a turn, mm; less than 0 winds the left hand, INF runs beside the path
     * @param  float  $start  radians from upright, right-handed about the travel
     */
    private function __construct(
        private readonly float $from,
        private readonly float $radius,
        private readonly float $pitch,
        private readonly float $start,
    ) {
    }

    /**
     * @param  float  $from  developed length along the path, mm
     * @param  Vector  $up  unit: what the start angle is measured from, made square to the path
     */
    public static function round(
        Path $path,
        float $from,
        float $to,
        float $radius,
        float $pitch,
        float $start,
        Vector $up,
    ): Curve {
        $winding = new self($from, $radius, $pitch, $start);
        $winding->carry($path, $up);

        return $winding->curve($to);
    }

    /**
     * Returns the start angle of a second strand for which the least distance of the two centrelines is the given one.
     *
     * @param  float  $radius  from the host to both centrelines, mm
     * @param  float  $pitch  mm a turn; INF beside the host
     * @return float radians; more than a turn where they cannot be that far apart
     */
    public static function turnApart(float $radius, float $pitch, float $apart): float
    {
        // The least distance is measured across the strands: the minimum over how much of the angle is made up along
        // the host.
        $distance = static function (float $turn) use ($radius, $pitch): float {
            $least = INF;
            for ($i = 0; $i <= 200; $i++) {
                $along = is_finite($pitch) ? $turn * $i / 200 : 0.0;
                $least = min(
                    $least,
                    hypot(
                        2 * $radius * sin(($turn - $along) / 2),
                        is_finite($pitch) ? ($pitch * $along) / (2 * M_PI) : 0.0,
                    ),
                );
            }

            return $least;
        };
        [$low, $high] = [0.0, M_PI];
        if ($distance($high) < $apart) {
            return 3 * M_PI;
        }
        while ($high - $low > Tolerance::NOTHING) {
            $middle = ($low + $high) / 2;
            [$low, $high] = $distance($middle) < $apart ? [$middle, $high] : [$low, $middle];
        }

        return $high;
    }

    private function carry(Path $path, Vector $up): void
    {
        $at = 0.0;
        $upright = null;
        foreach ($path->segments as $segment) {
            $travel = $segment->directionAt(0.0);
            if ($upright === null) {
                $square = $up->minus($travel->times($up->dot($travel)));
                $upright = $square->length() > Tolerance::NO_SIDE ? $square->unit() : $travel->anySquare();
            }
            $this->pieces[] = [$at, $segment, $upright];
            $at += $segment->length();
            $upright = $segment->carried($upright, $segment->length());
        }
        // The angle is given at the start of the winding, so the turn of the path before it does not count.
        $first = $this->place($this->from);
        $square = $up->minus($first[1]->times($up->dot($first[1])));
        if ($square->length() > Tolerance::NO_SIDE) {
            $square = $square->unit();
            $turn = atan2($first[1]->dot($first[2]->cross($square)), $first[2]->dot($square));
            $this->frames = [];
            $this->pieces = array_map(static fn (array $piece): array => [
                $piece[0], $piece[1], $piece[2]->turnedAbout($piece[1]->directionAt(0.0), $turn),
            ], $this->pieces);
        }
    }

    /** Carries the upright to a point of a curve from its knot before that. */
    private function carriedOn(int $piece, Curve $curve, Vector $upright, float $along): Vector
    {
        if (! isset($this->frames[$piece])) {
            $last = $curve->directions[0];
            $upright = $upright->squareTo($last);
            $frames = [];
            foreach ($curve->directions as $travel) {
                $frames[] = $upright = $upright->transported($last, $travel);
                $last = $travel;
            }
            $this->frames[$piece] = $frames;
        }
        $point = Bisection::piece($curve->along, $along);

        return $this->frames[$piece][$point]->transported($curve->directions[$point], $curve->directionAt($along));
    }

    /**
     * Returns the point of the path, its direction, the upright carried there, and its curvature vector.
     *
     * @return array{Vector, Vector, Vector, Vector|null}
     */
    private function place(float $u): array
    {
        $found = 0;
        foreach ($this->pieces as $index => $piece) {
            if ($piece[0] > $u) {
                break;
            }
            $found = $index;
        }
        [$begin, $segment, $upright] = $this->pieces[$found];
        $own = min(max(0.0, $u - $begin), $segment->length());
        $curve = $segment->curve();

        return [
            $segment->pointAt($own), $segment->directionAt($own),
            $curve === null
                ? $segment->carried($upright, $own)
                : $this->carriedOn($found, $curve, $upright, $own),
            $segment->bendingAt($own),
        ];
    }

    /** Returns the unit direction from the path to the strand. */
    private function outward(float $u, Vector $travel, Vector $upright): Vector
    {
        $angle = $this->start + 2 * M_PI * ($u - $this->from) / $this->pitch;

        return $upright->times(cos($angle))->plus($travel->cross($upright)->times(sin($angle)));
    }

    /**
     * Returns the first and second derivative by the length of a path of constant curvature. With travel T, outward e,
     * b = T×e, curvature vector k and τ radians per mm: r′ = (1 − r e·k)T + rτb and r″ = −2rτ(b·k)T + (1 − r e·k)k −
     * rτ²e, since e turns about T by τ alone.
     *
     * @return array{Vector, Vector}
     */
    private function derived(Vector $bending, Vector $travel, Vector $outward): array
    {
        $turn = 2 * M_PI / $this->pitch;
        $aside = $travel->cross($outward);
        $nearer = 1.0 - $this->radius * $outward->dot($bending);

        return [
            $travel->times($nearer)->plus($aside->times($this->radius * $turn)),
            $travel
                ->times(-2.0 * $this->radius * $turn * $aside->dot($bending))
                ->plus($bending->times($nearer))
                ->plus($outward->times(-$this->radius * $turn ** 2)),
        ];
    }

    private function curve(float $to): Curve
    {
        $turns = abs(($to - $this->from) / $this->pitch);
        // On a straight path it is a plain helix, whose length and radius have closed forms.
        $perTurn = 2 * M_PI * $this->radius;
        $slope = hypot($perTurn / $this->pitch, 1.0);
        $helixRadius = $this->radius + ($this->pitch / (2 * M_PI)) ** 2 / $this->radius;
        $bends = array_sum(array_map(static fn (array $piece): float => $piece[1]->turning(), $this->pieces));
        $pieces = min(self::MOST_POINTS, max(16, Tolerance::pieces(($turns * 2 * M_PI + $bends) / self::TURN)));
        $step = ($to - $this->from) / $pieces;
        $points = $places = [];
        for ($i = 0; $i <= $pieces; $i++) {
            $u = $this->from + $step * $i;
            [$point, $travel, $upright, $bending] = $this->place($u);
            $outward = $this->outward($u, $travel, $upright);
            $points[] = $point->plus($outward->times($this->radius));
            $places[] = [$bending, $travel, $outward];
        }
        $directions = $along = $curvature = [];
        $length = 0.0;
        $most = [0.0, 0.0];
        $isStraight = $bends < Tolerance::PARALLEL;
        foreach ($points as $i => $here) {
            [$bending, $travel, $outward] = $places[$i];
            if ($bending !== null) {
                [$first, $second] = $this->derived($bending, $travel, $outward);
            } else {
                // A curve is known at points: differences over a step that hardly turns.
                $middle = max(1, min($pieces - 1, $i));
                [$before, $on, $after] = [$points[$middle - 1], $points[$middle], $points[$middle + 1]];
                $second = $after->plus($before)->minus($on->times(2.0))->times(1.0 / $step ** 2);
                $first = $after->minus($before)->times(0.5 / $step)->plus($second->times($step * ($i - $middle)));
            }
            $bend = $isStraight
                ? (is_finite($helixRadius)
                    ? 1.0 / $helixRadius
                    : 0.0)
                : $first->cross($second)->length() / $first->length() ** 3;
            if ($i > 0) {
                $chord = $here->distanceTo($points[$i - 1]);
                // The arc over the chord of a curve of this radius.
                $length += $isStraight ? $step * $slope : $chord * (1.0 + ($chord * $bend) ** 2 / 24.0);
            }
            $directions[] = $first->unit();
            $along[] = $length;
            $curvature[] = $bend;
            $most = $bend > $most[0] ? [$bend, $length] : $most;
        }

        return new Curve($points, $directions, $along, $curvature, $most[0] > 0.0 ? 1.0 / $most[0] : INF, $most[1]);
    }
}
