<?php

declare(strict_types=1);

namespace Bowline\Geometry;

use LogicException;

/** The centreline of a run: consecutive segments without gaps. */
final readonly class Path
{
    public float $length;

    /** @param  list<Segment>  $segments */
    public function __construct(public array $segments)
    {
        $this->length = array_sum(array_map(static fn (Segment $segment): float => $segment->length(), $segments));
    }

    /** Returns the smallest radius of the path; null when it is straight throughout. */
    public function leastRadius(): ?float
    {
        $least = INF;
        foreach ($this->segments as $segment) {
            $least = min($least, $segment->leastRadius());
        }

        return is_finite($least) ? $least : null;
    }

    /**
     * Returns points along it, ends included, with chords within the tolerance.
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

    /** Returns in how many equal parts none is longer than a step, mm, but at least and at most so many. */
    public function parts(float $step, int $least, int $most): int
    {
        return max($least, (int) min($most, ceil($this->length / $step)));
    }

    /** Returns the point at a developed length in mm; beyond an end, that end. */
    public function pointAt(float $along): Vector
    {
        [$segment, $own] = $this->at($along) ?? throw new LogicException('A path without segments has no points.');

        return $segment->pointAt($own);
    }

    /** Returns the unit direction of travel at a developed length in mm; beyond an end, that at the end. */
    public function directionAt(float $along): Vector
    {
        $at = $this->at($along);

        return $at === null ? new Vector(1.0, 0.0, 0.0) : $at[0]->directionAt($at[1]);
    }

    /** Returns the developed length of the point nearest to another, mm; of equally near ones the first. */
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

    /**
     * Returns its straights; those that continue each other are one.
     *
     * @return list<array{float, float}> developed lengths at which each begins and ends, mm
     */
    public function straights(): array
    {
        $straights = [];
        $start = 0.0;
        /** @var array{float, float}|null $going */
        $going = null;
        foreach ($this->segments as $segment) {
            $end = $start + $segment->length();
            $isStraight = is_infinite($segment->leastRadius());
            $goesOn = $going !== null && $isStraight
                && $segment->directionAt(0.0)->angleTo($this->directionAt($start)) < Tolerance::NO_TURN;
            if ($going !== null && ! $goesOn) {
                $straights[] = $going;
            }
            $going = $isStraight ? [$goesOn ? $going[0] : $start, $end] : null;
            $start = $end;
        }

        return $going === null ? $straights : [...$straights, $going];
    }

    /** Returns the middle of its longest straight, or of itself where it has none, as a developed length in mm. */
    public function middle(): float
    {
        [$from, $to] = [0.0, 0.0];
        foreach ($this->straights() as [$start, $end]) {
            [$from, $to] = $end - $start > $to - $from + Tolerance::COINCIDENT ? [$start, $end] : [$from, $to];
        }

        return $to > $from ? ($from + $to) / 2 : $this->length / 2;
    }

    /**
     * Returns the part between two developed lengths, each of which lies on a straight or at an end of a segment, mm.
     */
    public function between(float $from, float $to): self
    {
        $parts = [];
        $start = 0.0;
        foreach ($this->segments as $segment) {
            $length = $segment->length();
            [$first, $last] = [max(0.0, $from - $start), min($length, $to - $start)];
            if ($last - $first > Tolerance::NOTHING) {
                $parts[] = $last - $first > $length - Tolerance::NOTHING
                    ? $segment
                    : new Line($segment->pointAt($first), $segment->pointAt($last));
            }
            $start += $length;
        }

        return new self($parts);
    }

    public function reversed(): self
    {
        return new self(
            array_map(static fn (Segment $one): Segment => $one->reversed(), array_reverse($this->segments)),
        );
    }

    /**
     * Returns its curves.
     *
     * @return list<array{float, Curve, int}> developed length of its start in mm, the curve, and index of the segment
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
