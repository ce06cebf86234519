<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use SplPriorityQueue;

/**
 * The cheapest way through a passage with its corners on tracks: A*, in which a state is a corner and the direction in
 * which it is reached. A state is expanded by the leg going on to the next track, and by a bend along another axis with
 * a leg to the first track that leaves room for another bend. The last corner is on the axis of the far mouth.
 * Straights and bends are checked against the bodies as they are drawn, without the points of the corners.
 *
 * @phpstan-type Point array<int, float>
 */
final class LegSearch
{
    /** The sharpest turn of a way, radians. */
    private const SHARPEST = 2.4;

    private const ON_AXIS = 1e-6;

    private const AXES = [
        [1.0, 0.0, 0.0], [-1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, -1.0, 0.0], [0.0, 0.0, 1.0], [0.0, 0.0, -1.0],
    ];

    /** The direction out of the first mouth where it slants. */
    private const SLANTED = 6;

    private readonly Mouth $from;

    private readonly Mouth $to;

    private readonly Obstacles $obstacles;

    /** @var array<int, float> the least cost of reaching a state that is known so far */
    private array $cost = [];

    /** @var array<int, int> the state from which it was reached; −1 for the first */
    private array $parent = [];

    /** @var array<int, float> the longest tangent for which the leg into the corner has room, mm */
    private array $room = [];

    /** @var array<int, float> how far the tube of the leg is free, as a coordinate in its direction of travel, mm */
    private array $reach = [];

    /** @var array<int, bool> whether a bend is free */
    private array $bends = [];

    /** @var array<int, array{float, int|null}> how far one can go from a place along an axis, and what ends it */
    private array $free = [];

    /** @var array<int, true> numbers of the bodies that blocked a leg or a bend */
    public array $blocking = [];

    /** @var array<int, true> states that were expanded */
    private array $closed = [];

    /** @var SplPriorityQueue<float, int> */
    private SplPriorityQueue $queue;

    /** @var list<Vector> */
    private array $directions;

    /** @var array{float, int, Vector|null}|null cost of the best way, its last state, a corner behind that */
    private ?array $best = null;

    /** @var Point */
    private readonly array $end;

    /** Number of the direction into the far mouth; null where that slants. */
    private readonly ?int $into;

    private readonly float $squareBend;

    /** The corner out of which a slanting leg goes into the far mouth. */
    private readonly Vector $last;

    /** States that were expanded. */
    public int $count = 0;

    /**
     * @param  array{list<float>, list<float>, list<float>}  $tracks  coordinates along each axis, ascending
     * @param  float  $below  what costs no less is not looked for
     * @param  int  $most  states that are expanded; the search is given up then
     * @param  int|null  $uphill  number of the direction that it does not take
     */
    public function __construct(
        private readonly Passage $passage,
        private readonly array $tracks,
        private readonly Costs $costs,
        private readonly float $radius,
        private readonly float $leastStraight,
        private readonly float $below,
        private readonly int $most,
        private readonly ?int $uphill,
    ) {
        [$this->from, $this->to, $this->obstacles] = [$passage->from, $passage->to, $passage->obstacles];
        $to = $this->to;
        $this->end = $to->at->toArray();
        $number = $to->axisNumber();
        $this->into = $number === null ? null : 2 * $number + ($to->axis->toArray()[$number] > 0.0 ? 1 : 0);
        $this->squareBend = $costs->bend(M_PI_2);
        $this->last = $to->out($to->straight + $radius);
        $this->directions = [...array_values(Vector::axes()), $this->from->axis];
        $this->queue = new SplPriorityQueue;
    }

    /**
     * Returns the corners of the cheapest way with both its ends, and what it costs.
     *
     * @return array{non-empty-list<Vector>, float}|null null where there is none along these tracks
     */
    public function way(): ?array
    {
        $this->takeDirect();
        $this->addFirstCorners();
        while (! $this->queue->isEmpty()) {
            /** @var array{data: int, priority: float} $top */
            $top = $this->queue->extract();
            if (-$top['priority'] >= min($this->below, $this->best[0] ?? INF) - Tolerance::COINCIDENT) {
                break;
            }
            $state = $top['data'];
            if (isset($this->closed[$state])) {
                continue;
            }
            $this->closed[$state] = true;
            $this->expand($state);
            if (++$this->count >= $this->most) {
                break;
            }
        }

        return $this->best === null ? null : [$this->vertices(), $this->best[0]];
    }

