<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/**
 * A part of a segment, of the same kind.
 *
 * @implements SegmentVisitor<Segment>
 */
final readonly class SegmentPart implements SegmentVisitor
{
    /** @param  float  $from  developed length of the segment, mm; $to likewise */
    private function __construct(
        private float $from,
        private float $to,
    ) {
    }

    /**
     * Returns the parts of a path between two developed lengths, wherever these lie.
     *
     * @return list<Segment>
     */
    public static function of(Path $path, float $from, float $to): array
    {
        $parts = [];
        $start = 0.0;
        foreach ($path->segments as $segment) {
            $length = $segment->length();
            [$first, $last] = [max(0.0, $from - $start), min($length, $to - $start)];
            if ($last - $first > Tolerance::NOTHING) {
                $parts[] = $last - $first > $length - Tolerance::NOTHING
                    ? $segment
                    : $segment->accept(new self($first, $last));
            }
            $start += $length;
        }

        return $parts;
    }

    public function line(Line $line): Segment
    {
        return new Line($line->pointAt($this->from), $line->pointAt($this->to));
    }

    public function arc(Arc $arc): Segment
    {
        return new Arc(
            $arc->pointAt($this->from), $arc->pointAt($this->to), $arc->centre, $arc->normal, $arc->radius,
            ($this->to - $this->from) / $arc->radius,
        );
    }

    public function curve(Curve $curve): Segment
    {
        $knots = [
            $this->from,
            ...array_values(array_filter(
                $curve->along,
                fn (float $at): bool => $at > $this->from + Tolerance::NOTHING && $at < $this->to - Tolerance::NOTHING,
            )),
            $this->to,
        ];
        $curvatures = array_map(static fn (float $at): float => self::curvatureAt($curve, $at), $knots);
        $tightest = max($curvatures);

        return new Curve(
            array_map($curve->pointAt(...), $knots), array_map($curve->directionAt(...), $knots),
            array_map(fn (float $at): float => $at - $this->from, $knots), $curvatures,
            $tightest > 0.0 ? 1 / $tightest : INF,
            $knots[(int) array_search($tightest, $curvatures, true)] - $this->from,
        );
    }

    private static function curvatureAt(Curve $curve, float $at): float
    {
        $piece = Bisection::piece($curve->along, $at);
        $part = ($at - $curve->along[$piece]) / ($curve->along[$piece + 1] - $curve->along[$piece]);

        return $curve->curvature[$piece] * (1.0 - $part) + $curve->curvature[$piece + 1] * $part;
    }
}
