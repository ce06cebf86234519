<?php

declare(strict_types=1);

namespace Bowline\Body\Cut;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/** A piece of the outline of a cut, from its first point to its last. Millimetres. */
final readonly class CutPiece
{
    /** Halvings of an arc over a chord, to 4e-9 of it. */
    private const HALVINGS = 28;

    /**
     * @param  'line'|'ellipse'|'points'  $kind  a circle is an ellipse with two equal half axes
     * @param  non-empty-list<Vector>  $points  along it: exactly on it, and so close that its chords are within 1e-3 mm
     * @param  Vector|null  $centre  of an ellipse
     * @param  Vector|null  $major  its longer half axis
     * @param  Vector|null  $minor  its shorter half axis
     */
    private function __construct(
        public string $kind,
        public array $points,
        public ?Vector $centre = null,
        public ?Vector $major = null,
        public ?Vector $minor = null,
    ) {
    }

    public static function line(Vector $from, Vector $to): self
    {
        return new self('line', [$from, $to]);
    }

    /** @param  non-empty-list<Vector>  $points */
    public static function ellipse(array $points, Vector $centre, Vector $major, Vector $minor): self
    {
        return new self('ellipse', $points, $centre, $major, $minor);
    }

    /** @param  non-empty-list<Vector>  $points */
    public static function points(array $points): self
    {
        return new self('points', $points);
    }

    public function isCircle(): bool
    {
        return $this->major !== null && $this->minor !== null
            && abs($this->major->length() - $this->minor->length()) < Tolerance::NOTHING * $this->major->length();
    }

    public function from(): Vector
    {
        return $this->points[0];
    }

    public function to(): Vector
    {
        return $this->points[count($this->points) - 1];
    }

    /**
     * Returns its part of the area of its loop, mm²: ½∮(P − O)×dP along the normal of the plane. Exact for lines and
     * ellipses; of points by their chords and, for what these cut off, two thirds of what a parabola would add.
     */
    public function area(Vector $origin, Vector $normal): float
    {
        if ($this->centre !== null && $this->major !== null && $this->minor !== null) {
            return $this->ellipseArea($origin, $normal, $this->centre, $this->major, $this->minor);
        }
        $area = 0.0;
        for ($i = 1, $count = count($this->points); $i < $count; $i++) {
            $area += $this->points[$i - 1]->minus($origin)->cross($this->points[$i]->minus($origin))->dot($normal) / 2;
        }

        return $area;
    }

    private function ellipseArea(Vector $origin, Vector $normal, Vector $centre, Vector $major, Vector $minor): float
    {
        $sweep = 0.0;
        $last = null;
        foreach ($this->points as $point) {
            $way = $point->minus($centre);
            $angle = atan2($way->dot($minor) / $minor->dot($minor), $way->dot($major) / $major->dot($major));
            $turn = $last === null ? 0.0 : $angle - $last;
            $sweep += $turn - 2 * M_PI * round($turn / (2 * M_PI));
            $last = $angle;
        }
        // About the centre ½·ab·Δφ, and what the way from the first point to the last adds about the origin.
        $about = $major->cross($minor)->dot($normal) * $sweep / 2;
        $shift = $centre->minus($origin)->cross($this->to()->minus($this->from()))->dot($normal) / 2;

        return $about + $shift;
    }

    /** Returns how far a point of the plane is from it, mm: of an ellipse exactly, else from its chords. */
    public function distanceTo(Vector $point): float
    {
        return $this->closestTo($point)->distanceTo($point);
    }

    /** Returns its point nearest to a point of the plane: on an ellipse exactly, else on its chords. */
    public function closestTo(Vector $point): Vector
    {
        if ($this->isCircle() && $this->centre !== null && $this->major !== null && $this->minor !== null) {
            $way = $point->minus($this->centre);
            $angle = static fn (Vector $one, Vector $x, Vector $y): float => atan2($one->dot($y), $one->dot($x));
            $start = $this->from()->minus($this->centre);
            $aside = $this->major->cross($this->minor)->unit()->cross($start);
            $at = $angle($way, $start, $aside);
            $end = $angle($this->to()->minus($this->centre), $start, $aside);
            $end = $this->isWhole() ? 2 * M_PI : $end;
            // Material is to its left: outside pieces go round with the normal, holes against it.
            $isWith = $angle($this->points[1]->minus($this->centre), $start, $aside) > 0.0;
            [$at, $end] = $isWith ? [$at, $end] : [-$at, -$end];
            $turn = static fn (float $one): float => $one - 2 * M_PI * floor($one / (2 * M_PI));
            if ($this->isWhole() || $turn($at) <= $turn($end)) {
                return $this->centre->plus($way->unit()->times($this->major->length()));
            }

            return $point->distanceTo($this->from()) <= $point->distanceTo($this->to()) ? $this->from() : $this->to();
        }
        $closest = $this->from();
        $nearest = 1;
        for ($i = 1, $count = count($this->points); $i < $count; $i++) {
            $chord = $this->points[$i]->minus($this->points[$i - 1]);
            $length = $chord->dot($chord);
            $along = $length > 0.0 ? $point->minus($this->points[$i - 1])->dot($chord) / $length : 0.0;
            $part = max(0.0, min(1.0, $along));
            $found = $this->points[$i - 1]->plus($chord->times($part));
            if ($found->distanceTo($point) < $closest->distanceTo($point)) {
                [$closest, $nearest] = [$found, $i];
            }
        }

        if ($this->centre === null || $this->major === null || $this->minor === null) {
            return $closest;
        }
        // The nearest arc need not be that over the nearest chord, but then it is one beside it.
        $onArc = $this->from();
        foreach ([$nearest - 1, $nearest, $nearest + 1] as $chord) {
            if (isset($this->points[$chord - 1], $this->points[$chord])) {
                $found = $this->closestOnArc($point, $chord, $this->centre, $this->major, $this->minor);
                $onArc = $found->distanceTo($point) < $onArc->distanceTo($point) ? $found : $onArc;
            }
        }

        return $onArc;
    }

    /**
     * Returns the point nearest to another on the arc of the ellipse over one of its chords, by halving.
     *
     * @param  int  $chord  number of the point at its end
     */
    private function closestOnArc(Vector $point, int $chord, Vector $centre, Vector $major, Vector $minor): Vector
    {
        $angle = static fn (Vector $way): float => atan2(
            $way->dot($minor) / $minor->dot($minor), $way->dot($major) / $major->dot($major),
        );
        $start = $angle($this->points[$chord - 1]->minus($centre));
        $turn = $angle($this->points[$chord]->minus($centre)) - $start;
        $turn -= 2 * M_PI * round($turn / (2 * M_PI));
        $at = static fn (float $part): Vector => $centre->plus($major->times(cos($start + $part * $turn)))
            ->plus($minor->times(sin($start + $part * $turn)));
        // Whether the way on leads nearer: the derivative of half the square of the distance is negative.
        $isAhead = static fn (float $part): bool => $turn * $at($part)->minus($point)->dot(
            $minor->times(cos($start + $part * $turn))->minus($major->times(sin($start + $part * $turn))),
        ) < 0.0;
        [$low, $high] = [0.0, 1.0];
        for ($i = 0; $i < self::HALVINGS; $i++) {
            $middle = ($low + $high) / 2;
            [$low, $high] = $isAhead($middle) ? [$middle, $high] : [$low, $middle];
        }

        return $at(($low + $high) / 2);
    }

    /** Whether it has no length, as where a plane goes through a vertex alone. */
    public function isPoint(): bool
    {
        return array_filter(
            $this->points, fn (Vector $point): bool => $point->distanceTo($this->points[0]) >= Tolerance::NOTHING,
        ) === [];
    }

    /** Whether it comes back to where it began. */
    public function isWhole(): bool
    {
        return $this->from()->distanceTo($this->to()) < Tolerance::NOTHING;
    }
}
