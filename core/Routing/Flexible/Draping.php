<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Curves\BendOpening;
use Bowline\Curves\Catenary;
use Bowline\Curves\LengthAndBendProjection;
use Bowline\Curves\LinkLengthProjection;
use Bowline\Curves\NodeChain;
use Bowline\Curves\Spline;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/**
 * A line of given length that is let down from above between two points and comes to lie on what it meets.
 *
 * Where it meets nothing and keeps its radius it is the catenary. Otherwise it is a chain that sinks step by step
 * (position-based dynamics: Müller et al., J. Vis. Comm. Image Repr. 18, 2007): the lengths of all its links are
 * put right at once by the tridiagonal system they make, bends and contacts one after another; at the end lengths
 * and bends together (LengthAndBendProjection). A contact takes away what its friction holds of the way along it.
 * Nothing is left to chance: the same input is the same shape. A hand that nudges it takes a node along and lets it go
 * again before it comes to rest.
 */
final class Draping
{
    private const RADIUS_MARGIN = 1.04;

    private const LARGEST_RADIUS_MARGIN = 1.1;

    /** Share of its velocity that a node keeps from step to step. */
    private const VELOCITY_DAMPING = 0.97;

    /** Fewest and most links of a chain. */
    private const FEWEST_LINKS = 24;

    private const MOST_LINKS = 140;

    /**
     * For each attempt: the factor by which the first chain is coarser, and its sideways offset as a share of the least
     * radius. Coarse chains may not find their way round the rims of thin bodies; in a loop out of a clamp a chain that
     * leaves its plane may not come to rest; a thick line needs a wider offset to lie down sideways.
     */
    private const ATTEMPTS = [[3, 0.1], [3, 0.5], [2, 0.1], [3, 0.0]];

    /** A line counts as inside a body when it is deeper than this, mm. */
    public const DEPTH_TOLERANCE = 0.2;

    /**
     * Numbers of steps of the coarse chain: let out to its length, sunk, and brought to rest; then those of the fine
     * chain.
     */
    private const LET_OUT_STEPS = 120;

    private const SINKING_STEPS = 400;

    private const RESTING_STEPS = 200;

    private const REFINING_STEPS = 240;

    /** Numbers of steps in which a nudge moves a node, holds it, and lets the line settle again. */
    private const NUDGE_STEPS = 60;

    private const NUDGE_HOLD_STEPS = 30;

    private const NUDGE_SETTLING_STEPS = 120;

    /** Factor by which the fall of a step decreases while the line is brought to rest. */
    private const FALL_DECAY = 0.97;

    /**
     * Most rounds of correction once the true length has been measured; projections in each; and contact corrections at
     * the end.
     */
    private const CORRECTION_ROUNDS = 6;

    private const MOST_CORRECTION_ROUNDS = 12;

    private const CORRECTIONS_A_ROUND = 14;

    private const CONTACT_CORRECTIONS = 3;

    /** Progress is reported each time this share of the work is done. */
    private const PROGRESS_STEP = 0.02;

    /** A line whose curve exceeds its length by more than this share is stretched over what it lies on. */
    public const STRETCH_TOLERANCE = 1e-3;

    /** Excess of length, as a share, beyond which no other attempt is made. */
    private const HOPELESS_STRETCH = 0.02;

    /** Steps of one round in which such a line is pulled tight. */
    private const TIGHTENING_STEPS = 40;

    /** Heights at which the way down is tested for contact. */
    private const DESCENT_SAMPLES = 10;

    /** Longest arch over an obstacle that is tried, as a multiple of the length. */
    private const LONGEST_ARCH = 4.0;

    private NodeChain $chain;

    private float $wider = self::RADIUS_MARGIN;

    /** Work in steps times links: the total, what is done, and what was done at the last report. */
    private int $toDo = 0;

    private int $done = 0;

    private int $toldAt = 0;

    private readonly Clearance $clearance;

    private readonly ContactProjection $contacts;

