<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Geometry\Tolerance;

/**
 * Divides a flat region with holes into triangles: each hole is joined to what is round it by a bridge (Eberly,
 * Triangulation by Ear Clipping, 2002), then ears are cut off one after another. Reflex corners, which alone can lie in
 * an ear, are kept in a grid, so that only those near an ear are looked at.
 */
final class FlatTriangulation
{
    /** Twice the area, as a share of the square of the extent, below which a corner is straight: rounding. */
    private const STRAIGHT = 1e-14;

    /** @var array<int, int> next corner of each corner that is left */
    private array $next = [];

    /** @var array<int, int> */
    private array $previous = [];

    /** @var array<int, int> number of the point at each corner; the ends of a bridge are corners twice */
    private array $point = [];

    /** @var array<string, array<int, true>> reflex corners by the cell they are in */
    private array $cells = [];

    private float $cell;

    private float $straight;

    /**
     * @param  non-empty-list<array{float, float}>  $at  of all loops, one after another
     */
    private function __construct(private readonly array $at)
    {
        $xs = array_column($at, 0);
        $ys = array_column($at, 1);
        $extent = max(max($xs) - min($xs), max($ys) - min($ys), Tolerance::NOTHING);
        $this->cell = $extent / max(1.0, sqrt(count($at)));
        $this->straight = self::STRAIGHT * $extent ** 2;
    }

    /**
     * @param  non-empty-list<list<array{float, float}>>  $loops  the outer one first, counter-clockwise; holes
     *     clockwise
     * @return list<array{int, int, int}> numbers of points, counted through all loops; counter-clockwise
     */
    public static function of(array $loops): array
    {
        $at = array_merge(...$loops);
        if ($at === []) {
            return [];
        }
        $flat = new self($at);
        $first = 0;
        $starts = [];
        foreach ($loops as $loop) {
            $starts[] = $flat->ring($first, count($loop));
            $first += count($loop);
        }
        $outer = array_shift($starts);
        usort($starts, static fn (array $a, array $b): int => $b[1] <=> $a[1]);
        foreach ($starts as [$corner]) {
            $outer = [$flat->bridge($corner, $outer[0]), 0.0];
        }

        return $flat->clipped($outer[0]);
    }

    /**
     * Links the points of a loop.
     *
     * @return array{int, float} its rightmost corner, and the x of that
     */
    private function ring(int $first, int $count): array
    {
        $rightmost = $first;
        for ($i = 0; $i < $count; $i++) {
            $corner = $first + $i;
            $this->point[$corner] = $corner;
            $this->next[$corner] = $first + ($i + 1) % $count;
            $this->previous[$corner] = $first + ($i + $count - 1) % $count;
            $rightmost = $this->at[$corner][0] > $this->at[$rightmost][0] ? $corner : $rightmost;
        }

        return [$rightmost, $this->at[$rightmost][0]];
    }

    /** Joins a hole, by its rightmost corner, to the loop round it, and returns a corner of that. */
    private function bridge(int $hole, int $outer): int
    {
        [$x, $y] = $this->at[$this->point[$hole]];
        // The edge of the outer loop that is met first to the right of the hole.
        $met = INF;
        $end = $outer;
        for ($a = $outer, $isFirst = true; $isFirst || $a !== $outer; $a = $this->next[$a], $isFirst = false) {
            [$ax, $ay] = $this->at[$this->point[$a]];
            [$bx, $by] = $this->at[$this->point[$this->next[$a]]];
            if ($ay <= $y && $by >= $y && $ay !== $by) {
                $cross = $ax + ($y - $ay) / ($by - $ay) * ($bx - $ax);
                if ($cross >= $x && $cross < $met) {
                    $met = $cross;
                    $end = $ax > $bx ? $a : $this->next[$a];
                }
            }
        }
        // A reflex corner within the triangle of hole, met point and end would be crossed: the flattest way wins.
        [$px, $py] = $this->at[$this->point[$end]];
        [$low, $high] = $py < $y ? [[$px, $py], [$met, $y]] : [[$met, $y], [$px, $py]];
        $best = INF;
        $chosen = $end;
        for ($c = $outer, $isFirst = true; $isFirst || $c !== $outer; $c = $this->next[$c], $isFirst = false) {
            [$cx, $cy] = $this->at[$this->point[$c]];
            if (
                $cx >= $x && $cx <= max($met, $px)
                && self::isWithin([$x, $y], $low, $high, [$cx, $cy])
            ) {
                $slope = $cx > $x ? abs($cy - $y) / ($cx - $x) : INF;
                $isBetter = $slope < $best || ($slope === $best && $cx < $this->at[$this->point[$chosen]][0]);
                if ($isBetter && $this->seesInward($c, [$x, $y])) {
                    [$best, $chosen] = [$slope, $c];
                }
            }
        }

        return $this->split($chosen, $hole);
    }