    /** Takes the straight from mouth to mouth where they look at each other. */
    private function takeDirect(): void
    {
        $way = $this->to->at->minus($this->from->at);
        $length = $way->length();
        $isStraight = $way->minus($this->from->axis->times($length))->length() < self::ON_AXIS
            && $this->from->axis->plus($this->to->axis)->length() < Tolerance::SAME_DIRECTION;
        // What comes clear of both has met nothing between them.
        if ($isStraight && $this->passage->fromFree + $this->passage->toFree >= $length) {
            $this->best = [$length, -1, null];
        }
    }

    private function addFirstCorners(): void
    {
        $this->queue->setExtractFlags(SplPriorityQueue::EXTR_BOTH);
        $axis = $this->from->axisNumber();
        foreach ($this->placesOn($this->from) as $length) {
            $node = $this->node($this->from->out($length));
            if ($node === null || $length - $this->radius > $this->passage->fromFree + Obstacles::SLACK) {
                continue;
            }
            if ($axis === null) {
                $this->relax($node * 8 + self::SLANTED, -1, $length, $length, 0.0);

                continue;
            }
            $at = $this->from->at->toArray();
            $side = $this->from->axis->toArray()[$axis] > 0.0 ? 1 : -1;
            $this->relax(
                $node * 8 + 2 * $axis + ($side > 0 ? 0 : 1), -1,
                $this->costs->leg($axis, $at, $at[$axis], $at[$axis] + $side * $length), $length,
                $side * $at[$axis] + $this->passage->fromFree,
            );

            // It goes on from there track by track.
            return;
        }
    }

    /** @return list<float> how far out of a mouth its first corner may be, mm */
    private function placesOn(Mouth $mouth): array
    {
        $least = $mouth->straight + $this->radius;
        $places = [$least];
        foreach ($mouth->axis->toArray() as $axis => $along) {
            if (abs($along) > Tolerance::NO_SIDE) {
                foreach ($this->tracks[$axis] as $at) {
                    $places[] = ($at - $mouth->at->toArray()[$axis]) / $along;
                }
            }
        }
        $places = array_filter($places, static fn (float $one): bool => $one >= $least - Tolerance::COINCIDENT);
        sort($places);

        return $places;
    }

    /** Returns the number of a corner on the tracks; null where it is not on them. */
    private function node(Vector $point): ?int
    {
        $number = 0;
        foreach ($point->toArray() as $axis => $at) {
            $index = $this->indexOf($axis, $at);
            if ($index === null) {
                return null;
            }
            $number = $number * count($this->tracks[$axis]) + $index;
        }

        return $number;
    }

    private function indexOf(int $axis, float $at): ?int
    {
        $tracks = $this->tracks[$axis];
        [$low, $high] = [0, count($tracks) - 1];
        while ($low <= $high) {
            $middle = ($low + $high) >> 1;
            if (abs($tracks[$middle] - $at) < self::ON_AXIS) {
                return $middle;
            }
            if ($tracks[$middle] < $at) {
                $low = $middle + 1;
            } else {
                $high = $middle - 1;
            }
        }

        return null;
    }

    /** @return array{int, int, int} numbers of the tracks of a corner */
    private function indices(int $node): array
    {
        [$ny, $nz] = [count($this->tracks[1]), count($this->tracks[2])];

        return [intdiv($node, $ny * $nz), intdiv($node, $nz) % $ny, $node % $nz];
    }

    /** @param  Point  $point */
    private static function vector(array $point): Vector
    {
        return new Vector($point[0], $point[1], $point[2]);
    }

    /** @return Point */
    private function point(int $node): array
    {
        [$x, $y, $z] = $this->indices($node);

        return [$this->tracks[0][$x], $this->tracks[1][$y], $this->tracks[2][$z]];
    }

    /** Notes that a state is reached at a cost, unless it is known to be reached for no more. */
    private function relax(int $state, int $parent, float $cost, float $room, float $reach): void
    {
        if (isset($this->cost[$state]) && $this->cost[$state] <= $cost + Tolerance::COINCIDENT) {
            return;
        }
        $this->cost[$state] = $cost;
        $this->parent[$state] = $parent;
        $this->room[$state] = $room;
        $this->reach[$state] = $reach;
        $this->queue->insert($state, -($cost + $this->heuristic($this->point($state >> 3), $state & 7)));
    }

    /**
     * Returns a lower bound of the cost from a corner to the end.
     *
     * @param  Point  $point
     */
    private function heuristic(array $point, int $direction): float
    {
        $x = $this->end[0] - $point[0];
        $y = $this->end[1] - $point[1];
        $z = $this->end[2] - $point[2];
        if ($this->into === null || $direction === self::SLANTED) {
            return sqrt($x * $x + $y * $y + $z * $z) * $this->costs->least;
        }

        return (abs($x) + abs($y) + abs($z)) * $this->costs->least
            + $this->squareBend * self::fewestBends([$x, $y, $z], $direction, $this->into);
    }

