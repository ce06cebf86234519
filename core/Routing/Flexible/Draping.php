<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Curves\Catenary;
use Bowline\Curves\LengthAndBendProjection;
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
    /**
     * Friction of a hose or a sheathed cable on painted metal or wood is about 0.3. A step holds with half of that:
     * with all of it arches stand that would slide apart.
     */
    private const FRICTION = 0.15;

    /** Kept off a surface beyond half its outside, mm, and kept wider than its least radius, as a part of it. */
    private const OFF = 0.08;

    private const WIDER = 1.04;

    private const WIDEST = 1.1;

    /** How much of its speed a node keeps from step to step. */
    private const KEPT = 0.97;

    /** Links, at least and at most. */
    private const FEWEST = 24;

    private const MOST = 140;

    /**
     * How many times fewer links it sinks in at first, and how far to either side it is let down, as a part of its
     * least radius. Round the rims of thin things few links may not find their way, and in a loop out of a clamp what
     * leaves its plane may not come to rest. A thick line needs a wider sweep to lie down sideways.
     */
    private const ATTEMPTS = [[3, 0.1], [3, 0.5], [2, 0.1], [3, 0.0]];

    /** It lies in something when it is deeper than this, mm. */
    public const DEEP = 0.2;

    /** Steps of sinking in few links: let out to their length, sunk, and brought to rest; then those in all of them. */
    private const LET_OUT = 120;

    private const SUNK = 400;

    private const BROUGHT = 200;

    private const REFINED = 240;

    /** Steps in which a hand takes a node where it wants it, holds it there, and in which the line settles again. */
    private const TAKEN = 60;

    private const HELD = 30;

    private const SETTLED_AGAIN = 120;

    /** How much less it falls from step to step while it is brought to rest. */
    private const EASE = 0.97;

    /**
     * Rounds of putting right once the true length has been measured, at most where bends are at their limit; how often
     * in each, and pushed out once more.
     */
    private const ROUNDS = 6;

    private const MOST_ROUNDS = 12;

    private const PUTTING_RIGHT = 14;

    private const PUSHED_OUT = 3;

    /** Who watches is told when this part of it has been done. */
    private const TELL = 0.02;

    /** Longer than it should be by more than this part, it is stretched over what it lies on. */
    public const STRETCHED = 1e-3;

    /** Longer by more than this part, no other attempt makes it fit. */
    private const TOO_SHORT = 0.02;

    /** Then it is pulled tight, so often in a round. */
    private const PULLED = 40;

    /** In how many places of a link contact is looked for while it sinks, and when it is put right. */
    private const ROUGHLY = 2;

    /** Or in more places while it sinks, so that they are no farther apart than so many times half its thickness. */
    private const APART = 2.0;

    /** It is looked along the way of a node that has moved by more than so many times half its thickness. */
    private const QUICK = 0.5;

    private const CLOSELY = 8;

    /** In so many steps it is looked whether it meets something on its way down. */
    private const LOOKS_DOWN = 10;

    /** Longer arches than this many times its length are not tried, to get over what stands between. */
    private const LONGEST = 4.0;

    /** @var array<int, float> where the nodes are */
    private array $x;

    /** @var array<int, float> */
    private array $y;

    /** @var array<int, float> */
    private array $z;

    /** @var array<int, float> 1 where a node is free to move, 0 where it is held */
    private array $free;

    private int $links;

    private float $wider = self::WIDER;

    /** Steps times links: all there are to do, done, and when it was told last. */
    private int $toDo = 0;

    private int $done = 0;

    private int $toldAt = 0;

    private float $link;

    private readonly Clearance $clearance;

    private function __construct(
        private readonly DrapedEnd $start,
        private readonly DrapedEnd $end,
        private readonly Vector $up,
        private readonly float $length,
        private readonly float $half,
        private readonly float $least,
        private readonly float $bending,
        private readonly Bodies $bodies,
        private readonly ?Watch $watch,
    ) {
        $this->clearance = new Clearance($bodies, $half, $start->at, $end->isFree ? null : $end->at);
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

    /**
     * Let down from above it meets nothing on its way: what stands between its ends and where it hangs would catch it.
     */
    private function comesDownClear(): bool
    {
        $distance = $this->start->at->distanceTo($this->end->at);
        for ($part = 1; $part < self::LOOKS_DOWN; $part++) {
            $length = $distance + ($this->length - $distance) * ($part / self::LOOKS_DOWN) ** 2;
            if (
                $length > $distance + 1e-9 &&
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
     * The first attempt that keeps out of everything and keeps its radius; or else the one that comes nearest to it.
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
                max(0.0, $this->clearance->deepest($curve)[0] / self::DEEP - 1.0) +
                max(0.0, $this->least / $curve->least - 1.0) +
                max(0.0, $tooLong / self::STRETCHED - 1.0);
            if ($fault < $least) {
                [$best, $least] = [$curve, $fault];
            }
            // What is really too short for what it lies over is so in every attempt.
            if ($fault === 0.0 || $tooLong > self::TOO_SHORT) {
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
        $rough = max(self::FEWEST, intdiv($links, $coarser));
        $this->wider = self::WIDER;
        $this->toDo +=
            $rough * (self::SUNK + self::BROUGHT + count($nudges) * (self::TAKEN + self::HELD + self::SETTLED_AGAIN)) +
            $links * (self::REFINED + self::MOST_ROUNDS * self::PUTTING_RIGHT);
        // First in few links, which sink sooner; then in as many as its bends need.
        $this->part($this->lowestClear(), $rough);
        $this->bow($aside);
        $this->sink(0.02, self::SUNK, self::BROUGHT);
        foreach ($nudges as $nudge) {
            $this->nudge($nudge);
        }
        $this->part($this->curve(), $links);
        $this->sink(0.002, 0, self::REFINED);
        $curve = $this->curve();
        if ($curve->length() > $this->length * (1.0 + 20.0 * self::STRETCHED)) {
            return $this->pulledTight($curve);
        }
        for (
            $round = 0;
            $round < self::ROUNDS || ($round < self::MOST_ROUNDS && $curve->least < $this->least);
            $round++
        ) {
            $this->linked($this->link * max(0.99, $this->length / $curve->length()));
            // Where an edge pushes it back into a bend, more is asked of it.
            $this->wider = $round >= self::ROUNDS ? min(self::WIDEST, $this->wider * 1.01) : $this->wider;
            for ($i = 0; $i < self::PUTTING_RIGHT; $i++) {
                [$x, $y, $z] = [$this->x, $this->y, $this->z];
                $this->told();
                [$this->x, $this->y, $this->z] = LengthAndBendProjection::of(
                    $this->x,
                    $this->y,
                    $this->z,
                    $this->free,
                    $this->link,
                    $this->least,
                    $this->least * $this->wider,
                );
                $this->leaveBodies($x, $y, $z, false);
            }
            // What the last of that has pushed into an edge again.
            for ($i = 0; $i < self::PUSHED_OUT; $i++) {
                $this->leaveBodies($this->x, $this->y, $this->z, false);
            }
            $curve = $this->curve();
        }

        return $curve;
    }

    /** Too short for what it lies over: nearly as short as it can be drawn there. */
    private function pulledTight(Curve $curve): Curve
    {
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $this->linked($this->link * max(0.99, $this->length / $curve->length()));
            for ($i = 0; $i < self::PULLED; $i++) {
                $this->putRight($this->x, $this->y, $this->z, false);
            }
            $curve = $this->curve();
        }

        return $curve;
    }

    /** How many links a line of a length needs, to bend as tightly as it may. */
    public static function linksFor(float $length, float $least): int
    {
        return min(self::MOST, max(self::FEWEST, Tolerance::pieces($length / (0.35 * $least))));
    }

    /** Tells who watches, every so often. */
    private function told(): void
    {
        $this->done += $this->links;
        if ($this->watch !== null && $this->done - $this->toldAt > self::TELL * $this->toDo) {
            $this->toldAt = $this->done;
            $this->watch->settles(min(1.0, $this->done / $this->toDo), fn (): array => array_map(
                fn (int $i): Vector => new Vector($this->x[$i], $this->y[$i], $this->z[$i]), range(0, $this->links),
            ));
        }
    }

    private function part(Curve $curve, int $links): void
    {
        $this->links = $links;
        $this->link = $curve->length() / $links;
        $nodes = array_map(fn (int $i): Vector => $curve->pointAt($this->link * $i), range(0, $links));
        $this->x = array_map(static fn (Vector $node): float => $node->x, $nodes);
        $this->y = array_map(static fn (Vector $node): float => $node->y, $nodes);
        $this->z = array_map(static fn (Vector $node): float => $node->z, $nodes);
        $this->free = array_fill(0, $links + 1, 1.0);
        $this->free[0] = 0.0;
        $this->free[$links] = $this->end->isFree ? 1.0 : 0.0;
        $this->linked($this->link);
    }

    /** All links are to be so long from now on: those in a clamp are at once. */
    private function linked(float $link): void
    {
        $this->link = $link;
        $this->hold($this->start, 1);
        if (! $this->end->isFree) {
            $this->hold($this->end, $this->links - 1);
        }
    }

    /** A clamped end holds the node next to it as well, on its axis. */
    private function hold(DrapedEnd $end, int $node): void
    {
        if ($end->axis !== null) {
            $at = $end->at->plus($end->axis->times($this->link));
            [$this->x[$node], $this->y[$node], $this->z[$node]] = $at->toArray();
            $this->free[$node] = 0.0;
        }
    }

    /** A node is taken to where a hand wants it, held there, and let go. */
    private function nudge(Nudge $nudge): void
    {
        $node = max(1, min($this->links - 1, (int) round($nudge->along * $this->links)));
        if ($this->free[$node] === 0.0) {
            return;
        }
        $from = new Vector($this->x[$node], $this->y[$node], $this->z[$node]);
        $way = $nudge->to->minus($from);
        $this->free[$node] = 0.0;
        $speed = [$still = array_fill(0, $this->links + 1, 0.0), $still, $still];
        $fall = 0.02 * $this->link;
        for ($step = 1; $step <= self::TAKEN + self::HELD; $step++) {
            [$this->x[$node], $this->y[$node], $this->z[$node]] = $from
                ->plus($way->times(min(1.0, $step / self::TAKEN)))
                ->toArray();
            $this->step($speed, $fall);
        }
        $this->free[$node] = 1.0;
        for ($step = 0; $step < self::SETTLED_AGAIN; $step++) {
            $this->step($speed, $fall);
            $fall *= $step > self::SETTLED_AGAIN / 2 ? self::EASE : 1.0;
        }
    }

    /**
     * No line lies in one plane for good: a little to the one side and to the other of it, or what is too long would
     * stand there in waves. Ends on one plumb line or in one place give no side to hang to, and it would fold upon
     * itself: it gets one.
     */
    private function bow(float $aside): void
    {
        $across = $this->up->cross($this->laidOutTo()->minus($this->start->at));
        $side = $across->length() > 1e-6 ? $across->unit() : $this->up->anySquare();
        $isPlumb = $across->length() <= $this->least && ! $this->end->isFree;
        for ($i = 1; $i < $this->links; $i++) {
            $by =
                $this->least *
                ($aside * sin((2 * M_PI * $i) / $this->links) + ($isPlumb ? sin((M_PI * $i) / $this->links) : 0.0));
            $this->move($i, $by * $this->free[$i], $side->x, $side->y, $side->z);
        }
    }

    private function curve(): Curve
    {
        $points = [$this->start->at];
        $weights = self::places(1)[0];
        for ($i = 1; $i < $this->links; $i++) {
            $points[] = new Vector(
                self::within($this->x, $i, $weights),
                self::within($this->y, $i, $weights),
                self::within($this->z, $i, $weights),
            );
        }
        $points[] = new Vector($this->x[$this->links], $this->y[$this->links], $this->z[$this->links]);

        return Spline::through($points, $this->start->axis, $this->end->axis?->times(-1.0));
    }

    /**
     * @param  float  $fall  how far it falls in a step, as a part of a link
     * @param  int  $steps  at that fall
     * @param  int  $easing  slower and slower, so that what the last step adds is not seen
     */
    private function sink(float $fall, int $steps, int $easing): void
    {
        $full = $this->length / $this->links;
        $growth = ($full - $this->link) / self::LET_OUT;
        $speed = [$still = array_fill(0, $this->links + 1, 0.0), $still, $still];
        for ($step = 0; $step < $steps + $easing; $step++) {
            $this->linked($steps === 0 || $step >= self::LET_OUT ? $full : $this->link + $growth);
            $this->step($speed, $fall * $full);
            $fall *= $step >= $steps ? self::EASE : 1.0;
        }
    }

    /**
     * The lowest arch over what stands between the ends: from the straight to one of all the length there is, and
     * to longer ones, that are pulled tight afterwards.
     */
    private function lowestClear(): Curve
    {
        [$from, $to] = [$this->start->at, $this->laidOutTo()];
        $distance = $from->distanceTo($to);
        $arch = Curve::straight($from, $to);
        for (
            $part = 0.04;
            ! $this->clearance->isClear($arch) && $arch->length() < self::LONGEST * $this->length;
            $part += 0.04
        ) {
            $length = $part < 1.0 ? $distance + ($this->length - $distance) * $part * $part : $this->length * $part;
            $arch = Catenary::between($from, $to, $this->up->times(-1.0), $length)->curve;
        }

        return $arch;
    }

    /** Its far end; a free one as far off as it is long, the way it is laid out. */
    private function laidOutTo(): Vector
    {
        if (! $this->end->isFree) {
            return $this->end->at;
        }
        $way = $this->end->at->minus($this->start->at);

        return $this->start->at->plus(
            ($way->length() > 1e-6 ? $way->unit() : $this->up->anySquare())->times(0.98 * $this->length),
        );
    }

    /** @param  array{array<int, float>, array<int, float>, array<int, float>}  $speed  mm a step, of each node */
    private function step(array &$speed, float $fall): void
    {
        $before = [$this->x, $this->y, $this->z];
        $most = $this->link * 0.5;
        [$this->x, $this->y, $this->z] = array_map(fn (array $part): array => $this->stiffened($part, $fall), $before);
        [$fx, $fy, $fz] = [$this->up->x * $fall, $this->up->y * $fall, $this->up->z * $fall];
        for ($i = 1; $i <= $this->links; $i++) {
            if ($this->free[$i] === 0.0) {
                continue;
            }
            $x = $speed[0][$i] * self::KEPT - $fx;
            $y = $speed[1][$i] * self::KEPT - $fy;
            $z = $speed[2][$i] * self::KEPT - $fz;
            $part = min(1.0, $most / max(1e-12, sqrt($x * $x + $y * $y + $z * $z)));
            $this->x[$i] += $x * $part;
            $this->y[$i] += $y * $part;
            $this->z[$i] += $z * $part;
        }
        $this->putRight($before[0], $before[1], $before[2], true);
        $this->told();
        for ($i = 1; $i <= $this->links; $i++) {
            $speed[0][$i] = $this->x[$i] - $before[0][$i];
            $speed[1][$i] = $this->y[$i] - $before[1][$i];
            $speed[2][$i] = $this->z[$i] - $before[2][$i];
        }
    }

    /**
     * A step of what its stiffness does to one part of its places meanwhile.
     *
     * @param  array<int, float>  $part
     * @return array<int, float>
     */
    private function stiffened(array $part, float $fall): array
    {
        // More at once would shake it.
        $stiff = min(0.05, $fall / $this->link * ($this->bending / $this->link) ** 3);
        $stiffened = $part;
        for ($i = 2; $i < $this->links - 1; $i++) {
            $stiffened[$i] -=
                $this->free[$i] *
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
        $this->widen();
        $this->evenLinks();
        $this->leaveBodies($x, $y, $z, $isSinking);
    }

    /**
     * Bends tighter than the least radius are opened: |p₋ − 2p + p₊| ≤ link² / radius. From both ends inwards, the two
     * together, so that what is symmetric stays so.
     */
    private function widen(): void
    {
        for ($i = 1; $i <= $this->links - $i; $i++) {
            $other = $this->links - $i;
            $one = $this->opened($i);
            $two = $other === $i ? null : $this->opened($other);
            foreach ([[$i, $one], [$other, $two]] as [$node, $by]) {
                if ($by !== null) {
                    [$x, $y, $z] = $by;
                    $this->move($node, 2 * $this->free[$node], $x, $y, $z);
                    $this->move($node - 1, -$this->free[$node - 1], $x, $y, $z);
                    $this->move($node + 1, -$this->free[$node + 1], $x, $y, $z);
                }
            }
        }
    }

    /**
     * Half of what a node whose bend is too tight moves by; null where it is not.
     *
     * @return array{float, float, float}|null
     */
    private function opened(int $i): ?array
    {
        $x = $this->x[$i - 1] + $this->x[$i + 1] - 2 * $this->x[$i];
        $y = $this->y[$i - 1] + $this->y[$i + 1] - 2 * $this->y[$i];
        $z = $this->z[$i - 1] + $this->z[$i + 1] - 2 * $this->z[$i];
        $size = sqrt($x * $x + $y * $y + $z * $z);
        $most = $this->link * $this->link / ($this->least * self::WIDER);
        if ($size <= $most) {
            return null;
        }
        $by = ($size - $most) / $size / max(1.0, 4.0 * $this->free[$i] + $this->free[$i - 1] + $this->free[$i + 1]);

        return [$by * $x, $by * $y, $by * $z];
    }

    private function move(int $i, float $by, float $x, float $y, float $z): void
    {
        $this->x[$i] += $by * $x;
        $this->y[$i] += $by * $y;
        $this->z[$i] += $by * $z;
    }

    /** All links their length at once: one step of Newton on the tridiagonal system of the forces in them. */
    private function evenLinks(): void
    {
        $x = $y = $z = $off = $upper = $right = [];
        for ($i = 0; $i < $this->links; $i++) {
            $x[$i] = $this->x[$i + 1] - $this->x[$i];
            $y[$i] = $this->y[$i + 1] - $this->y[$i];
            $z[$i] = $this->z[$i + 1] - $this->z[$i];
            $size = max(1e-9, sqrt($x[$i] * $x[$i] + $y[$i] * $y[$i] + $z[$i] * $z[$i]));
            $x[$i] /= $size;
            $y[$i] /= $size;
            $z[$i] /= $size;
            $off[$i] = $size - $this->link;
        }
        $last = $this->links - 1;
        for ($i = 0; $i <= $last; $i++) {
            // A little give, or a line that is pulled straight would have no answer.
            $pivot = $this->free[$i] + $this->free[$i + 1] + 1e-3;
            $force = $off[$i];
            if ($i > 0) {
                $before = -$this->free[$i] * ($x[$i - 1] * $x[$i] + $y[$i - 1] * $y[$i] + $z[$i - 1] * $z[$i]);
                $pivot -= $before * $upper[$i - 1];
                $force -= $before * $right[$i - 1];
            }
            $upper[$i] =
                $i < $last
                    ? (-$this->free[$i + 1] * ($x[$i] * $x[$i + 1] + $y[$i] * $y[$i + 1] + $z[$i] * $z[$i + 1])) /
                        $pivot
                    : 0.0;
            $right[$i] = $force / $pivot;
        }
        for ($i = $last - 1; $i >= 0; $i--) {
            $right[$i] -= $upper[$i] * $right[$i + 1];
        }
        for ($i = 1; $i <= $last; $i++) {
            if ($this->free[$i] !== 0.0) {
                $this->x[$i] += $x[$i] * $right[$i] - $x[$i - 1] * $right[$i - 1];
                $this->y[$i] += $y[$i] * $right[$i] - $y[$i - 1] * $right[$i - 1];
                $this->z[$i] += $z[$i] * $right[$i] - $z[$i - 1] * $right[$i - 1];
            }
        }
        if ($this->free[$this->links] !== 0.0) {
            $this->move($this->links, -$right[$last], $x[$last], $y[$last], $z[$last]);
        }
    }

    /**
     * Out of every body, at the place of each link that is deepest in one; from both ends inwards, the two together,
     * so that what is symmetric stays so.
     *
     * @param  array<int, float>  $wasX  where the nodes were
     * @param  array<int, float>  $wasY
     * @param  array<int, float>  $wasZ
     * @param  bool  $isSinking  looked at in two places of a link, not in all
     */
    private function leaveBodies(array $wasX, array $wasY, array $wasZ, bool $isSinking): void
    {
        if ($this->bodies->isEmpty()) {
            return;
        }
        $count = $isSinking
            ? max(self::ROUGHLY, min(self::CLOSELY, Tolerance::pieces($this->link / (self::APART * $this->half))))
            : self::CLOSELY;
        $all = self::places($count);
        $fromStart = array_slice($all, 0, -1, true);
        $fromEnd = array_reverse(array_slice($all, 1, null, true), true);
        for ($i = 1; $i <= $this->links - $i; $i++) {
            $other = $this->links - 1 - $i;
            if ($other < $i) {
                // The node in the middle; the links beside it have been looked at.
                $pushes = [$this->pushOut($i, array_slice($all, 0, 1, true), $i, $count, $wasX, $wasY, $wasZ)];
            } else {
                $pushes = [
                    $this->pushOut($i, $fromStart, $i, $count, $wasX, $wasY, $wasZ),
                    $this->pushOut($other, $fromEnd, $other + 1, $count, $wasX, $wasY, $wasZ),
                ];
            }
            $share = $other === $i ? 0.5 : 1.0;
            foreach ($pushes as $push) {
                if ($push !== null) {
                    [$link, $weights, $x, $y, $z] = $push;
                    $this->push($link, $weights, $share * $x, $share * $y, $share * $z);
                }
            }
        }
        if ($this->end->isFree) {
            $this->endLeavesBodies();
        }
    }

    /**
     * What takes the deepest place of a link out of what it is in, less what friction holds of its way along it.
     *
     * @param  array<int, array{float, float, float, float}>  $places  weights of the four nodes about each, by its
     *     number in the link
     * @param  int  $node  the node of the link that lies nearer to its end of the line
     * @param  int  $count  places to a link
     * @param  array<int, float>  $wasX
     * @param  array<int, float>  $wasY
     * @param  array<int, float>  $wasZ
     * @return array{int, array{float, float, float, float}, float, float, float}|null the link, the place, and how far
     *     it goes
     */
    private function pushOut(
        int $link,
        array $places,
        int $node,
        int $count,
        array $wasX,
        array $wasY,
        array $wasZ,
    ): ?array {
        $about = $this->bodies->nearest(
            $this->x[$node],
            $this->y[$node],
            $this->z[$node],
            $this->half + self::OFF + $this->link,
        );
        if ($about === null) {
            return null;
        }
        $all = $this->links * $this->link;
        $isQuick = $this->hasMoved($link, $wasX, $wasY, $wasZ) || $this->hasMoved($link + 1, $wasX, $wasY, $wasZ);
        $deepest = 0.0;
        $out = $at = null;
        foreach ($places as $place => $weights) {
            $along = ($link + $place / $count) * $this->link;
            $wanted = $this->clearance->wanted($along, $all - $along) + self::OFF;
            $x = self::within($this->x, $link, $weights);
            $y = self::within($this->y, $link, $weights);
            $z = self::within($this->z, $link, $weights);
            if (
                ! $isQuick &&
                $wanted <
                    $about[0] -
                        sqrt(($x - $this->x[$node]) ** 2 + ($y - $this->y[$node]) ** 2 + ($z - $this->z[$node]) ** 2)
            ) {
                continue;
            }
            $near = $isQuick
                ? $this->met(
                    [
                        self::within($wasX, $link, $weights),
                        self::within($wasY, $link, $weights),
                        self::within($wasZ, $link, $weights),
                    ],
                    [$x, $y, $z],
                    $wanted,
                )
                : $this->in($x, $y, $z, $wanted);
            if ($near !== null && $near[0] > $deepest) {
                [$deepest, $out, $at] = [$near[0], $near, $weights];
            }
        }
        if ($out === null || $at === null) {
            return null;
        }
        [, $nx, $ny, $nz] = $out;
        $x = self::within($this->x, $link, $at) - self::within($wasX, $link, $at);
        $y = self::within($this->y, $link, $at) - self::within($wasY, $link, $at);
        $z = self::within($this->z, $link, $at) - self::within($wasZ, $link, $at);
        $into = $x * $nx + $y * $ny + $z * $nz;
        [$x, $y, $z] = [$x - $into * $nx, $y - $into * $ny, $z - $into * $nz];
        $held = min(1.0, self::FRICTION * $deepest / max(1e-12, sqrt($x * $x + $y * $y + $z * $z)));

        return [$link, $at, $nx * $deepest - $x * $held, $ny * $deepest - $y * $held, $nz * $deepest - $z * $held];
    }

    /**
     * @param  array<int, float>  $wasX
     * @param  array<int, float>  $wasY
     * @param  array<int, float>  $wasZ
     * @return bool whether a node has moved so far that it may have gone through something thin
     */
    private function hasMoved(int $node, array $wasX, array $wasY, array $wasZ): bool
    {
        $square =
            ($this->x[$node] - $wasX[$node]) ** 2 +
            ($this->y[$node] - $wasY[$node]) ** 2 +
            ($this->z[$node] - $wasZ[$node]) ** 2;

        return $square > (self::QUICK * $this->half) ** 2;
    }

    /**
     * How far a place has to go to be out of what it is in, and which way.
     *
     * @return array{float, float, float, float}|null
     */
    private function in(float $x, float $y, float $z, float $wanted): ?array
    {
        $near = $this->bodies->nearest($x, $y, $z, $wanted);

        return $near === null ? null : [$wanted - $near[0], $near[1], $near[2], $near[3]];
    }

    /**
     * What a place of it has met on its way: thin things too, which would let it through if only looked for where it is
     * now.
     *
     * @param  array{float, float, float}  $was
     * @param  array{float, float, float}  $is
     * @return array{float, float, float, float}|null how far it has to go back, and which way; null when nothing is in
     *     its way
     */
    private function met(array $was, array $is, float $wanted): ?array
    {
        [$x, $y, $z] = $is;
        [$dx, $dy, $dz] = [$x - $was[0], $y - $was[1], $z - $was[2]];
        $looks = (int) ceil(sqrt($dx * $dx + $dy * $dy + $dz * $dz) / $this->half);
        for ($look = 1; $look < $looks; $look++) {
            $back = 1.0 - $look / $looks;
            $in = $this->in($x - $back * $dx, $y - $back * $dy, $z - $back * $dz, $wanted);
            // As if it had gone on into the plane it meets there.
            $into = $in === null ? 0.0 : -$back * ($dx * $in[1] + $dy * $in[2] + $dz * $in[3]);
            if ($in !== null && $in[0] > 0.0 && $into > 0.0) {
                return [$in[0] + $into, $in[1], $in[2], $in[3]];
            }
        }

        return $this->in($x, $y, $z, $wanted);
    }

    /** The free end comes to lie where it falls; what little it slides there is not held. */
    private function endLeavesBodies(): void
    {
        $wanted = $this->half + self::OFF;
        $near = $this->bodies->nearest($this->x[$this->links], $this->y[$this->links], $this->z[$this->links], $wanted);
        if ($near !== null) {
            $this->move($this->links, $wanted - $near[0], $near[1], $near[2], $near[3]);
        }
    }

    /**
     * Places within a link, by the weights there of the four nodes about it: those of a cubic B-spline, whose bends
     * are never tighter than those of its nodes.
     *
     * @return list<array{float, float, float, float}> one more than $count, the last at the node behind
     */
    private static function places(int $count): array
    {
        return array_map(static function (int $place) use ($count): array {
            $s = $place / $count;

            return [
                (1 - $s) ** 3 / 6,
                (3 * $s ** 3 - 6 * $s ** 2 + 4) / 6,
                (-3 * $s ** 3 + 3 * $s ** 2 + 3 * $s + 1) / 6,
                $s ** 3 / 6,
            ];
        }, range(0, $count));
    }

    /**
     * @param  array<int, float>  $part
     * @param  array{float, float, float, float}  $weights
     */
    private static function within(array $part, int $link, array $weights): float
    {
        return $part[$link - 1] * $weights[0] +
            $part[$link] * $weights[1] +
            $part[$link + 1] * $weights[2] +
            ($part[$link + 2] ?? 0.0) * $weights[3];
    }

    /** @param  array{float, float, float, float}  $weights */
    private function push(int $link, array $weights, float $x, float $y, float $z): void
    {
        $sum = 0.0;
        foreach ($weights as $k => $weight) {
            $sum += $this->isFree($link + $k - 1) ? $weight * $weight : 0.0;
        }
        foreach ($weights as $k => $weight) {
            if ($this->isFree($link + $k - 1) && $weight !== 0.0) {
                $this->move($link + $k - 1, $weight / $sum, $x, $y, $z);
            }
        }
    }

    private function isFree(int $node): bool
    {
        return ($this->free[$node] ?? 0.0) !== 0.0;
    }
}
