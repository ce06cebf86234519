<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/**
 * A sphere, a circular cylinder or a circular double cone: the points v with a|w|² + b(w·u)² + c = 0, where w = v −
 * centre.
 */
final readonly class Quadric
{
    /** Coefficients on a line that are below this, relative to the largest, count as 0. */
    private const NOTHING = 1e-13;

    /**
     * @param  Vector  $axis  unit; of no matter for a sphere
     * @param  Vector|null  $side  unit, square to the axis; null for a sphere, which has no straight lines on it
     * @param  float  $radius  mm, of a sphere or a cylinder
     * @param  float  $angle  radians between the axis of a cone and its lines
     */
    private function __construct(
        public Vector $centre,
        private Vector $axis,
        private ?Vector $side,
        private float $radius,
        private float $angle,
        private float $a,
        private float $b,
        private float $c,
    ) {
    }

    public static function sphere(Vector $centre, float $radius): self
    {
        return new self($centre, new Vector(0.0, 0.0, 1.0), null, $radius, 0.0, 1.0, 0.0, -$radius * $radius);
    }

    /** @param  Vector  $axis  unit */
    public static function cylinder(Vector $centre, Vector $axis, float $radius): self
    {
        return new self($centre, $axis, $axis->anySquare(), $radius, 0.0, 1.0, -1.0, -$radius * $radius);
    }

    /**
     * @param  Vector  $axis  unit
     * @param  float  $angle  radians, more than 0 and less than π/2
     */
    public static function cone(Vector $apex, Vector $axis, float $angle): self
    {
        return new self($apex, $axis, $axis->anySquare(), 0.0, $angle, -cos($angle) ** 2, 1.0, 0.0);
    }

    public function isSphere(): bool
    {
        return $this->side === null;
    }

    public function isCone(): bool
    {
        return $this->side !== null && $this->c === 0.0;
    }

    public function radius(): float
    {
        return $this->radius;
    }

    /** Returns its point nearest to another; where several are, always the same one. */
    public function nearest(Vector $point): Vector
    {
        $from = $point->minus($this->centre);
        if ($this->side === null) {
            return $this->centre->plus(
                ($from->length() > Tolerance::NO_ROTATION ? $from->unit() : $this->axis)->times($this->radius),
            );
        }
        $along = $from->dot($this->axis);
        $aside = $from->minus($this->axis->times($along));
        $outward = $aside->length() > Tolerance::NO_ROTATION * max(1.0, $from->length()) ? $aside->unit() : $this->side;
        if (! $this->isCone()) {
            return $this->centre->plus($this->axis->times($along))->plus($outward->times($this->radius));
        }
        $line = $this->axis
            ->times($along < 0.0 ? -cos($this->angle) : cos($this->angle))
            ->plus($outward->times(sin($this->angle)));

        return $this->centre->plus($line->times($from->dot($line)));
    }

    /**
     * Returns one of the rulings of a cylinder or a cone.
     *
     * @param  float  $turn  angle about the axis, radians
     * @return array{Vector, Vector} a point and the unit direction; of a cone the point is the apex
     */
    public function line(float $turn): array
    {
        $side = $this->side ?? throw new \LogicException('A sphere has no lines.');
        $out = $side->times(cos($turn))->plus($this->axis->cross($side)->times(sin($turn)));

        return $this->isCone()
            ? [$this->centre, $this->axis->times(cos($this->angle))->plus($out->times(sin($this->angle)))]
            : [$this->centre->plus($out->times($this->radius)), $this->axis];
    }

    /**
     * Returns the coefficients of its equation along a line: A + B·t + C·t².
     *
     * @param  Vector  $direction  unit
     * @return array{float, float, float}
     */
    public function along(Vector $from, Vector $direction): array
    {
        $w = $from->minus($this->centre);
        [$wu, $du] = [$w->dot($this->axis), $direction->dot($this->axis)];

        return [
            $this->a * $w->dot($w) + $this->b * $wu * $wu + $this->c,
            2 * ($this->a * $w->dot($direction) + $this->b * $wu * $du),
            $this->a * $direction->dot($direction) + $this->b * $du * $du,
        ];
    }

    /** Whether it is the same surface as another, so that they share whole rulings. */
    public function isSame(self $other): bool
    {
        if ($this->isSphere() || $other->isSphere()) {
            return false;
        }
        foreach ([0.3, 1.9, 4.1] as $turn) {
            if ($other->meets(...$this->line($turn)) !== null) {
                return false;
            }
        }

        return true;
    }

    /** Returns the value of its equation divided by the size of its gradient: about the distance, mm. */
    public function off(Vector $point): float
    {
        $w = $point->minus($this->centre);
        $wu = $w->dot($this->axis);
        $gradient = $w->times(2 * $this->a)->plus($this->axis->times(2 * $this->b * $wu))->length();

        return ($this->a * $w->dot($w) + $this->b * $wu * $wu + $this->c) / max($gradient, Tolerance::NOTHING);
    }

    /**
     * Returns where a line meets it, in order; a tangent line twice in one point.
     *
     * @param  Vector  $direction  unit
     * @return list<float>|null distances along the line; null when the whole line lies on the surface
     */
    public function meets(Vector $from, Vector $direction): ?array
    {
        [$a, $b, $c] = $this->along($from, $direction);
        $size = max($this->radius, $from->distanceTo($this->centre), 1.0);
        [$isNoA, $isNoB, $isNoC] = [
            abs($a) < self::NOTHING * $size * $size,
            abs($b) < self::NOTHING * $size,
            abs($c) < self::NOTHING,
        ];
        if ($isNoC) {
            return $isNoB ? ($isNoA ? null : []) : [-$a / $b];
        }
        $discriminant = $b * $b - 4 * $a * $c;
        if ($discriminant < 0.0) {
            // A line that touches within rounding counts as meeting.
            if ($discriminant < -Tolerance::SAFEGUARD * $size * $size) {
                return [];
            }
            $discriminant = 0.0;
        }
        $q = -($b + ($b < 0.0 ? -1 : 1) * sqrt($discriminant)) / 2;
        $roots = abs($q) > 0.0 ? [$q / $c, $a / $q] : [0.0, 0.0];
        sort($roots);

        return $roots;
    }
}
