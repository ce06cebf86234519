<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Body\FlatTriangulation;
use Bowline\Body\Frame;
use Bowline\Body\Mesh;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;

/**
 * Lets a channel come out of the triangles of its block, whatever their shape: the open end of its wall is carried
 * straight on to them, each triangle that it meets is cut along it, and what lies within is taken away. Seen along the
 * channel everything is flat: a triangle loses the part that the outline of the channel covers.
 */
final class MeshOpening
{
    /** Least part of a direction at which a triangle is still cut: flatter ones are cut by rounding. */
    private const LEAST_SLOPE = 1e-6;

    /** @var list<Vector> */
    private array $vertices;

    /** @var array<int, array{int, int, int}> */
    private array $triangles;

    /** @var array<int, array{float, float}> places of vertices across the channel */
    private array $flat = [];

    /** @var list<int> vertices of the open end, counter-clockwise as seen from outside */
    private array $ring = [];

    /** @var array<string, list<array{float, int, float, int}>> by edge: part of it, side, part of that, vertex */
    private array $crossings = [];

    /** @var array<int, int> the vertex over each of the ring, by its number there */
    private array $lifted = [];

    /** @var array<int, int> the triangle in which that lies */
    private array $liftedIn = [];

    private function __construct(Mesh $mesh, private readonly Frame $frame)
    {
        $this->vertices = $mesh->vertices;
        $this->triangles = $mesh->triangles;
    }

    /**
     * @param  Mesh  $mesh  of the block, with the wall of the channel, whose end is open
     * @param  Vector  $from  on the path, at that end
     * @param  Vector  $direction  unit, in which it comes out
     * @param  string  $words  of the channel, for errors
     *
     * @throws JobError where it does not come out of the block clean
     */
    public static function cut(Mesh $mesh, Vector $from, Vector $direction, string $words): Mesh
    {
        $opening = new self($mesh, Frame::of($from, $direction, Vector::zero()));
        $opening->findRing();
        $met = $opening->met($words);
        $opening->cross($met);
        $opening->lift($met, $words);
        foreach ($met as $number) {
            $opening->cutTriangle($number);
        }
        $opening->addWall();

        return new Mesh($opening->vertices, array_values($opening->triangles));
    }

    /** Finds the open end that lies nearest to where the channel is. */
    private function findRing(): void
    {
        $next = [];
        foreach ($this->triangles as [$a, $b, $c]) {
            foreach ([[$a, $b], [$b, $c], [$c, $a]] as [$from, $to]) {
                if (isset($next[$to][$from])) {
                    unset($next[$to][$from]);
                } else {
                    $next[$from][$to] = true;
                }
            }
        }
        $open = array_filter($next);
        $least = INF;
        while ($open !== []) {
            $first = array_key_first($open);
            $loop = [];
            for ($at = $first; isset($open[$at]);) {
                $loop[] = $at;
                $to = array_key_first($open[$at]);
                unset($open[$at]);
                $at = $to;
            }
            $middle = Vector::zero();
            foreach ($loop as $vertex) {
                $middle = $middle->plus($this->vertices[$vertex]->times(1.0 / count($loop)));
            }
            if ($middle->distanceTo($this->frame->at) < $least) {
                [$least, $this->ring] = [$middle->distanceTo($this->frame->at), $loop];
            }
        }
        if ($this->area($this->ring) < 0.0) {
            $this->ring = array_reverse($this->ring);
        }
    }

    /** @return array{float, float} */
    private function at(int $vertex): array
    {
        if (! isset($this->flat[$vertex])) {
            $own = $this->frame->coordinatesOf($this->vertices[$vertex]);
            $this->flat[$vertex] = [$own->x, $own->y];
        }

        return $this->flat[$vertex];
    }

    /** @param  list<int>  $loop */
    private function area(array $loop): float
    {
        $area = 0.0;
        foreach ($loop as $i => $vertex) {
            [$x, $y] = $this->at($vertex);
            [$nextX, $nextY] = $this->at($loop[($i + 1) % count($loop)]);
            $area += ($x * $nextY - $nextX * $y) / 2;
        }

        return $area;
    }

    /** How far a triangle faces the way of the channel: the cosine to its normal. */
    private function slope(int $number): float
    {
        [$a, $b, $c] = array_map(fn (int $corner): Vector => $this->vertices[$corner], $this->triangles[$number]);
        $normal = $b->minus($a)->cross($c->minus($a));

        return $normal->length() > 0.0 ? $normal->unit()->dot($this->frame->along) : 0.0;
    }

