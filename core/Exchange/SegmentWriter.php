<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Geometry\Arc;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Line;
use Bowline\Geometry\Segment;
use Bowline\Geometry\SegmentVisitor;
use Bowline\Geometry\Vector;

/**
 * Writes a segment of a path (schema/solution.json).
 *
 * @implements SegmentVisitor<array<string, mixed>>
 */
final class SegmentWriter implements SegmentVisitor
{
    /** @return array<string, mixed> */
    public static function write(Segment $segment): array
    {
        return $segment->accept(new self);
    }

    public function line(Line $line): array
    {
        return ['kind' => 'line', ...self::ends($line)];
    }

    public function arc(Arc $arc): array
    {
        return [
            'kind' => 'arc',
            ...self::ends($arc),
            'centre' => $arc->centre->withoutNegativeZeros(),
            'normal' => $arc->normal->withoutNegativeZeros(),
            'radius' => $arc->radius,
            'angle' => rad2deg($arc->angle),
        ];
    }

    public function curve(Curve $curve): array
    {
        return [
            'kind' => 'curve',
            ...self::ends($curve),
            'points' => array_map(static fn (Vector $at): array => $at->withoutNegativeZeros(), $curve->points),
            'min_radius' => is_finite($curve->least) ? $curve->least : null,
            'along' => $curve->along,
            'curvature' => $curve->curvature,
            ...$curve->through === []
                ? []
                : ['through' => array_map(static fn (Vector $at): array => $at->toArray(), $curve->through)],
        ];
    }

    /** @return array<string, mixed> */
    private static function ends(Segment $segment): array
    {
        return [
            'from' => $segment->start()->withoutNegativeZeros(),
            'to' => $segment->end()->withoutNegativeZeros(),
            'length' => $segment->length(),
        ];
    }
}
