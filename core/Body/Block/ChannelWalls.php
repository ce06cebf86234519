<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Body\Frame;
use Bowline\Geometry\Path;
use Bowline\Geometry\Vector;
use Bowline\Routing\LaidRun;
use Bowline\Space\TubeDistance;

/**
 * Measures the material that is left round a channel, all along it: from a disc square to its path to every face, and
 * from its path to those of the others. A section that is not round counts as the circle round it.
 */
final class ChannelWalls
{
    /** Places round a channel. */
    private const ROUND = 48;

    /** Steps in which the least is looked for between two places (golden section). */
    private const SEARCH = 40;

    private const GOLDEN = 0.6180339887498949;

    /** A face counts where a channel that came out of it has turned by more than this from square to it, radians. */
    private const ALONG_FACE = M_PI / 4;

    private const SAME = 1e-3;

    /** Halvings of the way between two places, in search of where that is. */
    private const HALVINGS = 12;

    /** How far behind an opening in what is not flat the wall to it is looked at, as a part of the reach. */
    private const BEHIND = 2.0;

    /**
     * @param  list<ChannelCut>  $others  of the same block
     * @return list<ChannelWall> one for each face and each other channel
     */
    public static function of(ChannelCut $cut, array $others): array
    {
        $walls = [];
        foreach ($cut->block->faces as $number => $face) {
            [$from, $to] = self::beside($cut, $number, $face->normal);
            $walls[] = self::wall(
                $cut, $from, $to, $face->words,
                static fn (Vector $at, Vector $along): float => $face->distanceTo($at)
                    - $cut->reach * sqrt(max(0.0, 1.0 - $face->normal->dot($along) ** 2)),
                static fn (Vector $at): Vector => $face->normal->times(-1.0),
            );
        }
        [$from, $to] = self::behindOpenings($cut);
        foreach ($cut->block->sides as $side) {
            $walls[] = self::wall(
                $cut, $from, $to, $side->words(),
                static fn (Vector $at, Vector $along): float => $side->distanceTo($at, $along, $cut->reach),
                static fn (Vector $at): Vector => $side->outwardAt($at)->times(-1.0),
            );
        }
        foreach ($others as $other) {
            $tube = TubeDistance::along($other->path, $other->reach, false, false);
            $walls[] = self::wall(
                $cut, 0.0, $cut->path->length, $other->laid->run->name,
                static fn (Vector $at): float => $tube->at($at->x, $at->y, $at->z)[0] - $cut->reach,
                static function (Vector $at) use ($tube): Vector {
                    [, $x, $y, $z] = $tube->at($at->x, $at->y, $at->z);

                    return new Vector($x, $y, $z);
                },
                $other,
            );
        }

        return array_values(array_filter($walls));
    }

    /**
     * Returns the material round a groove: to the faces that it does not open, and to channels.
     *
     * @param  list<ChannelCut>  $channels  of the same block
     * @return list<ChannelWall>
     */
    public static function ofGroove(GrooveCut $groove, BlockShape $block, array $channels): array
    {
        $places = $groove->places();
        $walls = [];
        foreach ($block->faces as $number => $face) {
            if (! $groove->opens($number)) {
                $walls[] = self::least(
                    $places, $face->distanceTo(...), static fn (): Vector => $face->normal->times(-1.0), $face->words,
                );
            }
        }
        foreach ($channels as $channel) {
            $tube = TubeDistance::along($channel->path, $channel->reach, false, false);
            $walls[] = self::least($places, static fn (Vector $at): float => $tube->at($at->x, $at->y, $at->z)[0],
                static function (Vector $at) use ($tube): Vector {
                    [, $x, $y, $z] = $tube->at($at->x, $at->y, $at->z);

                    return new Vector($x, $y, $z);
                }, $channel->laid->run->name, $channel->laid);
        }

        return array_values(array_filter($walls));
    }

    /**
     * @param  list<Vector>  $places
     * @param  callable(Vector): float  $distance  mm
     * @param  callable(Vector): Vector  $away
     */
    private static function least(
        array $places,
        callable $distance,
        callable $away,
        string $words,
        ?LaidRun $channel = null,
    ): ?ChannelWall {
        $found = null;
        foreach ($places as $at) {
            $thickness = $distance($at);
            if ($found === null || $thickness < $found[0]) {
                $found = [$thickness, $at];
            }
        }

        return $found === null ? null : new ChannelWall($found[0], $found[1], $away($found[1]), $words, $channel);
    }

    /**
     * Returns places on the wall of a channel, with the material behind each and the area that it stands for.
     *
     * @param  list<ChannelCut>  $others  of the same block
     * @return list<array{Vector, float, float}> place, mm, mm²
     */
    public static function places(ChannelCut $cut, array $others): array
    {
        $path = $cut->path;
        $count = count($cut->places) - 1;
        $area = $path->length / $count * 2 * M_PI * $cut->reach / self::ROUND;
        $wallAt = self::finder($cut, $others);
        $places = [];
        for ($i = 0; $i < $count; $i++) {
            $along = $path->length * ($i + 0.5) / $count;
            $direction = $path->directionAt($along);
            $disc = Frame::of($path->pointAt($along), $direction, $direction->anySquare());
            for ($j = 0; $j < self::ROUND; $j++) {
                $at = $disc->polar($cut->reach, 2 * M_PI * $j / self::ROUND);
                $wall = $wallAt($at, $along);
                if ($wall !== null) {
                    $places[] = [$at, $wall, $area];
                }
            }
        }

        return $places;
    }

