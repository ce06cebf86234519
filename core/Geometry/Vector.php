<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/**
 * A point or a direction in space, in millimetres, right-handed axes. Immutable.
 */
final readonly class Vector
{
    public function __construct(
        public float $x,
        public float $y,
        public float $z,
    ) {
    }

    public static function zero(): self
    {
        return new self(0.0, 0.0, 0.0);
    }

    /** @return array<string, self> the unit vectors of the six axes by their names, "+x" to "-z" */
    public static function axes(): array
    {
        return [
            '+x' => new self(1.0, 0.0, 0.0),
            '-x' => new self(-1.0, 0.0, 0.0),
            '+y' => new self(0.0, 1.0, 0.0),
            '-y' => new self(0.0, -1.0, 0.0),
            '+z' => new self(0.0, 0.0, 1.0),
            '-z' => new self(0.0, 0.0, -1.0),
        ];
    }

    /** The unit vector of an axis by its name: "+x", "-x", "+y" … "-z"; null for any other text. */
    public static function axis(string $name): ?self
    {
        return self::axes()[$name] ?? null;
    }

    /** The name of the axis this direction lies on within 0.01 degrees ("+x" … "-z"), or null. */
    public function axisName(): ?string
    {
        foreach (self::axes() as $name => $axis) {
            if ($this->angleTo($axis) < Tolerance::NO_TURN) {
                return $name;
            }
        }

        return null;
    }

    public function plus(self $other): self
    {
        return new self($this->x + $other->x, $this->y + $other->y, $this->z + $other->z);
    }

    public function minus(self $other): self
    {
        return new self($this->x - $other->x, $this->y - $other->y, $this->z - $other->z);
    }

    public function times(float $factor): self
    {
        return new self($this->x * $factor, $this->y * $factor, $this->z * $factor);
    }

    public function dot(self $other): float
    {
        return $this->x * $other->x + $this->y * $other->y + $this->z * $other->z;
    }

    public function cross(self $other): self
    {
        return new self(
            $this->y * $other->z - $this->z * $other->y,
            $this->z * $other->x - $this->x * $other->z,
            $this->x * $other->y - $this->y * $other->x,
        );
    }

    public function length(): float
    {
        return sqrt($this->dot($this));
    }

    public function distanceTo(self $other): float
    {
        return $this->minus($other)->length();
    }

    /** The direction alone; a zero vector stays zero. */
    public function unit(): self
    {
        $length = $this->length();

        return $length > 0.0 ? $this->times(1.0 / $length) : $this;
    }

    /**
     * Angle between two directions in radians, 0 to π. By atan2 of cross and dot, which keeps its
     * accuracy near 0 and π where the arc cosine loses half its digits.
     */
    public function angleTo(self $other): float
    {
        return atan2($this->cross($other)->length(), $this->dot($other));
    }

    /** Turned about a unit axis through the origin by the right-hand rule (Rodrigues' formula). */
    public function turnedAbout(self $axis, float $angle): self
    {
        return $this->times(cos($angle))
            ->plus($axis->cross($this)->times(sin($angle)))
            ->plus($axis->times($axis->dot($this) * (1.0 - cos($angle))));
    }

    /**
     * Parallel transport from one tangent to the next: turned by the smallest rotation that takes a direction to
     * another.
     *
     * @param  Vector  $from  unit, square to this one
     * @param  Vector  $to  unit, not opposite to $from
     */
    public function transported(self $from, self $to): self
    {
        return $this->minus(
            $from->plus($to)->times($to->dot($this) / max(Tolerance::SAFEGUARD, 1.0 + $from->dot($to))),
        );
    }

    /** Unit part of it that is square to a unit direction. */
    public function squareTo(self $direction): self
    {
        return $this->minus($direction->times($this->dot($direction)))->unit();
    }

    /** A unit vector square to this one; directions that differ by rounding alone get nearly the same. */
    public function anySquare(): self
    {
        $nearlySmallest =
            min(abs($this->x), abs($this->y), abs($this->z)) + Tolerance::SAME_DIRECTION * $this->length();
        $helper = match (true) {
            abs($this->z) <= $nearlySmallest => new self(0.0, 0.0, 1.0),
            abs($this->y) <= $nearlySmallest => new self(0.0, 1.0, 0.0),
            default => new self(1.0, 0.0, 0.0),
        };

        return $this->cross($helper)->unit();
    }

    /** @return array{float, float, float} */
    public function toArray(): array
    {
        return [$this->x, $this->y, $this->z];
    }

    /** @return list<float> its components; 0 in place of −0, which reads as a mistake */
    public function withoutNegativeZeros(): array
    {
        return [PositiveZero::of($this->x), PositiveZero::of($this->y), PositiveZero::of($this->z)];
    }

    /**
     * Returns the unit direction square to an axis that lies in one plane with this direction and the axis; where the
     * axis goes along it, that of x, or of y where this is x.
     *
     * @param  Vector  $along  unit
     */
    public function uprightOf(self $along): self
    {
        $square = $this->minus($along->times($this->dot($along)));
        if ($square->length() < Tolerance::NO_SIDE) {
            $side = abs($this->x) > 0.5 ? new self(0.0, 1.0, 0.0) : new self(1.0, 0.0, 0.0);
            $square = $side->minus($along->times($side->dot($along)));
        }

        return $square->unit();
    }
}