    /**
     * Returns the triangles that the channel meets: from the one on its path, over those edges that it covers.
     *
     * @return list<int>
     *
     * @throws JobError
     */
    private function met(string $words): array
    {
        $own = array_flip($this->ring);
        $reach = 0.0;
        foreach ($this->ring as $vertex) {
            $reach = max($reach, hypot(...$this->at($vertex)));
        }
        $beside = [];
        $first = null;
        $nearest = INF;
        foreach ($this->triangles as $number => $corners) {
            $places = array_map($this->at(...), $corners);
            [$xs, $ys] = [array_column($places, 0), array_column($places, 1)];
            if (max($xs) < -$reach || min($xs) > $reach || max($ys) < -$reach || min($ys) > $reach) {
                continue;
            }
            foreach ([0, 1, 2] as $i) {
                $beside[self::key($corners[$i], $corners[($i + 1) % 3])][] = $number;
            }
            if ($this->slope($number) < self::LEAST_SLOPE || isset($own[$corners[0]])) {
                continue;
            }
            $height = $this->heightAt($number, 0.0, 0.0);
            if ($height > 0.0 && $height < $nearest && self::holds($places, 0.0, 0.0)) {
                [$nearest, $first] = [$height, $number];
            }
        }
        if ($first === null) {
            throw JobError::at('', sprintf('%s does not come out of its block', $words));
        }
        $met = [$first => true];
        for ($queue = [$first]; $queue !== [];) {
            $number = array_pop($queue);
            $corners = $this->triangles[$number];
            foreach ([0, 1, 2] as $i) {
                [$a, $b] = [$corners[$i], $corners[($i + 1) % 3]];
                if (! $this->isCovered($a, $b)) {
                    continue;
                }
                foreach ($beside[self::key($a, $b)] ?? [] as $other) {
                    if (isset($met[$other])) {
                        continue;
                    }
                    if ($this->slope($other) < self::LEAST_SLOPE) {
                        throw JobError::at('', sprintf('%s comes out beside its block', $words));
                    }
                    $met[$other] = true;
                    $queue[] = $other;
                }
            }
        }

        return array_keys($met);
    }

    /** Whether an edge goes through the channel. */
    private function isCovered(int $a, int $b): bool
    {
        $outline = array_map($this->at(...), $this->ring);
        if (self::holds($outline, ...$this->at($a)) || self::holds($outline, ...$this->at($b))) {
            return true;
        }
        foreach (array_keys($this->ring) as $side) {
            if ($this->crossing($a, $b, $side) !== null) {
                return true;
            }
        }

        return false;
    }

    /** @return array{float, float}|null parts of an edge, and of a side of the outline, at which they cross */
    private function crossing(int $a, int $b, int $side): ?array
    {
        [[$ax, $ay], [$bx, $by]] = [$this->at($a), $this->at($b)];
        [$px, $py] = $this->at($this->ring[$side]);
        [$qx, $qy] = $this->at($this->ring[($side + 1) % count($this->ring)]);
        [$ux, $uy, $vx, $vy] = [$bx - $ax, $by - $ay, $qx - $px, $qy - $py];
        $cross = $ux * $vy - $uy * $vx;
        if (abs($cross) < Tolerance::SAFEGUARD) {
            return null;
        }
        $t = (($px - $ax) * $vy - ($py - $ay) * $vx) / $cross;
        $s = (($px - $ax) * $uy - ($py - $ay) * $ux) / $cross;

        return $t > 0.0 && $t < 1.0 && $s > 0.0 && $s < 1.0 ? [$t, $s] : null;
    }

    /**
     * Puts a vertex wherever the outline crosses an edge of a triangle; the same one for both triangles beside it.
     *
     * @param  list<int>  $met
     */
    private function cross(array $met): void
    {
        foreach ($met as $number) {
            $corners = $this->triangles[$number];
            foreach ([0, 1, 2] as $i) {
                [$a, $b] = [min($corners[$i], $corners[($i + 1) % 3]), max($corners[$i], $corners[($i + 1) % 3])];
                $key = self::key($a, $b);
                if (isset($this->crossings[$key])) {
                    continue;
                }
                $found = [];
                foreach (array_keys($this->ring) as $side) {
                    $parts = $this->crossing($a, $b, $side);
                    if ($parts !== null) {
                        $way = $this->vertices[$b]->minus($this->vertices[$a]);
                        $found[] = [
                            $parts[0], $side, $parts[1], $this->add($this->vertices[$a]->plus($way->times($parts[0]))),
                        ];
                    }
                }
                sort($found);
                $this->crossings[$key] = $found;
            }
        }
    }

    /**
     * Puts a vertex on a triangle over each vertex of the open end.
     *
     * @param  list<int>  $met
     *
     * @throws JobError
     */
    private function lift(array $met, string $words): void
    {
        foreach ($this->ring as $i => $vertex) {
            [$x, $y] = $this->at($vertex);
            foreach ($met as $number) {
                if (self::holds(array_map($this->at(...), $this->triangles[$number]), $x, $y)) {
                    $height = $this->heightAt($number, $x, $y);
                    if ($height <= $this->frame->coordinatesOf($this->vertices[$vertex])->z) {
                        throw JobError::at('', sprintf('%s comes out where it bends', $words));
                    }
                    $this->lifted[$i] = $this->add($this->frame->pointOf(new Vector($x, $y, $height)));
                    $this->liftedIn[$i] = $number;
                    break;
                }
            }
            if (! isset($this->lifted[$i])) {
                throw JobError::at('', sprintf('%s comes out beside its block', $words));
            }
        }
    }