    private function __construct(
        private readonly DrapedEnd $start,
        private readonly DrapedEnd $end,
        private readonly Vector $up,
        private readonly float $length,
        float $half,
        private readonly float $least,
        private readonly float $bending,
        Bodies $bodies,
        private readonly ?Watch $watch,
    ) {
        $this->clearance = new Clearance($bodies, $half, $start->at, $end->isFree ? null : $end->at);
        $this->contacts = new ContactProjection($bodies, $this->clearance, $half, $end->isFree);
    }

    /**
     * @param  DrapedEnd  $end  when it is free, its place is only where the line is laid out towards
     * @param  Vector  $up  unit
     * @param  float  $length  mm, more than the distance of the two points
     * @param  float  $half  half the outside of the line, mm
     * @param  float  $least  the least radius it may bend to, mm
     * @param  float  $bending  the length over which its weight and stiffness are even, mm (Stock::bendingLength)
     * @param  Watch|null  $watch  who sees it settle
     * @param  list<Nudge>  $nudges  what hands do to it before it comes to rest, one after another
     */
    public static function between(
        DrapedEnd $start,
        DrapedEnd $end,
        Vector $up,
        float $length,
        float $half,
        float $least,
        float $bending,
        Bodies $bodies,
        array $nudges = [],
        ?Watch $watch = null,
    ): Curve {
        $draping = new self(
            $start,
            $end,
            $up,
            $length,
            $half,
            max($least, $half),
            max($bending, $half / 2),
            $bodies,
            $watch,
        );
        if ($start->isPinned() && $end->isPinned() && $nudges === []) {
            $hanging = Catenary::between($start->at, $end->at, $up, $length)->curve;
            if ($hanging->least >= $least && $draping->clearance->isClear($hanging) && $draping->comesDownClear()) {
                return $hanging;
            }
        }

        return $draping->settled($nudges);
    }

    /** Whether the line touches nothing on its way down from above to where it hangs. */
    private function comesDownClear(): bool
    {
        $distance = $this->start->at->distanceTo($this->end->at);
        for ($part = 1; $part < self::DESCENT_SAMPLES; $part++) {
            $length = $distance + ($this->length - $distance) * ($part / self::DESCENT_SAMPLES) ** 2;
            if (
                $length > $distance + Tolerance::NOTHING &&
                ! $this->clearance->isClear(
                    Catenary::between($this->start->at, $this->end->at, $this->up, $length)->curve,
                )
            ) {
                return false;
            }
        }

        return true;
    }

    /**
     * Returns the result of the first attempt that stays out of every body and keeps its radius, or else of the best
     * attempt.
     *
     * @param  list<Nudge>  $nudges
     */
    private function settled(array $nudges): Curve
    {
        $best = null;
        $least = INF;
        foreach (self::ATTEMPTS as [$coarser, $aside]) {
            $curve = $this->settledIn($coarser, $aside, $nudges);
            $tooLong = $curve->length() / $this->length - 1.0;
            $fault =
                max(0.0, $this->clearance->deepest($curve)[0] / self::DEPTH_TOLERANCE - 1.0) +
                max(0.0, $this->least / $curve->least - 1.0) +
                max(0.0, $tooLong / self::STRETCH_TOLERANCE - 1.0);
            if ($fault < $least) {
                [$best, $least] = [$curve, $fault];
            }
            // A line that is too short for what it lies over is so in every attempt.
            if ($fault === 0.0 || $tooLong > self::HOPELESS_STRETCH) {
                break;
            }
        }

        return $best ?? Curve::straight($this->start->at, $this->end->at);
    }

