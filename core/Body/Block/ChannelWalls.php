<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Body\Frame;
use Bowline\Body\SweptSection;
use Bowline\Geometry\GoldenSection;
use Bowline\Geometry\OutlinePiece;
use Bowline\Geometry\Vector;
use Bowline\Routing\LaidRun;
use Bowline\Space\SurfaceDistance;

/**
 * Measures the material that is left round a channel, all along it: from its section to every face, and to the walls of
 * the others. Of a round one that is the distance from its path less its radius; of another section that of the points
 * round it.
 */
final class ChannelWalls
{
    /** Places round a channel. */
    private const ROUND = 48;

    /** Steps in which the least is looked for between two places (golden section). */
    private const SEARCH = 40;

    /** Turns in which the least place on the wall of a section is looked for, along it and round it. */
    private const TURNS = 6;

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
                static fn (Vector $at, Vector $travel, float $along): float => $face->distanceTo($at)
                    - $cut->extent($face->normal, $along, $travel),
                static fn (Vector $at): Vector => $face->normal->times(-1.0),
            );
        }
        [$from, $to] = self::behindOpenings($cut);
        foreach ($cut->block->sides as $side) {
            $away = static fn (Vector $at): Vector => $side->outwardAt($at)->times(-1.0);
            $walls[] = $cut->swept === null
                ? self::wall(
                    $cut, $from, $to, $side->words(),
                    static fn (Vector $at, Vector $travel): float => $side->distanceTo($at, $travel, $cut->reach),
                    $away,
                )
                : self::wallRound(
                    $cut, $cut->swept, $from, $to, $side->words(),
                    static fn (Vector $at, Vector $travel): float => $side->distanceTo($at, $travel, 0.0), $away,
                );
        }
        foreach ($others as $other) {
            [$distance, $away] = self::fromWall($other);
            $length = $cut->path->length;
            $walls[] = $cut->swept === null
                ? self::wall(
                    $cut, 0.0, $length, $other->laid->run->name,
                    static fn (Vector $at): float => $distance($at) - $cut->reach, $away, $other,
                )
                : self::wallRound(
                    $cut, $cut->swept, 0.0, $length, $other->laid->run->name, $distance, $away, $other,
                );
        }

        return array_values(array_filter($walls));
    }

    /** @return array{callable(Vector): float, callable(Vector): Vector} distance from a channel's wall, and away */
    private static function fromWall(ChannelCut $channel): array
    {
        $surface = $channel->surface;

        return [
            static fn (Vector $at): float => $surface->at($at->x, $at->y, $at->z)[0],
            static function (Vector $at) use ($surface): Vector {
                [, $x, $y, $z] = $surface->at($at->x, $at->y, $at->z);

                return new Vector($x, $y, $z);
            },
        ];
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
            $walls[] = self::least($places, ...self::fromWall($channel), words: $channel->laid->run->name,
                channel: $channel->laid);
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
        $wallAt = self::finder($cut, $others);
        $places = [];
        for ($i = 0; $i < $count; $i++) {
            $along = $path->length * ($i + 0.5) / $count;
            foreach (self::around($cut, $along) as [$at, $width]) {
                $wall = $wallAt($at, $along);
                if ($wall !== null) {
                    $places[] = [$at, $wall, $path->length / $count * $width];
                }
            }
        }

        return $places;
    }

    /** @return list<array{Vector, float}> places round a channel, and the width that each stands for, mm */
    private static function around(ChannelCut $cut, float $along): array
    {
        if ($cut->swept === null) {
            $direction = $cut->path->directionAt($along);
            $disc = Frame::of($cut->path->pointAt($along), $direction, $direction->anySquare());

            return array_map(static fn (int $j): array => [
                $disc->polar($cut->reach, 2 * M_PI * $j / self::ROUND), 2 * M_PI * $cut->reach / self::ROUND,
            ], range(0, self::ROUND - 1));
        }
        $frame = $cut->swept->frameAt($along);
        $places = [];
        foreach ($cut->swept->outline->pieces as $piece) {
            $each = (int) ceil(self::ROUND / count($cut->swept->outline->pieces));
            for ($j = 0; $j < $each; $j++) {
                $places[] = [$frame->pointAt(...$piece->pointAt(($j + 0.5) / $each)), $piece->length() / $each];
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
        $surfaces = array_map(static fn (ChannelCut $other): SurfaceDistance => $other->surface, $others);
        $spans = array_map(
            static fn (BlockFace $face, int $number): array => self::beside($cut, $number, $face->normal),
            $cut->block->faces, array_keys($cut->block->faces),
        );
        $faces = array_values($cut->block->faces);
        [$from, $to] = self::behindOpenings($cut);

        return static function (Vector $at, float $along) use ($cut, $surfaces, $spans, $faces, $from, $to): ?float {
            $walls = array_map(
                static fn (SurfaceDistance $other): float => $other->at($at->x, $at->y, $at->z)[0], $surfaces,
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
     * @param  callable(Vector, Vector, float): float  $distance  at a point of the path with its direction and its
     *     developed length, mm
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
        $at = static fn (float $along): float => $distance(
            $path->pointAt($along), $path->directionAt($along), $along,
        );
        [$nearest, $least] = [$from, $at($from)];
        foreach ($cut->places as [$along, $point, $direction]) {
            $found = $along > $from && $along < $to ? $distance($point, $direction, $along) : INF;
            [$nearest, $least] = $found < $least ? [$along, $found] : [$nearest, $least];
        }
        $last = $at($to);
        [$nearest, $least] = $last < $least ? [$to, $last] : [$nearest, $least];
        $step = $path->length / (count($cut->places) - 1);
        [$nearest, $least] = self::refined($at, $nearest, $least, $step, $from, $to);
        // As exactly as a least place can be found.
        $point = $path->pointAt(round($nearest, 6));

        return new ChannelWall($least, $point, $away($point), $words, $other?->laid);
    }

    /**
     * The same of a section that is not round, from the points round it.
     *
     * @param  callable(Vector, Vector): float  $distance  at a point of the wall, with the direction of the path, mm
     * @param  callable(Vector): Vector  $away
     */
    private static function wallRound(
        ChannelCut $cut,
        SweptSection $swept,
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
        // A place on the wall is told by its length along the path and by its part of a piece of the outline.
        $point = static fn (float $along, OutlinePiece $piece, float $part): Vector => $swept->frameAt($along)
            ->pointAt(...$piece->pointAt($part));
        $at = static fn (float $along, OutlinePiece $piece, float $part): float => $distance(
            $point($along, $piece, $part), $cut->path->directionAt($along),
        );
        $pieces = $swept->outline->pieces;
        $each = max(4, (int) ceil(self::ROUND / count($pieces)));
        [$nearest, $on, $part, $least] = [$from, 0, 0.0, INF];
        foreach ([$from, ...array_column($cut->places, 0), $to] as $along) {
            if ($along < $from || $along > $to) {
                continue;
            }
            [$frame, $direction] = [$swept->frameAt($along), $cut->path->directionAt($along)];
            foreach ($pieces as $number => $piece) {
                for ($j = 0; $j < $each; $j++) {
                    $found = $distance($frame->pointAt(...$piece->pointAt($j / $each)), $direction);
                    if ($found < $least) {
                        [$nearest, $on, $part, $least] = [$along, $number, $j / $each, $found];
                    }
                }
            }
        }
        $step = $cut->path->length / (count($cut->places) - 1);
        // Along the path and round the section in turns; the least place may lie on the piece before, too.
        $before = ($on + count($pieces) - 1) % count($pieces);
        foreach ($part < 1 / $each ? [[$on, $part], [$before, 1.0]] : [[$on, $part]] as [$number, $first]) {
            $piece = $pieces[$number];
            [$atLength, $atPart, $found] = [$nearest, $first, $least];
            for ($turn = 0; $turn < self::TURNS; $turn++) {
                [$atPart, $found] = self::refined(
                    static fn (float $one): float => $at($atLength, $piece, $one), $atPart, $found, 1 / $each, 0.0, 1.0,
                );
                [$atLength, $found] = self::refined(
                    static fn (float $one): float => $at($one, $piece, $atPart), $atLength, $found, $step, $from, $to,
                );
            }
            if ($found <= $least) {
                [$best, $least] = [$point($atLength, $piece, $atPart), $found];
            }
        }
        $best ??= $point($nearest, $pieces[$on], $part);

        return new ChannelWall($least, $best, $away($best), $words, $other?->laid);
    }

    /**
     * Returns the least of a function near a place, no worse than that (golden section).
     *
     * @param  callable(float): float  $value
     * @return array{float, float} place and value
     */
    private static function refined(
        callable $value,
        float $place,
        float $least,
        float $step,
        float $from,
        float $to,
    ): array {
        [$middle, $found] = GoldenSection::least(
            $value, max($from, $place - $step), min($to, $place + $step), self::SEARCH,
        );

        return $found < $least ? [$middle, $found] : [$place, $least];
    }
}