    private function heightAt(int $number, float $x, float $y): float
    {
        [$a, $b, $c] = array_map(fn (int $corner): Vector => $this->vertices[$corner], $this->triangles[$number]);
        $normal = $b->minus($a)->cross($c->minus($a));
        $at = $this->frame->pointAt($x, $y);

        return $a->minus($at)->dot($normal) / $this->frame->along->dot($normal);
    }

    /** Replaces a triangle by what the outline does not cover of it. */
    private function cutTriangle(int $number): void
    {
        $corners = $this->triangles[$number];
        unset($this->triangles[$number]);
        $outline = array_map($this->at(...), $this->ring);
        $inside = array_map($this->at(...), $corners);
        $next = [];
        $onSides = [];
        foreach ([0, 1, 2] as $i) {
            [$a, $b] = [$corners[$i], $corners[($i + 1) % 3]];
            $found = $this->crossings[self::key($a, $b)] ?? [];
            foreach ($found as [, $side, $part, $vertex]) {
                $onSides[$side][] = [$part, $vertex];
            }
            $points = [$a, ...array_column($a < $b ? $found : array_reverse($found), 3), $b];
            for ($k = 1; $k < count($points); $k++) {
                if (! self::holds($outline, ...$this->between($points[$k - 1], $points[$k]))) {
                    $next[$points[$k - 1]] = $points[$k];
                }
            }
        }
        foreach ($this->liftedIn as $i => $in) {
            if ($in === $number) {
                $onSides[$i][] = [0.0, $this->lifted[$i]];
                $onSides[($i + count($this->ring) - 1) % count($this->ring)][] = [1.0, $this->lifted[$i]];
            }
        }
        foreach ($onSides as $points) {
            sort($points);
            for ($k = 1; $k < count($points); $k++) {
                if (self::holds($inside, ...$this->between($points[$k - 1][1], $points[$k][1]))) {
                    $next[$points[$k][1]] = $points[$k - 1][1];
                }
            }
        }
        $this->fill(self::loops($next));
    }

    /** @return array{float, float} halfway between two vertices */
    private function between(int $a, int $b): array
    {
        [[$ax, $ay], [$bx, $by]] = [$this->at($a), $this->at($b)];

        return [($ax + $bx) / 2, ($ay + $by) / 2];
    }

    /**
     * @param  array<int, int>  $next  vertex behind each
     * @return list<list<int>>
     */
    private static function loops(array $next): array
    {
        $loops = [];
        while ($next !== []) {
            $loop = [];
            for ($at = array_key_first($next); isset($next[$at]);) {
                $loop[] = $at;
                $to = $next[$at];
                unset($next[$at]);
                $at = $to;
            }
            $loops[] = $loop;
        }

        return $loops;
    }

    /** @param  list<list<int>>  $loops */
    private function fill(array $loops): void
    {
        $holes = array_values(array_filter($loops, fn (array $loop): bool => $this->area($loop) < 0.0));
        foreach ($loops as $loop) {
            if ($this->area($loop) <= 0.0) {
                continue;
            }
            $all = [$loop, ...$holes];
            $numbers = array_merge(...$all);
            $flat = array_map(fn (array $one): array => array_map($this->at(...), $one), $all);
            foreach (FlatTriangulation::of($flat) as [$a, $b, $c]) {
                $this->triangles[] = [$numbers[$a], $numbers[$b], $numbers[$c]];
            }
        }
    }

    /** Adds the wall from the open end to the triangles, which looks into the channel. */
    private function addWall(): void
    {
        $count = count($this->ring);
        $over = array_fill(0, $count, []);
        foreach ($this->crossings as $found) {
            foreach ($found as [, $side, $part, $vertex]) {
                $over[$side][] = [$part, $vertex];
            }
        }
        foreach ($this->ring as $i => $from) {
            $to = $this->ring[($i + 1) % $count];
            sort($over[$i]);
            $points = [$this->lifted[$i], ...array_column($over[$i], 1), $this->lifted[($i + 1) % $count]];
            $half = intdiv(count($points), 2);
            for ($k = 1; $k < count($points); $k++) {
                $this->triangles[] = [$k <= $half ? $from : $to, $points[$k - 1], $points[$k]];
                if ($k === $half) {
                    $this->triangles[] = [$from, $points[$k], $to];
                }
            }
        }
    }

    /**
     * Whether a polygon holds a point.
     *
     * @param  array<array{float, float}>  $polygon
     */
    private static function holds(array $polygon, float $x, float $y): bool
    {
        $isIn = false;
        $count = count($polygon);
        for ($i = 0; $i < $count; $i++) {
            [[$ax, $ay], [$bx, $by]] = [$polygon[$i], $polygon[($i + 1) % $count]];
            if (($ay > $y) !== ($by > $y) && $x < ($bx - $ax) * ($y - $ay) / ($by - $ay) + $ax) {
                $isIn = ! $isIn;
            }
        }

        return $isIn;
    }

    private static function key(int $a, int $b): string
    {
        return min($a, $b).' '.max($a, $b);
    }

    private function add(Vector $at): int
    {
        $this->vertices[] = $at;

        return count($this->vertices) - 1;
    }
}
