<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Geometry\Arc;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\Segment;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Job\Node;

/** Reads back the path of a solution; a curve with the directions that its points have with those beside them. */
final class SegmentReader
{
    /**
     * @param  Node  $solution  of a run
     *
     * @throws JobError where it is of another shape
     */
    public static function path(Node $solution): Path
    {
        return new Path(array_merge(...array_map(self::segments(...), $solution->list('path')), ...[[]]));
    }

    /** @return list<Segment> */
    private static function segments(Node $node): array
    {
        return match ($node->get('kind')->text()) {
            'arc' => [new Arc(
                self::vector($node->get('from')), self::vector($node->get('to')), self::vector($node->get('centre')),
                self::vector($node->get('normal')), self::number($node->get('radius')),
                deg2rad(self::number($node->get('angle'))),
            )],
            'curve' => [self::curve($node)],
            default => [new Line(self::vector($node->get('from')), self::vector($node->get('to')))],
        };
    }

    private static function curve(Node $node): Curve
    {
        $points = array_map(self::vector(...), $node->list('points'));
        $along = array_map(self::number(...), $node->list('along'));
        $curvature = array_map(self::number(...), $node->list('curvature'));
        $last = count($points) - 1;
        if ($last < 1 || count($along) !== $last + 1 || count($curvature) !== $last + 1) {
            throw $node->get('points')->error('a curve has as many lengths and curvatures as points, two at least');
        }
        $directions = array_map(
            static fn (int $i): Vector => self::direction($points, $along, max(0, min($last - 2, $i - 1)), $i),
            range(0, $last),
        );
        $radius = $node->find('min_radius');

        return new Curve(
            $points, $directions, $along, $curvature,
            $radius === null || $radius->value === null ? INF : self::number($radius),
            $along[(int) array_search(max($curvature), $curvature, true)],
        );
    }

    /**
     * Returns the direction at a point: that of the parabola through it and two beside it.
     *
     * @param  list<Vector>  $points
     * @param  list<float>  $along
     * @param  int  $first  of the three points
     */
    private static function direction(array $points, array $along, int $first, int $at): Vector
    {
        if (! isset($points[$first + 2])) {
            return $points[1]->minus($points[0])->unit();
        }
        // Points at one place have no direction between them.
        [$before, $behind] = [
            max(Tolerance::NOTHING, $along[$first + 1] - $along[$first]),
            max(Tolerance::NOTHING, $along[$first + 2] - $along[$first + 1]),
        ];
        $one = $points[$first + 1]->minus($points[$first])->times(1.0 / $before);
        $other = $points[$first + 2]->minus($points[$first + 1])->times(1.0 / $behind);
        $bend = $other->minus($one)->times(1.0 / ($before + $behind));

        $direction = $one->plus($bend->times(2.0 * $along[$at] - $along[$first] - $along[$first + 1]));

        return $direction->length() > Tolerance::NOTHING
            ? $direction->unit()
            : $points[count($points) - 1]->minus($points[0])->unit();
    }

    private static function vector(Node $node): Vector
    {
        return new Vector(...array_map(self::number(...), $node->items()));
    }

    private static function number(Node $node): float
    {
        return is_int($node->value) || is_float($node->value)
            ? (float) $node->value
            : throw $node->error('a number is expected here');
    }
}