    /**
     * Returns a function of the material at places on the wall of a channel; null where nothing counts there.
     *
     * @param  list<ChannelCut>  $others  of the same block
     * @return callable(Vector, float): (float|null) mm, by a place on the wall and its length along the path
     */
    public static function finder(ChannelCut $cut, array $others): callable
    {
        $tubes = array_map(
            static fn (ChannelCut $other): TubeDistance => TubeDistance::along(
                $other->path, $other->reach, false, false,
            ), $others,
        );
        $spans = array_map(
            static fn (BlockFace $face, int $number): array => self::beside($cut, $number, $face->normal),
            $cut->block->faces, array_keys($cut->block->faces),
        );
        $faces = array_values($cut->block->faces);
        [$from, $to] = self::behindOpenings($cut);

        return static function (Vector $at, float $along) use ($cut, $tubes, $spans, $faces, $from, $to): ?float {
            $walls = array_map(
                static fn (TubeDistance $tube): float => $tube->at($at->x, $at->y, $at->z)[0], $tubes,
            );
            foreach ($faces as $number => $face) {
                if ($along >= $spans[$number][0] && $along <= $spans[$number][1]) {
                    $walls[] = $face->distanceTo($at);
                }
            }
            foreach ($along >= $from && $along <= $to ? $cut->block->sides : [] as $side) {
                $walls[] = $side->distanceTo($at, $cut->path->directionAt($along), 0.0);
            }

            return $walls === [] ? null : min($walls);
        };
    }

    /**
     * Returns between which lengths of the path a face counts: not where the channel comes out of it, until it has
     * turned along it.
     *
     * @return array{float, float} mm; the first is greater where it counts nowhere
     */
    private static function beside(ChannelCut $cut, int $number, Vector $normal): array
    {
        [$from, $to] = self::behindOpenings($cut);
        if ($cut->start->face === $number) {
            $from = self::turned($cut, $normal, false);
        }
        if ($cut->end->face === $number) {
            $to = $cut->path->length - self::turned($cut, $normal, true);
        }

        return [$from, $to];
    }

    /**
     * Returns between which lengths of the path the outside counts: not where the channel comes out of what is not
     * flat, or over an edge.
     *
     * @return array{float, float} mm
     */
    private static function behindOpenings(ChannelCut $cut): array
    {
        $behind = static fn (ChannelEnd $end): float => $end->kind->isFound()
            ? self::BEHIND * $cut->reach
            : 0.0;

        return [$behind($cut->start), $cut->path->length - $behind($cut->end)];
    }

    /**
     * Returns how far from its start, or from its end, a channel has turned along a face from which it comes, mm; INF
     * where it never does.
     */
    private static function turned(ChannelCut $cut, Vector $normal, bool $isFromEnd): float
    {
        $places = $isFromEnd ? array_reverse($cut->places) : $cut->places;
        $side = $isFromEnd ? 1.0 : -1.0;
        $slant = static fn (Vector $along): float => acos(max(-1.0, min(1.0, $side * $along->dot($normal))));
        $least = max(self::ALONG_FACE, $slant($places[0][2]) + self::SAME);
        $before = $places[0][0];
        foreach ($places as [$along, , $direction]) {
            if ($slant($direction) > $least) {
                for ($i = 0; $i < self::HALVINGS; $i++) {
                    $middle = ($before + $along) / 2;
                    $slant($cut->path->directionAt($middle)) > $least ? $along = $middle : $before = $middle;
                }

                return $isFromEnd ? $cut->path->length - $along : $along;
            }
            $before = $along;
        }

        return INF;
    }

    /**
     * @param  callable(Vector, Vector): float  $distance  at a point of the path with its direction, mm
     * @param  callable(Vector): Vector  $away
     */
    private static function wall(
        ChannelCut $cut,
        float $from,
        float $to,
        string $words,
        callable $distance,
        callable $away,
        ?ChannelCut $other = null,
    ): ?ChannelWall {
        if ($from > $to) {
            return null;
        }
        $path = $cut->path;
        $at = static fn (float $along): float => $distance($path->pointAt($along), $path->directionAt($along));
        [$nearest, $least] = [$from, $at($from)];
        foreach ($cut->places as [$along, $point, $direction]) {
            $found = $along > $from && $along < $to ? $distance($point, $direction) : INF;
            [$nearest, $least] = $found < $least ? [$along, $found] : [$nearest, $least];
        }
        $last = $at($to);
        [$nearest, $least] = $last < $least ? [$to, $last] : [$nearest, $least];
        $step = $path->length / (count($cut->places) - 1);
        [$low, $high] = [max($from, $nearest - $step), min($to, $nearest + $step)];
        [$one, $two] = [$high - self::GOLDEN * ($high - $low), $low + self::GOLDEN * ($high - $low)];
        [$atOne, $atTwo] = [$at($one), $at($two)];
        for ($i = 0; $i < self::SEARCH; $i++) {
            if ($atOne < $atTwo) {
                [$high, $two, $atTwo] = [$two, $one, $atOne];
                $one = $high - self::GOLDEN * ($high - $low);
                $atOne = $at($one);
            } else {
                [$low, $one, $atOne] = [$one, $two, $atTwo];
                $two = $low + self::GOLDEN * ($high - $low);
                $atTwo = $at($two);
            }
        }
        $refined = $at(($low + $high) / 2);
        [$nearest, $least] = $refined < $least ? [($low + $high) / 2, $refined] : [$nearest, $least];
        // As exactly as a least place can be found.
        $point = $path->pointAt(round($nearest, 6));

        return new ChannelWall($least, $point, $away($point), $words, $other?->laid);
    }
}
