<?php

declare(strict_types=1);

namespace Bowline\Geometry;

use InvalidArgumentException;

/**
 * The curve in which a cylinder of radius r meets a wider one of radius R whose axis its own meets at an angle α. Its
 * halves lie ahead and behind along the wider axis. A point of it is told by a turn φ about the narrower axis, from
 * −90° to 90°: it lies r sin φ beside the wider axis, q = √(R² − r² sin²φ) over it, and (q cos α ± r cos φ) / sin α
 * along it, positive to the side to which the narrower leans. Millimetres.
 */
final readonly class Saddle
{
    /**
     * @param  float  $angle  radians, from 0 to π
     *
     * @throws InvalidArgumentException when the second is wider than the first, or along it
     */
    public function __construct(
        public float $hostRadius,
        public float $radius,
        public float $angle,
    ) {
        if ($radius <= 0.0 || $radius > $hostRadius + Tolerance::COINCIDENT || sin($angle) < Tolerance::PARALLEL) {
            throw new InvalidArgumentException('two cylinders without a saddle');
        }
    }

    /** Returns half the angle that it takes up round the wider axis, radians. */
    public function halfAngle(): float
    {
        return asin(min(1.0, $this->radius / $this->hostRadius));
    }

    /** Returns the angle round the wider axis at a turn about the narrower one, radians. */
    public function angleAt(float $turn): float
    {
        return $this->isEqual() ? $turn : asin($this->radius / $this->hostRadius * sin($turn));
    }

    /** Returns the turn about the narrower axis at an angle round the wider one within reach, radians. */
    public function turnAt(float $angle): float
    {
        $sine = $this->hostRadius / $this->radius * sin($angle);

        return match (true) {
            $this->isEqual() => max(-M_PI_2, min(M_PI_2, $angle)),
            // Where it is widest the sine is off by rounding, and its arc by the square root of that.
            abs($sine) > 1.0 - Tolerance::SAFEGUARD => $sine < 0.0 ? -M_PI_2 : M_PI_2,
            default => asin($sine),
        };
    }

    /** @return array{float, float, float} along, over and beside the wider axis */
    public function pointAt(float $turn, bool $isAhead): array
    {
        $over = $this->over($turn);
        $ahead = $isAhead ? $this->radius : -$this->radius;

        return [
            ($over * cos($this->angle) + $ahead * cos($turn)) / sin($this->angle), $over, $this->radius * sin($turn),
        ];
    }

    /** @return array{float, float, float} derivative of the point by the turn */
    public function derivativeAt(float $turn, bool $isAhead): array
    {
        // Of equal cylinders q is R cos φ, whose derivative is no 0/0 at 90°.
        $slope = $this->isEqual()
            ? -$this->hostRadius * sin($turn)
            : -($this->radius ** 2) * sin($turn) * cos($turn) / $this->over($turn);
        $ahead = $isAhead ? $this->radius : -$this->radius;

        return [
            ($slope * cos($this->angle) - $ahead * sin($turn)) / sin($this->angle), $slope,
            $this->radius * cos($turn),
        ];
    }

    /** @return array{float, float} from where to where it reaches along the wider axis */
    public function span(): array
    {
        return [$this->pointAt(0.0, false)[0], $this->pointAt(0.0, true)[0]];
    }

    /** Returns where along the wider axis both halves meet. */
    public function widestAt(): float
    {
        return $this->pointAt(M_PI / 2, true)[0];
    }

    /** Returns the least place of it along the narrower axis, from where both axes meet. */
    public function lowest(): float
    {
        // A plane square to the narrower axis, √(R² − r²) off, touches it; where that leans much, one of its ends is
        // nearer.
        $middle = sqrt(max(0.0, $this->hostRadius ** 2 - $this->radius ** 2));
        $lean = abs(cos($this->angle));

        return $middle * $lean <= $this->radius * sin($this->angle)
            ? $middle
            : ($this->hostRadius - $this->radius * $lean) / sin($this->angle);
    }

    /** Returns the greatest place of it along the narrower axis. */
    public function highest(): float
    {
        return ($this->hostRadius + $this->radius * abs(cos($this->angle))) / sin($this->angle);
    }

    /** Whether both are as wide as each other: it then has a crease at both ends of its halves. */
    public function isEqual(): bool
    {
        return abs($this->hostRadius - $this->radius) < Tolerance::COINCIDENT;
    }

    private function over(float $turn): float
    {
        return $this->isEqual()
            ? $this->hostRadius * cos($turn)
            : sqrt($this->hostRadius ** 2 - ($this->radius * sin($turn)) ** 2);
    }
}
