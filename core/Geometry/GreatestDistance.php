<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/**
 * The greatest distance of two paths from each other (Hausdorff): how far the place of either that lies farthest from
 * the other is from it. Millimetres.
 */
final readonly class GreatestDistance
{
    /** Into how many pieces each path is divided; the place is then refined between its neighbours. */
    private const PIECES = 240;

    /** Steps of the golden section, which leave a millionth of a piece. */
    private const STEPS = 30;

    private function __construct(
        public float $distance,
        public Vector $at,
    ) {
    }

    /** Returns it with the place on one of both from which it is measured. */
    public static function between(Path $one, Path $other): self
    {
        [$there, $back] = [self::from($one, $other), self::from($other, $one)];

        return $there->distance > $back->distance ? $there : $back;
    }

    /** Returns the farthest place of a path from another. */
    private static function from(Path $path, Path $other): self
    {
        $far = static function (float $along) use ($path, $other): float {
            $point = $path->pointAt($along);

            return $point->distanceTo($other->pointAt($other->closestTo($point)));
        };
        $places = self::places($path);
        $distances = array_map($far, $places);
        $most = (int) array_search(max($distances), $distances, true);
        // The farthest place may be beside the second highest of those that were looked at.
        $best = [$places[$most], $distances[$most]];
        foreach ($distances as $i => $distance) {
            $before = $distances[$i - 1] ?? -INF;
            $behind = $distances[$i + 1] ?? -INF;
            if ($distance < $before || $distance < $behind || $distance < $distances[$most] * 0.95) {
                continue;
            }
            [$at, $negative] = GoldenSection::least(
                static fn (float $along): float => -$far($along), $places[$i - 1] ?? $places[$i],
                $places[$i + 1] ?? $places[$i], self::STEPS,
            );
            $best = -$negative > $best[1] ? [$at, -$negative] : $best;
        }

        return new self($best[1], $path->pointAt($best[0]));
    }

    /** @return non-empty-list<float> lengths along a path, ends of its segments among them */
    private static function places(Path $path): array
    {
        $places = [0.0, $path->length];
        $along = 0.0;
        foreach ($path->segments as $segment) {
            $along += $segment->length();
            $places[] = min($along, $path->length);
        }
        for ($i = 1; $i < self::PIECES; $i++) {
            $places[] = $path->length * $i / self::PIECES;
        }
        sort($places);

        return array_values(array_unique($places));
    }
}
