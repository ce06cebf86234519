<?php

declare(strict_types=1);

namespace Bowline\Geometry;

use LogicException;

/** The centreline of a run: pieces that follow one another without a gap. */
final readonly class Path
{
    public float $length;

    /** @param  list<Segment>  $segments */
    public function __construct(public array $segments)
    {
        $this->length = array_sum(array_map(static fn (Segment $segment): float => $segment->length(), $segments));
    }

    /** Smallest radius along the whole path, null when it is straight throughout. */
    public function leastRadius(): ?float
    {
        $least = INF;
        foreach ($this->segments as $segment) {
            $least = min($least, $segment->leastRadius());
        }

        return is_finite($least) ? $least : null;
    }

    /**
     * Points along it, its ends among them, so that no chord between two stands off it by more than told.
     *
     * @return list<Vector>
     */
    public function points(Chord $chord): array
    {
        $points = $this->segments === [] ? [] : [$this->segments[0]->start()];
        foreach ($this->segments as $segment) {
            array_push($points, ...$segment->points($chord));
        }

        return $points;
    }

    /** The point $along millimetres from the start; beyond an end, that at the end. */
    public function pointAt(float $along): Vector
    {
        [$segment, $own] = $this->at($along) ?? throw new LogicException('A path without segments has no points.');

        return $segment->pointAt($own);
    }

    /** Unit direction of travel $along millimetres from the start; beyond an end, that at the end. */
    public function directionAt(float $along): Vector
    {
        $at = $this->at($along);

        return $at === null ? new Vector(1.0, 0.0, 0.0) : $at[0]->directionAt($at[1]);
    }

    /** Developed length of the place on it that is nearest to a point, mm; of equally near ones the first. */
    public function closestTo(Vector $point): float
    {
        $nearest = $start = 0.0;
        $least = INF;
        foreach ($this->segments as $segment) {
            $along = $segment->closestTo($point);
            $distance = $segment->pointAt($along)->distanceTo($point);
            if ($distance < $least - Tolerance::NOTHING) {
                [$nearest, $least] = [$start + $along, $distance];
            }
            $start += $segment->length();
        }

        return $nearest;
    }

    public function reversed(): self
    {
        return new self(
            array_map(static fn (Segment $one): Segment => $one->reversed(), array_reverse($this->segments)),
        );
    }

    /**
     * The curves in it.
     *
     * @return list<array{float, Curve, int}> developed length at which it begins, mm; the curve; number of the segment
     */
    public function curves(): array
    {
        $curves = [];
        $start = 0.0;
        foreach ($this->segments as $index => $segment) {
            $curve = $segment->curve();
            if ($curve !== null) {
                $curves[] = [$start, $curve, $index];
            }
            $start += $segment->length();
        }

        return $curves;
    }

    /** @return array{Segment, float}|null the segment at a developed length, and how far along it that is, mm */
    private function at(float $along): ?array
    {
        foreach ($this->segments as $index => $segment) {
            if ($along <= $segment->length() || $index === count($this->segments) - 1) {
                return [$segment, max(0.0, min($segment->length(), $along))];
            }
            $along -= $segment->length();
        }

        return null;
    }
}
