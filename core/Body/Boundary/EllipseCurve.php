<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

use Bowline\Body\Frame;
use Bowline\Body\Quadrature;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/**
 * An elliptical edge, as a circular one becomes when it is projected: from the centre by the first conjugate half
 * diameter towards the second.
 */
final readonly class EllipseCurve implements EdgeCurve
{
    /** Largest angle of a part of its hull, radians. */
    private const HULL_ANGLE = M_PI / 16;

    /**
     * @param  Vector  $first  conjugate half diameter to its start, mm
     * @param  Vector  $second  the other one, mm; not parallel to the first
     * @param  float  $angle  parameter of the circle that it was, radians, over 0 and at most a full turn
     */
    public function __construct(
        public Vector $centre,
        public Vector $first,
        public Vector $second,
        public float $angle,
    ) {
    }

    /**
     * Returns the half axes: the longer first, right-handed about the way of the edge.
     *
     * @return array{Frame, float, float} frame at the centre, first direction along the longer; both lengths, mm
     */
    public function axes(): array
    {
        // Where c + a·cos θ + b·sin θ is farthest: tan 2θ = 2ab/(a² − b²) (Rytz).
        $turn = atan2(2 * $this->first->dot($this->second), $this->first->dot($this->first)
            - $this->second->dot($this->second)) / 2;
        $major = $this->first->times(cos($turn))->plus($this->second->times(sin($turn)));
        $minor = $this->second->times(cos($turn))->minus($this->first->times(sin($turn)));

        return [
            Frame::of($this->centre, $this->first->cross($this->second)->unit(), $major->unit()),
            $major->length(), $minor->length(),
        ];
    }

    public function pointAt(float $t): Vector
    {
        return $this->polar($this->angle * $t);
    }

    public function derivativeAt(float $t): Vector
    {
        $angle = $this->angle * $t;

        return $this->second->times($this->angle * cos($angle))->minus($this->first->times($this->angle * sin($angle)));
    }

    public function pieces(Chord $chord): int
    {
        // A chord stands off at most as far as that of a circle about the longer half axis over the same angle.
        $radius = $this->axes()[1];

        return $this->angle > Tolerance::FULL_TURN
            ? $chord->sides($radius)
            : $chord->pieces($radius, $this->angle);
    }

    public function quadrature(): array
    {
        return Quadrature::arc($this->angle);
    }

    public function hull(): array
    {
        $parts = (int) ceil($this->angle / self::HULL_ANGLE);
        $half = $this->angle / $parts / 2;
        $points = [$this->pointAt(0.0), $this->pointAt(1.0)];
        for ($i = 0; $i < $parts; $i++) {
            $tangents = $this->polar((2 * $i + 1) * $half)->minus($this->centre);
            $points[] = $this->centre->plus($tangents->times(1 / cos($half)));
        }

        return $points;
    }

    public function moved(callable $point): self
    {
        $centre = $point($this->centre);

        return new self(
            $centre, $point($this->centre->plus($this->first))->minus($centre),
            $point($this->centre->plus($this->second))->minus($centre), $this->angle,
        );
    }

    public function accept(CurveVisitor $visitor): mixed
    {
        return $visitor->ellipse($this);
    }

    private function polar(float $angle): Vector
    {
        return $this->centre->plus($this->first->times(cos($angle)))->plus($this->second->times(sin($angle)));
    }
}