    /**
     * @param  int  $coarser  how many times fewer links it sinks in
     * @param  float  $aside  how far to either side it is let down, as a part of its least radius
     * @param  list<Nudge>  $nudges
     */
    private function settledIn(int $coarser, float $aside, array $nudges): Curve
    {
        $links = self::linksFor($this->length, $this->least);
        $rough = max(self::FEWEST_LINKS, intdiv($links, $coarser));
        $this->wider = self::RADIUS_MARGIN;
        $this->toDo +=
            $rough *
                (self::SINKING_STEPS +
                    self::RESTING_STEPS +
                    count($nudges) * (self::NUDGE_STEPS + self::NUDGE_HOLD_STEPS + self::NUDGE_SETTLING_STEPS)) +
            $links * (self::REFINING_STEPS + self::MOST_CORRECTION_ROUNDS * self::CORRECTIONS_A_ROUND);
        // A coarse chain first, which sinks in fewer steps; then one with as many links as its bends need.
        $this->divide($this->lowestClear(), $rough);
        $this->bow($aside);
        $this->sink(0.02, self::SINKING_STEPS, self::RESTING_STEPS);
        foreach ($nudges as $nudge) {
            $this->nudge($nudge);
        }
        $this->divide($this->curve(), $links);
        $this->sink(0.002, 0, self::REFINING_STEPS);
        $curve = $this->curve();
        if ($curve->length() > $this->length * (1.0 + 20.0 * self::STRETCH_TOLERANCE)) {
            return $this->pulledTight($curve);
        }
        for (
            $round = 0;
            $round < self::CORRECTION_ROUNDS || ($round < self::MOST_CORRECTION_ROUNDS && $curve->least < $this->least);
            $round++
        ) {
            $this->setLinkLength($this->chain->link * max(0.99, $this->length / $curve->length()));
            // Where an edge pushes the line back into a bend, a wider radius is asked for.
            $this->wider =
                $round >= self::CORRECTION_ROUNDS
                    ? min(self::LARGEST_RADIUS_MARGIN, $this->wider * 1.01)
                    : $this->wider;
            for ($i = 0; $i < self::CORRECTIONS_A_ROUND; $i++) {
                [$x, $y, $z] = [$this->chain->x, $this->chain->y, $this->chain->z];
                $this->reportProgress();
                [$this->chain->x, $this->chain->y, $this->chain->z] = LengthAndBendProjection::of(
                    $this->chain->x,
                    $this->chain->y,
                    $this->chain->z,
                    $this->chain->free,
                    $this->chain->link,
                    $this->least,
                    $this->least * $this->wider,
                );
                $this->contacts->apply($this->chain, $x, $y, $z, false);
            }
            // Corrects what the last projection has pushed into an edge again.
            for ($i = 0; $i < self::CONTACT_CORRECTIONS; $i++) {
                $this->contacts->apply($this->chain, $this->chain->x, $this->chain->y, $this->chain->z, false);
            }
            $curve = $this->curve();
        }

        return $curve;
    }

    /** Returns the curve pulled as short as it can be over what it lies on. */
    private function pulledTight(Curve $curve): Curve
    {
        for ($round = 0; $round < self::CORRECTION_ROUNDS; $round++) {
            $this->setLinkLength($this->chain->link * max(0.99, $this->length / $curve->length()));
            for ($i = 0; $i < self::TIGHTENING_STEPS; $i++) {
                $this->putRight($this->chain->x, $this->chain->y, $this->chain->z, false);
            }
            $curve = $this->curve();
        }

        return $curve;
    }

    /** Returns how many links a line of this length needs to bend to its least radius. */
    public static function linksFor(float $length, float $least): int
    {
        return min(self::MOST_LINKS, max(self::FEWEST_LINKS, Tolerance::pieces($length / (0.35 * $least))));
    }

    /** Reports progress when another share of the work is done. */
    private function reportProgress(): void
    {
        $this->done += $this->chain->links;
        if ($this->watch !== null && $this->done - $this->toldAt > self::PROGRESS_STEP * $this->toDo) {
            $this->toldAt = $this->done;
            $this->watch->settles(min(1.0, $this->done / $this->toDo), fn (): array => array_map(
                $this->chain->node(...), range(0, $this->chain->links),
            ));
        }
    }

    private function divide(Curve $curve, int $links): void
    {
        $link = $curve->length() / $links;
        $this->chain = new NodeChain(
            array_map(static fn (int $i): Vector => $curve->pointAt($link * $i), range(0, $links)),
            $link,
        );
        $this->chain->free[0] = 0.0;
        $this->chain->free[$links] = $this->end->isFree ? 1.0 : 0.0;
        $this->setLinkLength($link);
    }

