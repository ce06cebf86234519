<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Geometry\Arc;
use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\Segment;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Job\Node;

/** Reads back the path of a solution; a curve as the straights between its points. */
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
            'curve' => self::lines(array_map(self::vector(...), $node->list('points'))),
            default => [new Line(self::vector($node->get('from')), self::vector($node->get('to')))],
        };
    }

    /**
     * @param  list<Vector>  $points
     * @return list<Segment>
     */
    private static function lines(array $points): array
    {
        return array_map(
            static fn (Vector $from, Vector $to): Line => new Line($from, $to),
            array_slice($points, 0, -1), array_slice($points, 1),
        );
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