    /**
     * Whether a point lies within the angle that the region has at a corner.
     *
     * @param  array{float, float}  $to
     */
    private function seesInward(int $corner, array $to): bool
    {
        $at = $this->at[$this->point[$corner]];
        $before = $this->at[$this->point[$this->previous[$corner]]];
        $after = $this->at[$this->point[$this->next[$corner]]];
        $left = self::area($before, $at, $to) >= 0.0;
        $right = self::area($at, $after, $to) >= 0.0;

        return self::area($before, $at, $after) >= 0.0 ? $left && $right : $left || $right;
    }

    /** Cuts from one corner to another and back: both are corners twice from then on. */
    private function split(int $outer, int $hole): int
    {
        $outerTwin = count($this->point);
        $holeTwin = $outerTwin + 1;
        $this->point[$outerTwin] = $this->point[$outer];
        $this->point[$holeTwin] = $this->point[$hole];
        $this->link($this->previous[$hole], $holeTwin);
        $this->link($holeTwin, $outerTwin);
        $this->link($outerTwin, $this->next[$outer]);
        $this->link($outer, $hole);

        return $outer;
    }

    private function link(int $from, int $to): void
    {
        $this->next[$from] = $to;
        $this->previous[$to] = $from;
    }

    /** @return list<array{int, int, int}> */
    private function clipped(int $start): array
    {
        $left = 0;
        for ($c = $start, $isFirst = true; $isFirst || $c !== $start; $c = $this->next[$c], $isFirst = false) {
            $left++;
            $this->place($c);
        }
        $triangles = [];
        $refused = 0;
        for ($c = $start; $left > 2; $c = $this->next[$c]) {
            [$before, $after] = [$this->previous[$c], $this->next[$c]];
            // A full round without an ear is caused by rounding only; then any corner that turns left will do.
            if (! $this->isEar($c, $refused > $left)) {
                $refused++;
                if ($refused > 2 * $left + 2) {
                    break;
                }

                continue;
            }
            $triangles[] = [$this->point[$before], $this->point[$c], $this->point[$after]];
            unset($this->cells[$this->cellOf($c)][$c]);
            $this->link($before, $after);
            $this->place($before);
            $this->place($after);
            $left--;
            $refused = 0;
        }

        return $triangles;
    }

    /** Keeps a corner in its cell as long as it is reflex. */
    private function place(int $corner): void
    {
        if ($this->turn($corner) <= $this->straight) {
            $this->cells[$this->cellOf($corner)][$corner] = true;
        } else {
            unset($this->cells[$this->cellOf($corner)][$corner]);
        }
    }

    private function cellOf(int $corner): string
    {
        [$x, $y] = $this->at[$this->point[$corner]];

        return $this->cellNumber($x).' '.$this->cellNumber($y);
    }

    /** Returns the number of a cell; as a whole number, because the text of −0.0 is not that of 0.0. */
    private function cellNumber(float $at): int
    {
        return (int) floor($at / $this->cell);
    }

    /** Returns twice the area of the triangle of a corner and its neighbours. */
    private function turn(int $corner): float
    {
        return self::area(
            $this->at[$this->point[$this->previous[$corner]]],
            $this->at[$this->point[$corner]],
            $this->at[$this->point[$this->next[$corner]]],
        );
    }

    private function isEar(int $corner, bool $isForced): bool
    {
        if ($this->turn($corner) <= ($isForced ? -$this->straight : $this->straight)) {
            return false;
        }
        if ($isForced) {
            return true;
        }
        $points = [$this->point[$this->previous[$corner]], $this->point[$corner], $this->point[$this->next[$corner]]];
        [$a, $b, $c] = [$this->at[$points[0]], $this->at[$points[1]], $this->at[$points[2]]];
        $lastX = $this->cellNumber(max($a[0], $b[0], $c[0]));
        $lastY = $this->cellNumber(max($a[1], $b[1], $c[1]));
        for ($x = $this->cellNumber(min($a[0], $b[0], $c[0])); $x <= $lastX; $x++) {
            for ($y = $this->cellNumber(min($a[1], $b[1], $c[1])); $y <= $lastY; $y++) {
                foreach ($this->cells[$x.' '.$y] ?? [] as $reflex => $_) {
                    if (
                        ! in_array($this->point[$reflex], $points, true)
                        && self::isWithin($a, $b, $c, $this->at[$this->point[$reflex]])
                    ) {
                        return false;
                    }
                }
            }
        }

        return true;
    }

    /**
     * @param  array{float, float}  $a
     * @param  array{float, float}  $b
     * @param  array{float, float}  $c
     */
    private static function area(array $a, array $b, array $c): float
    {
        return ($b[0] - $a[0]) * ($c[1] - $a[1]) - ($b[1] - $a[1]) * ($c[0] - $a[0]);
    }

    /**
     * Whether a point is in a counter-clockwise triangle, or on its rim.
     *
     * @param  array{float, float}  $a
     * @param  array{float, float}  $b
     * @param  array{float, float}  $c
     * @param  array{float, float}  $point
     */
    private static function isWithin(array $a, array $b, array $c, array $point): bool
    {
        return self::area($a, $b, $point) >= 0.0
            && self::area($b, $c, $point) >= 0.0
            && self::area($c, $a, $point) >= 0.0;
    }
}
