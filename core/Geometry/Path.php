<?php

declare(strict_types=1);

namespace Bowline\Geometry;

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
            array_push($points, ...array_map($segment->pointAt(...), $segment->places($chord)));
        }

        return $points;
    }

    /** Unit direction of travel $along millimetres from the start; beyond an end, that at the end. */
    public function directionAt(float $along): Vector
    {
        foreach ($this->segments as $index => $segment) {
            if ($along <= $segment->length() || $index === count($this->segments) - 1) {
                return $segment->directionAt(max(0.0, min($segment->length(), $along)));
            }
            $along -= $segment->length();
        }

        return new Vector(1.0, 0.0, 0.0);
    }
}
