<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Geometry\Segment;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Routing\LaidRun;

/**
 * How a run that drains falls from its higher end to its lower one, piece by piece: a straight is one piece, all else
 * is divided.
 *
 * @phpstan-type Piece array{float, float, float, bool}
 */
final class Falls
{
    /** Pieces of a segment that is not straight. */
    private const PIECES = 48;

    /**
     * Returns the pieces in the order in which it drains.
     *
     * @return list<Piece> developed lengths at both ends, mm; how far it falls between them for each mm to the side,
     *     INF straight down; and whether it is a bend, which falls no less than the flatter one of the legs beside it
     */
    public static function of(LaidRun $laid): array
    {
        $up = $laid->run->section->up;
        $pieces = [];
        $start = 0.0;
        foreach ($laid->path->segments as $segment) {
            $count = is_infinite($segment->leastRadius()) ? 1 : self::PIECES;
            $isBend = $count > 1 && $segment->curve() === null;
            for ($i = 0; $i < $count; $i++) {
                [$from, $to] = [$segment->length() * $i / $count, $segment->length() * ($i + 1) / $count];
                $pieces[] = [$start + $from, $start + $to, self::rate($segment, $from, $to, $up), $isBend];
            }
            $start += $segment->length();
        }
        $ends = [$laid->path->pointAt(0.0)->dot($up), $laid->path->pointAt($laid->length())->dot($up)];

        return $ends[0] >= $ends[1] ? $pieces : array_reverse(array_map(
            static fn (array $piece): array => [$piece[1], $piece[0], -$piece[2], $piece[3]], $pieces,
        ));
    }

    private static function rate(Segment $segment, float $from, float $to, Vector $up): float
    {
        $way = $segment->pointAt($to)->minus($segment->pointAt($from));
        $fall = -$way->dot($up);
        $aside = $way->plus($up->times($fall))->length();
        if ($aside < Tolerance::COINCIDENT) {
            return $fall > 0.0 ? INF : -INF;
        }

        return $fall / $aside;
    }
}
