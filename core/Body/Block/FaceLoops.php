<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Body\Boundary\OrientedEdge;
use Bowline\Body\Frame;

/** Puts the edges of a flat face that is cut by grooves together again. */
final class FaceLoops
{
    /** Points on an edge that stand for it. */
    private const POINTS = 8;

    /**
     * @param  list<OrientedEdge>  $edges  of its outlines and holes, in no order
     * @return list<non-empty-list<OrientedEdge>> closed loops
     */
    public static function of(array $edges): array
    {
        $from = [];
        foreach ($edges as $number => $edge) {
            $from[spl_object_id($edge->start())][] = $number;
        }
        $loops = [];
        $isUsed = [];
        foreach ($edges as $number => $edge) {
            if (isset($isUsed[$number])) {
                continue;
            }
            $loop = [];
            for ($next = $number; $next !== null && ! isset($isUsed[$next]);) {
                $isUsed[$next] = true;
                $loop[] = $edges[$next];
                $next = array_values(array_filter(
                    $from[spl_object_id($edges[$next]->end())] ?? [],
                    static fn (int $one): bool => ! isset($isUsed[$one]),
                ))[0] ?? null;
            }
            if ($loop !== []) {
                $loops[] = $loop;
            }
        }

        return $loops;
    }

    /**
     * Returns each outline with the holes that lie in it.
     *
     * @param  list<non-empty-list<OrientedEdge>>  $loops
     * @param  Frame  $frame  its third direction is the outward normal
     * @return list<non-empty-list<non-empty-list<OrientedEdge>>>
     */
    public static function regions(array $loops, Frame $frame): array
    {
        $outlines = $holes = [];
        foreach ($loops as $loop) {
            $points = self::points($loop, $frame);
            if (self::area($points) > 0.0) {
                $outlines[] = [$loop, $points];
            } else {
                $holes[] = [$loop, $points[0]];
            }
        }

        return array_map(static fn (array $outline): array => [
            $outline[0],
            ...array_map(static fn (array $hole): array => $hole[0], array_values(array_filter(
                $holes,
                static fn (array $hole): bool => count($outlines) === 1 || self::holds($outline[1], $hole[1]),
            ))),
        ], $outlines);
    }

    /**
     * @param  non-empty-list<OrientedEdge>  $loop
     * @return list<array{float, float}>
     */
    private static function points(array $loop, Frame $frame): array
    {
        $points = [];
        foreach ($loop as $edge) {
            for ($i = 0; $i < self::POINTS; $i++) {
                $part = $i / self::POINTS;
                $own = $frame->coordinatesOf($edge->edge->curve->pointAt($edge->isForward ? $part : 1.0 - $part));
                $points[] = [$own->x, $own->y];
            }
        }

        return $points;
    }

    /** @param  list<array{float, float}>  $points */
    private static function area(array $points): float
    {
        $area = 0.0;
        foreach ($points as $i => [$x, $y]) {
            [$nextX, $nextY] = $points[($i + 1) % count($points)];
            $area += ($x * $nextY - $nextX * $y) / 2;
        }

        return $area;
    }

    /**
     * @param  list<array{float, float}>  $points
     * @param  array{float, float}  $at
     */
    private static function holds(array $points, array $at): bool
    {
        $isIn = false;
        foreach ($points as $i => [$x, $y]) {
            [$nextX, $nextY] = $points[($i + 1) % count($points)];
            if (($y > $at[1]) !== ($nextY > $at[1]) && $at[0] < ($nextX - $x) * ($at[1] - $y) / ($nextY - $y) + $x) {
                $isIn = ! $isIn;
            }
        }

        return $isIn;
    }
}
