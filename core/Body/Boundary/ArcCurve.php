<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

use Bowline\Body\Frame;
use Bowline\Body\Quadrature;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/** A circular edge: right-handed about the axis of its frame, from the first direction of that through its angle. */
final readonly class ArcCurve implements EdgeCurve
{
    /** Largest angle of a part of its hull, radians. */
    private const HULL_ANGLE = M_PI / 16;

    /**
     * @param  Frame  $frame  at the centre; its first direction points to the start
     * @param  float  $angle  radians, over 0 and at most a full turn
     */
    public function __construct(
        public Frame $frame,
        public float $radius,
        public float $angle,
    ) {
    }

    /** Returns the arc from a point about an axis through a centre. */
    public static function about(Vector $centre, Vector $axis, Vector $start, float $angle): self
    {
        $out = $start->minus($centre)->squareTo($axis);
        $height = $start->minus($centre)->dot($axis);
        $middle = $centre->plus($axis->times($height));

        return new self(Frame::of($middle, $axis, $out), $start->distanceTo($middle), $angle);
    }

    public function pointAt(float $t): Vector
    {
        return $this->frame->polar($this->radius, $this->angle * $t);
    }

    public function derivativeAt(float $t): Vector
    {
        $angle = $this->angle * $t;
        $speed = $this->radius * $this->angle;

        return $this->frame->first->times(-$speed * sin($angle))
            ->plus($this->frame->second->times($speed * cos($angle)));
    }

    public function pieces(Chord $chord): int
    {
        return $this->isFull() ? $chord->sides($this->radius) : $chord->pieces($this->radius, $this->angle);
    }

    public function isFull(): bool
    {
        return $this->angle > Tolerance::FULL_TURN;
    }

    public function quadrature(): array
    {
        return Quadrature::arc($this->angle);
    }

    public function hull(): array
    {
        // Where the tangents of short parts meet: outside of the arc by half a percent of its radius.
        $parts = (int) ceil($this->angle / self::HULL_ANGLE);
        $half = $this->angle / $parts / 2;
        $points = [$this->pointAt(0.0), $this->pointAt(1.0)];
        for ($i = 0; $i < $parts; $i++) {
            $points[] = $this->frame->polar($this->radius / cos($half), (2 * $i + 1) * $half);
        }

        return $points;
    }

    public function moved(callable $point): self
    {
        [$frame, $scale] = $this->frame->moved($point);

        return new self($frame, $this->radius * $scale, $this->angle);
    }

    public function accept(CurveVisitor $visitor): mixed
    {
        return $visitor->arc($this);
    }
}