    /**
     * Returns how many square bends there are at least on a way that goes off and arrives along axes.
     *
     * @param  Point  $way
     */
    private static function fewestBends(array $way, int $off, int $into): int
    {
        $axis = $off >> 1;
        $ahead = ($off & 1) === 0 ? $way[$axis] : -$way[$axis];
        if ($axis === $into >> 1) {
            if ($off !== $into) {
                return 2;
            }
            [$one, $other] = [abs($way[($axis + 1) % 3]), abs($way[($axis + 2) % 3])];
            $sides = ($one > self::ON_AXIS ? 1 : 0) + ($other > self::ON_AXIS ? 1 : 0);

            return $ahead < 0.0 ? 4 : ($sides === 0 ? 0 : $sides + 1);
        }
        $last = ($into & 1) === 0 ? $way[$into >> 1] : -$way[$into >> 1];
        if ($ahead < -self::ON_AXIS || $last < -self::ON_AXIS) {
            return 3;
        }

        return abs($way[3 - $axis - ($into >> 1)]) > self::ON_AXIS ? 2 : 1;
    }

    private function expand(int $state): void
    {
        $node = $state >> 3;
        $point = $this->point($node);
        $this->finish($state, $point);
        $indices = $this->indices($node);
        $direction = $state & 7;
        if ($direction !== self::SLANTED) {
            $this->expandStraight($state, $point, $indices, $direction);
        }
        for ($next = 0; $next < 6; $next++) {
            $angle = $this->turn($direction, $next);
            if ($next !== $this->uphill && $angle > Tolerance::NO_TURN && $angle < self::SHARPEST
                && $this->radius * tan($angle / 2) <= $this->room[$state] + Tolerance::COINCIDENT) {
                $this->expandBend($state, $point, $indices, $next, $angle);
            }
        }
    }

    /**
     * Goes on to the next track.
     *
     * @param  Point  $point
     * @param  array{int, int, int}  $indices
     */
    private function expandStraight(int $state, array $point, array $indices, int $direction): void
    {
        $axis = $direction >> 1;
        $side = ($direction & 1) === 0 ? 1 : -1;
        $at = $this->tracks[$axis][$indices[$axis] + $side] ?? null;
        // The tube of the leg ends where the next bend begins.
        if ($at !== null && $side * $at - $this->radius <= $this->reach[$state] + Obstacles::SLACK) {
            $this->relax(
                $this->at($indices, $axis, $indices[$axis] + $side) * 8 + $direction, $state,
                $this->cost[$state] + $this->costs->leg($axis, $point, $point[$axis], $at),
                $this->room[$state] + abs($at - $point[$axis]), $this->reach[$state],
            );
        }
    }

    /**
     * Bends along an axis, and goes as far as to leave room for another bend.
     *
     * @param  Point  $point
     * @param  array{int, int, int}  $indices
     */
    private function expandBend(int $state, array $point, array $indices, int $next, float $angle): void
    {
        $axis = $next >> 1;
        $side = ($next & 1) === 0 ? 1 : -1;
        $tangent = $this->radius * tan($angle / 2);
        $tracks = $this->tracks[$axis];
        $least = $tangent + $this->leastStraight + $this->radius - Tolerance::COINCIDENT;
        $i = $indices[$axis] + $side;
        while (isset($tracks[$i]) && abs($tracks[$i] - $point[$axis]) < $least) {
            $i += $side;
        }
        if (! isset($tracks[$i])) {
            return;
        }
        $cost = $this->cost[$state] + $this->costs->bend($angle)
            + $this->costs->leg($axis, $point, $point[$axis], $tracks[$i]);
        $there = $this->at($indices, $axis, $i) * 8 + $next;
        if (isset($this->cost[$there]) && $this->cost[$there] <= $cost + Tolerance::COINCIDENT) {
            return;
        }
        $start = $point;
        $start[$axis] += $side * $tangent;
        $key = $state * 8 + $next;
        [$free, $body] = $this->free[$key] ??= $this->obstacles->free($axis, $start, $side);
        if ($body !== null) {
            $this->blocking[$body] = true;
        }
        $length = abs($tracks[$i] - $point[$axis]);
        if ($free >= $length - $tangent - $this->radius - Obstacles::SLACK
            && ($this->bends[$key] ??= $this->isBendFree($point, $state & 7, $next))) {
            $this->relax(
                $there, $state, $cost, $length - $tangent - $this->leastStraight, $side * $start[$axis] + $free,
            );
        }
    }

    /**
     * @param  array{int, int, int}  $indices
     * @return int the number of the corner with another track along one axis
     */
    private function at(array $indices, int $axis, int $index): int
    {
        $indices[$axis] = $index;

        return ($indices[0] * count($this->tracks[1]) + $indices[1]) * count($this->tracks[2]) + $indices[2];
    }

