<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Body\Boundary\Face;
use Bowline\Body\Boundary\Solid;
use Bowline\Geometry\Outline;
use Bowline\Geometry\Tolerance;
use Bowline\Job\Repeat;
use Bowline\Routing\LaidRun;
use Bowline\Routing\RepeatPlaces;

/** The bodies of what repeats along a run: each as wide as it is told, square to the path, round its section. */
final class RepeatBody
{
    /** @return list<Solid> none of an outline that does not go round the section */
    public static function all(LaidRun $laid, Repeat $repeat): array
    {
        $solids = [];
        foreach (RepeatPlaces::of($laid, $repeat) as $number => $along) {
            $half = $laid->stockAlong($along)->section->outsideDiameter / 2;
            $outside = $repeat->outline ?? Outline::circle($half + $repeat->height);
            if ($outside->depthOf(0.0, 0.0) <= $half + Tolerance::COINCIDENT) {
                continue;
            }
            // A round hole for what is round; else the smallest circle that holds the section.
            $solids[] = new Solid(
                sprintf('%s %d', $repeat->kind->value, $number + 1),
                [self::piece($laid, $along, $repeat->width, $outside, Outline::circle($half))],
            );
        }

        return $solids;
    }

    /** @return list<Face> */
    private static function piece(
        LaidRun $laid,
        float $along,
        float $width,
        Outline $outside,
        Outline $inside,
    ): array {
        $travel = $laid->path->directionAt($along);
        $middle = $laid->path->pointAt($along);
        $height = $laid->run->section->up->uprightOf($travel);
        $start = Frame::of($middle->minus($travel->times($width / 2)), $travel, $height->cross($travel));

        return SolidBuilder::prism($start, $width, $outside, $inside);
    }
}
