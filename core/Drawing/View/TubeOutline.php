<?php

declare(strict_types=1);

namespace Bowline\Drawing\View;

use Bowline\Geometry\Chord;
use Bowline\Geometry\Path;
use Bowline\Geometry\Vector;
use Bowline\Space\Chain;
use Closure;

/**
 * The outline of a round tube along a path, as it is seen in a projection. The normals of a tube are square to its
 * path, and those of its outline to the direction of view too, so the outline lies at radius × (tangent × view) to both
 * sides.
 */
final class TubeOutline
{
    /** Below this sine a tube is seen end on, and has no sides. */
    private const END_ON = 1e-6;

    /** Sides of a circle that is seen where a tube turns to be seen end on. */
    private const SIDES = 48;

    /** A point within this multiple of the radius lies on the tube; chords of its path stand off it by much less. */
    private const OUTSIDE = 1.02;

    private const CHORD = 0.002;

    /** @return list<list<Vector>> */
    public static function of(Path $path, float $radius, Projection $projection, Chord $chord): array
    {
        $lines = [];
        $before = null;
        foreach ($path->segments as $segment) {
            $steps = max(1, count($segment->points($chord)));
            $sides = [[], []];
            $normal = null;
            for ($i = 0; $i <= $steps; $i++) {
                $along = $segment->length() * $i / $steps;
                $across = $segment->directionAt($along)->cross($projection->towards);
                if ($across->length() < self::END_ON) {
                    continue;
                }
                $now = $across->unit()->times($radius);
                if ($normal !== null && $now->dot($normal) < 0.0) {
                    // It was seen end on in between: what was on its left is on its right now.
                    array_push($lines, ...$sides);
                    $sides = [[], []];
                }
                $normal = $now;
                $sides[0][] = $segment->pointAt($along)->plus($now);
                $sides[1][] = $segment->pointAt($along)->minus($now);
            }
            array_push($lines, ...$sides);
            $isEndOn = $segment->directionAt(0.0)->cross($projection->towards)->length() < self::END_ON;
            if ($before !== null && $isEndOn) {
                $lines[] = self::circle($segment->pointAt(0.0), $segment->directionAt(0.0), $radius);
            }
            $before = $segment;
        }

        return array_values(array_filter($lines, static fn (array $line): bool => count($line) > 1));
    }

    /**
     * Returns a function that tells whether a point lies on the outside of a tube, and not on what stands out from it.
     *
     * @return Closure(Vector): bool
     */
    public static function outside(Path $path, float $radius): Closure
    {
        $points = $path->points(new Chord(self::CHORD * $radius));
        $chain = new Chain($points, array_fill(0, count($points), 0.0));

        return static fn (Vector $point): bool => $chain->nearestTo($point->x, $point->y, $point->z)[0]
            <= $radius * self::OUTSIDE;
    }

    /** @return list<Vector> */
    private static function circle(Vector $centre, Vector $axis, float $radius): array
    {
        $spoke = $axis->anySquare()->times($radius);

        return array_map(
            static fn (int $i): Vector => $centre->plus($spoke->turnedAbout($axis, 2 * M_PI * $i / self::SIDES)),
            range(0, self::SIDES),
        );
    }
}
