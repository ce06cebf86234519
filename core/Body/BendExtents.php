<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Geometry\Segment;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Routing\Bend;
use Bowline\Routing\LaidRun;

/** How far the section of a run reaches in the plane of each of its bends and curves. */
final class BendExtents
{
    /** Places of a bend or curve at which its section is looked at where it is not round, besides its tightest. */
    private const LOOKS = 8;

    /**
     * Returns, for each bend and curve of the path in order, its radius, how far the section reaches towards the inside
     * of the bend, how far it reaches in all in the plane of the bend, and the developed length at which it begins: of
     * a curve, and of a section that is rolled, where radius and inside are nearest to each other.
     *
     * @return list<array{float, float, float, float}> mm
     */
    public static function of(LaidRun $laid): array
    {
        $section = $laid->run->stock->section;
        $extents = [];
        $start = 0.0;
        $framed = $section->isRound ? null : SectionFrames::along($laid->path, $laid->run->section);
        foreach ($laid->path->segments as $i => $segment) {
            $radius = $segment->leastRadius();
            if (is_finite($radius)) {
                $extents[] = $framed === null
                    ? [$radius, $section->outsideDiameter / 2, $section->outsideDiameter, $start]
                    : [...self::worst($framed[$i], $laid), $start];
            }
            $start += $segment->length();
        }

        return $extents;
    }

    /**
     * Returns the same of each bend of a rigid run, by its number; null where it has no room to be drawn.
     *
     * @return list<array{float, float, float, float}|null>
     */
    public static function byBend(LaidRun $laid): array
    {
        $extents = self::of($laid);
        $number = 0;

        return array_map(static function (Bend $bend) use ($extents, &$number): ?array {
            return $bend->radius <= Tolerance::NOTHING ? null : $extents[$number++] ?? null;
        }, $laid->bends);
    }

    /** @return array{float, float, float} radius, extent to the inside, and extent in all */
    private static function worst(FramedSegment $framed, LaidRun $laid): array
    {
        $segment = $framed->segment;
        $worst = [INF, 0.0, 0.0];
        $margin = INF;
        $places = [$segment->tightestAt()];
        for ($i = 0; $i <= self::LOOKS; $i++) {
            $places[] = $segment->length() * $i / self::LOOKS;
        }
        foreach ($places as $along) {
            [$inward, $radius] = self::bending($segment, $along);
            if ($radius === INF) {
                continue;
            }
            $travel = $segment->directionAt($along);
            $height = $segment->carried($framed->start->second, $along)
                ->turnedAbout($travel, self::roll($framed, $along));
            $width = $height->cross($travel);
            [$x, $y] = [$inward->dot($width), $inward->dot($height)];
            $inside = $laid->run->section->extent($laid->run->stock->section, $x, $y);
            if ($radius - $inside < $margin) {
                $margin = $radius - $inside;
                $worst = [
                    $radius, $inside, $inside + $laid->run->section->extent($laid->run->stock->section, -$x, -$y),
                ];
            }
        }

        return $worst;
    }

    /** @return array{Vector, float} unit direction to the centre of curvature, and radius; INF where it is straight */
    private static function bending(Segment $segment, float $along): array
    {
        $exact = $segment->bendingAt($along);
        if ($exact !== null) {
            return $exact->length() < Tolerance::SAFEGUARD
                ? [Vector::zero(), INF]
                : [$exact->unit(), 1 / $exact->length()];
        }
        // A curve is known at points: by the turn over a short way, its tightest radius where that is.
        $step = $segment->length() / 500;
        [$from, $to] = [max(0.0, $along - $step), min($segment->length(), $along + $step)];
        $turn = $segment->directionAt($to)->minus($segment->directionAt($from));
        if ($turn->length() < Tolerance::NOTHING) {
            return [Vector::zero(), INF];
        }
        $radius = ($to - $from) / $turn->length();

        return [
            $turn->squareTo($segment->directionAt($along)),
            $along === $segment->tightestAt() ? $segment->leastRadius() : max($radius, $segment->leastRadius()),
        ];
    }

    private static function roll(FramedSegment $framed, float $along): float
    {
        if ($framed->rolls === null) {
            return 0.0;
        }
        foreach ($framed->segment->knots() as $i => $knot) {
            if ($knot >= $along) {
                return $framed->rolls[$i];
            }
        }

        return $framed->rolls[count($framed->rolls) - 1];
    }
}