    /** Sets the length of all links; those inside a clamp are moved to it at once. */
    private function setLinkLength(float $link): void
    {
        $this->chain->link = $link;
        $this->hold($this->start, 1);
        if (! $this->end->isFree) {
            $this->hold($this->end, $this->chain->links - 1);
        }
    }

    /** Fixes the end node and, for a clamped end, the node next to it on the axis. */
    private function hold(DrapedEnd $end, int $node): void
    {
        if ($end->axis !== null) {
            $at = $end->at->plus($end->axis->times($this->chain->link));
            $this->chain->put($node, $at);
            $this->chain->free[$node] = 0.0;
        }
    }

    /** Moves a node to the place of a nudge, holds it there, and lets it go. */
    private function nudge(Nudge $nudge): void
    {
        $node = max(1, min($this->chain->links - 1, (int) round($nudge->along * $this->chain->links)));
        if ($this->chain->free[$node] === 0.0) {
            return;
        }
        $from = $this->chain->node($node);
        $way = $nudge->to->minus($from);
        $this->chain->free[$node] = 0.0;
        $speed = [$still = array_fill(0, $this->chain->links + 1, 0.0), $still, $still];
        $fall = 0.02 * $this->chain->link;
        for ($step = 1; $step <= self::NUDGE_STEPS + self::NUDGE_HOLD_STEPS; $step++) {
            $this->chain->put($node, $from->plus($way->times(min(1.0, $step / self::NUDGE_STEPS))));
            $this->step($speed, $fall);
        }
        $this->chain->free[$node] = 1.0;
        for ($step = 0; $step < self::NUDGE_SETTLING_STEPS; $step++) {
            $this->step($speed, $fall);
            $fall *= $step > self::NUDGE_SETTLING_STEPS / 2 ? self::FALL_DECAY : 1.0;
        }
    }

    /**
     * Bows the chain a little to both sides, because a chain in one plane stays in it and stands in waves where it is
     * too long. Ends on one plumb line or in one place have no side to hang to; a direction is chosen for them.
     */
    private function bow(float $aside): void
    {
        $across = $this->up->cross($this->laidOutTo()->minus($this->start->at));
        $side = $across->length() > Tolerance::NO_SIDE ? $across->unit() : $this->up->anySquare();
        $isPlumb = $across->length() <= $this->least && ! $this->end->isFree;
        for ($i = 1; $i < $this->chain->links; $i++) {
            $by =
                $this->least *
                ($aside * sin((2 * M_PI * $i) / $this->chain->links) +
                    ($isPlumb ? sin((M_PI * $i) / $this->chain->links) : 0.0));
            $this->chain->move($i, $by * $this->chain->free[$i], $side->x, $side->y, $side->z);
        }
    }

    private function curve(): Curve
    {
        $chain = $this->chain;
        $points = [$this->start->at];
        $weights = NodeChain::splineWeights(1)[0];
        for ($i = 1; $i < $chain->links; $i++) {
            $points[] = new Vector(
                NodeChain::splineAt($chain->x, $i, $weights),
                NodeChain::splineAt($chain->y, $i, $weights),
                NodeChain::splineAt($chain->z, $i, $weights),
            );
        }
        $points[] = $chain->node($chain->links);

        return Spline::through($points, $this->start->axis, $this->end->axis?->times(-1.0));
    }

    /**
     * @param  float  $fall  how far it falls in a step, as a part of a link
     * @param  int  $steps  at that fall
     * @param  int  $easing  slower and slower, so that what the last step adds is not seen
     */
    private function sink(float $fall, int $steps, int $easing): void
    {
        $full = $this->length / $this->chain->links;
        $growth = ($full - $this->chain->link) / self::LET_OUT_STEPS;
        $speed = [$still = array_fill(0, $this->chain->links + 1, 0.0), $still, $still];
        for ($step = 0; $step < $steps + $easing; $step++) {
            $this->setLinkLength($steps === 0 || $step >= self::LET_OUT_STEPS ? $full : $this->chain->link + $growth);
            $this->step($speed, $fall * $full);
            $fall *= $step >= $steps ? self::FALL_DECAY : 1.0;
        }
    }