    private function turn(int $one, int $other): float
    {
        if ($one !== self::SLANTED) {
            return ($one >> 1) !== ($other >> 1) ? M_PI_2 : ($one === $other ? 0.0 : M_PI);
        }

        return $this->directions[$one]->angleTo($this->directions[$other]);
    }

    /** @param  Point  $point */
    private function isBendFree(array $point, int $in, int $out): bool
    {
        if ($in >= self::SLANTED || $in < 0 || $out >= self::SLANTED || $out < 0) {
            return $this->isFree(self::vector($point), $this->directions[$in], $this->directions[$out]);
        }
        $body = $this->obstacles->onSquareBend($point, self::AXES[$in], self::AXES[$out], $this->radius);
        if ($body !== null) {
            $this->blocking[$body] = true;
        }

        return $body === null;
    }

    private function isFree(Vector $corner, Vector $in, Vector $out): bool
    {
        $body = $this->obstacles->onBend(CornerLine::bend($corner, $in, $out, $this->radius));
        if ($body !== null) {
            $this->blocking[$body] = true;
        }

        return $body === null;
    }

    /**
     * Takes the way from a corner into the far mouth, where it is on the axis of that, or by a slanting leg to it.
     *
     * @param  Point  $point
     */
    private function finish(int $state, array $point): void
    {
        $corner = self::vector($point);
        $way = $corner->minus($this->to->at);
        $out = $way->dot($this->to->axis);
        $in = $this->directions[$state & 7];
        $into = $this->to->axis->times(-1.0);
        if ($way->minus($this->to->axis->times($out))->length() < self::ON_AXIS) {
            $angle = $in->angleTo($into);
            $tangent = $this->radius * tan($angle / 2);
            $number = $this->to->axisNumber();
            $cost = $this->cost[$state] + $this->costs->bend($angle) + ($number === null ? $out : $this->costs->leg(
                $number, $point, $point[$number], $this->to->at->toArray()[$number],
            ));
            if ($angle > Tolerance::NO_TURN && $angle < self::SHARPEST
                && ($this->best === null || $cost < $this->best[0])
                && $tangent <= $this->room[$state] + Tolerance::COINCIDENT
                && $out >= $this->to->straight + $tangent - Tolerance::COINCIDENT
                && $out - $tangent <= $this->passage->toFree + Obstacles::SLACK
                && $this->isFree($corner, $in, $into)) {
                $this->best = [$cost, $state, null];
            }

            return;
        }
        if ($this->uphill === null) {
            $this->slant($state, $corner, $in, $into);
        }
    }

    private function slant(int $state, Vector $corner, Vector $in, Vector $into): void
    {
        $last = $this->last;
        $leg = $last->minus($corner);
        $length = $leg->length();
        // By bends that turn hardly at all it costs the legs alone.
        if ($length < $this->radius
            || min($this->best[0] ?? INF, $this->below) <= $this->cost[$state] + $this->costs->slant($length)) {
            return;
        }
        $unit = $leg->times(1 / $length);
        [$first, $second] = [$in->angleTo($unit), $unit->angleTo($into)];
        if (min($first, $second) < Tolerance::NO_TURN || max($first, $second) > M_PI_2) {
            return;
        }
        [$one, $other] = [$this->radius * tan($first / 2), $this->radius * tan($second / 2)];
        $cost = $this->cost[$state] + $this->costs->bend($first) + $this->costs->slant($length)
            + $this->costs->bend($second) + $this->to->at->distanceTo($last);
        if ($one > $this->room[$state] + Tolerance::COINCIDENT || $length < $one + $other + $this->leastStraight
            || ($this->best !== null && $cost >= $this->best[0])
            || $this->to->straight + $this->radius - $other > $this->passage->toFree + Obstacles::SLACK) {
            return;
        }
        $body = $this->obstacles->onStraight(
            $corner->plus($unit->times($one)), $last->minus($unit->times($other)),
        );
        if ($body !== null) {
            $this->blocking[$body] = true;
        } elseif ($this->isFree($corner, $in, $unit) && $this->isFree($last, $unit, $into)) {
            $this->best = [$cost, $state, $last];
        }
    }

    /** @return non-empty-list<Vector> */
    private function vertices(): array
    {
        assert($this->best !== null);
        [, $state, $last] = $this->best;
        $vertices = [$this->to->at, ...($last === null ? [] : [$last])];
        for (; $state >= 0; $state = $this->parent[$state]) {
            $vertices[] = self::vector($this->point($state >> 3));
        }
        $vertices[] = $this->from->at;

        return array_reverse($vertices);
    }
}
