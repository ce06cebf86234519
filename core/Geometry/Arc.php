<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/** A circular piece of a path: right-handed about its normal, from its start through its angle. */
final readonly class Arc implements Segment
{
    use AnalyticSegment;

    /** @param  float  $angle  radians, 0 to π */
    public function __construct(
        public Vector $from,
        public Vector $to,
        public Vector $centre,
        public Vector $normal,
        public float $radius,
        public float $angle,
    ) {
    }

    /**
     * The arc that rounds a corner.
     *
     * @param  Vector  $corner  where the two legs meet
     * @param  Vector  $in  unit direction of travel into the corner
     * @param  Vector  $out  unit direction of travel out of it
     * @param  Vector  $normal  unit normal of the bend, in × out
     * @param  float  $tangent  distance from the corner to where the arc starts and ends
     */
    public static function rounding(
        Vector $corner,
        Vector $in,
        Vector $out,
        Vector $normal,
        float $tangent,
        float $radius,
        float $angle,
    ): self {
        $from = $corner->minus($in->times($tangent));

        return new self(
            $from,
            $corner->plus($out->times($tangent)),
            $from->plus($normal->cross($in)->times($radius)),
            $normal,
            $radius,
            $angle,
        );
    }

    public function start(): Vector
    {
        return $this->from;
    }

    public function end(): Vector
    {
        return $this->to;
    }

    public function length(): float
    {
        return $this->radius * $this->angle;
    }

    public function pointAt(float $along): Vector
    {
        return $this->centre->plus(
            $this->from->minus($this->centre)->turnedAbout($this->normal, $along / $this->radius),
        );
    }

    public function directionAt(float $along): Vector
    {
        return $this->normal->cross($this->pointAt($along)->minus($this->centre))->unit();
    }

    public function places(Chord $chord, float $offset = 0.0): array
    {
        $pieces = (int) $this->countPlaces($chord, $offset);

        return array_map(fn (int $i): float => $this->length() * $i / $pieces, range(1, $pieces));
    }

    public function countPlaces(Chord $chord, float $offset = 0.0): float
    {
        return $chord->pieces($this->radius + $offset, $this->angle);
    }

    public function leastRadius(): float
    {
        return $this->radius;
    }

    public function bounds(): Bounds
    {
        $out = $this->from->minus($this->centre);
        $on = $this->normal->cross($out);
        $points = [$this->from, $this->to];
        foreach ([[$out->x, $on->x], [$out->y, $on->y], [$out->z, $on->z]] as [$cosine, $sine]) {
            // Farthest along an axis, and half a turn on.
            foreach ([0.0, M_PI, 2 * M_PI] as $more) {
                $angle = atan2($sine, $cosine) + $more;
                if ($angle > 0.0 && $angle < $this->angle) {
                    $points[] = $this->pointAt($angle * $this->radius);
                }
            }
        }

        return Bounds::ofPoints($points);
    }

    public function reversed(): self
    {
        return new self(
            $this->to, $this->from, $this->centre, $this->normal->times(-1.0), $this->radius, $this->angle,
        );
    }

    public function closestTo(Vector $point): float
    {
        $start = $this->from->minus($this->centre);
        $way = $point->minus($this->centre);
        $angle = atan2($way->dot($this->normal->cross($start)), $way->dot($start));
        $angle = $angle < 0.0 ? $angle + 2 * M_PI : $angle;
        if ($angle <= $this->angle) {
            return $this->radius * $angle;
        }

        return $point->distanceTo($this->from) <= $point->distanceTo($this->to) ? 0.0 : $this->length();
    }

    public function turning(): float
    {
        return $this->angle;
    }

    public function bendingAt(float $along): Vector
    {
        return $this->centre->minus($this->pointAt($along))->times(1.0 / $this->radius ** 2);
    }

    public function carried(Vector $direction, float $along): Vector
    {
        return $direction->turnedAbout($this->normal, $along / $this->radius);
    }

    public function accept(SegmentVisitor $visitor): mixed
    {
        return $visitor->arc($this);
    }
}