    /**
     * Returns the lowest arch over what stands between the ends: from the straight up to the whole length, then longer
     * ones, which are pulled tight afterwards.
     */
    private function lowestClear(): Curve
    {
        [$from, $to] = [$this->start->at, $this->laidOutTo()];
        $distance = $from->distanceTo($to);
        $arch = Curve::straight($from, $to);
        for (
            $part = 0.04;
            ! $this->clearance->isClear($arch) && $arch->length() < self::LONGEST_ARCH * $this->length;
            $part += 0.04
        ) {
            $length = $part < 1.0 ? $distance + ($this->length - $distance) * $part * $part : $this->length * $part;
            $arch = Catenary::between($from, $to, $this->up->times(-1.0), $length)->curve;
        }

        return $arch;
    }

    /** Returns the far end; a free one lies at the full length in the direction in which the run is laid out. */
    private function laidOutTo(): Vector
    {
        if (! $this->end->isFree) {
            return $this->end->at;
        }
        $way = $this->end->at->minus($this->start->at);

        return $this->start->at->plus(
            ($way->length() > Tolerance::NO_SIDE ? $way->unit() : $this->up->anySquare())->times(0.98 * $this->length),
        );
    }

    /** @param  array{array<int, float>, array<int, float>, array<int, float>}  $speed  mm a step, of each node */
    private function step(array &$speed, float $fall): void
    {
        $chain = $this->chain;
        $before = [$chain->x, $chain->y, $chain->z];
        $most = $chain->link * 0.5;
        [$chain->x, $chain->y, $chain->z] = array_map(
            fn (array $part): array => $this->stiffened($part, $fall),
            $before,
        );
        [$fx, $fy, $fz] = [$this->up->x * $fall, $this->up->y * $fall, $this->up->z * $fall];
        for ($i = 1; $i <= $chain->links; $i++) {
            if ($chain->free[$i] === 0.0) {
                continue;
            }
            $x = $speed[0][$i] * self::VELOCITY_DAMPING - $fx;
            $y = $speed[1][$i] * self::VELOCITY_DAMPING - $fy;
            $z = $speed[2][$i] * self::VELOCITY_DAMPING - $fz;
            $part = min(1.0, $most / max(Tolerance::SAFEGUARD, sqrt($x * $x + $y * $y + $z * $z)));
            $chain->x[$i] += $x * $part;
            $chain->y[$i] += $y * $part;
            $chain->z[$i] += $z * $part;
        }
        $this->putRight($before[0], $before[1], $before[2], true);
        $this->reportProgress();
        for ($i = 1; $i <= $chain->links; $i++) {
            $speed[0][$i] = $chain->x[$i] - $before[0][$i];
            $speed[1][$i] = $chain->y[$i] - $before[1][$i];
            $speed[2][$i] = $chain->z[$i] - $before[2][$i];
        }
    }

    /**
     * Applies one step of bending stiffness to one coordinate of all nodes.
     *
     * @param  array<int, float>  $part
     * @return array<int, float>
     */
    private function stiffened(array $part, float $fall): array
    {
        $chain = $this->chain;
        // A larger step would oscillate.
        $stiff = min(0.05, $fall / $chain->link * ($this->bending / $chain->link) ** 3);
        $stiffened = $part;
        for ($i = 2; $i < $chain->links - 1; $i++) {
            $stiffened[$i] -=
                $chain->free[$i] *
                $stiff *
                ($part[$i - 2] - 4 * $part[$i - 1] + 6 * $part[$i] - 4 * $part[$i + 1] + $part[$i + 2]);
        }

        return $stiffened;
    }

    /**
     * @param  array<int, float>  $x  where the nodes were, for friction
     * @param  array<int, float>  $y
     * @param  array<int, float>  $z
     */
    private function putRight(array $x, array $y, array $z, bool $isSinking): void
    {
        BendOpening::apply($this->chain, $this->least * self::RADIUS_MARGIN);
        LinkLengthProjection::apply($this->chain);
        $this->contacts->apply($this->chain, $x, $y, $z, $isSinking);
    }
}
