<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/** A straight or circular piece of a flat outline. Millimetres and radians. */
final readonly class OutlinePiece
{
    /**
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to  the same as $from for a full circle
     * @param  array{float, float}|null  $centre  null where it is straight
     * @param  float  $sweep  angle about the centre, positive counter-clockwise; 0 where it is straight
     */
    private function __construct(
        public array $from,
        public array $to,
        public ?array $centre,
        public float $sweep,
    ) {
    }

    /**
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     */
    public static function line(array $from, array $to): self
    {
        return new self($from, $to, null, 0.0);
    }

    /**
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     * @param  array{float, float}  $centre
     * @param  float  $sweep  not 0
     */
    public static function arc(array $from, array $to, array $centre, float $sweep): self
    {
        return new self($from, $to, $centre, $sweep);
    }

    /**
     * Returns the arc from one point through a second to a third; a straight where they are in one line.
     *
     * @param  array{float, float}  $from
     * @param  array{float, float}  $through
     * @param  array{float, float}  $to
     */
    public static function through(array $from, array $through, array $to): self
    {
        [$ax, $ay] = [$through[0] - $from[0], $through[1] - $from[1]];
        [$bx, $by] = [$to[0] - $from[0], $to[1] - $from[1]];
        $cross = $ax * $by - $ay * $bx;
        if (abs($cross) <= Tolerance::SAFEGUARD * ($ax ** 2 + $ay ** 2 + $bx ** 2 + $by ** 2)) {
            return self::line($from, $to);
        }
        // The centre is as far from all three: 2·(centre − from)·a = a² and the same with b.
        [$aa, $bb] = [($ax ** 2 + $ay ** 2) / 2, ($bx ** 2 + $by ** 2) / 2];
        $centre = [$from[0] + ($aa * $by - $bb * $ay) / $cross, $from[1] + ($ax * $bb - $bx * $aa) / $cross];
        $sweep = atan2($to[1] - $centre[1], $to[0] - $centre[0]) - atan2($from[1] - $centre[1], $from[0] - $centre[0]);
        $sweep = $cross > 0.0 ? $sweep : -$sweep;
        $sweep += $sweep <= 0.0 ? 2 * M_PI : 0.0;

        return self::arc($from, $to, $centre, $cross > 0.0 ? $sweep : -$sweep);
    }

    public function reversed(): self
    {
        return new self($this->to, $this->from, $this->centre, -$this->sweep);
    }

    /** Returns the same piece turned counter-clockwise about the origin, radians. */
    public function turned(float $angle): self
    {
        [$cos, $sin] = [cos($angle), sin($angle)];
        $turned = static fn (float $x, float $y): array => [$cos * $x - $sin * $y, $sin * $x + $cos * $y];
        $centre = $this->centre === null ? null : $turned(...$this->centre);

        return new self($turned(...$this->from), $turned(...$this->to), $centre, $this->sweep);
    }

    /**
     * Returns the same piece with an end that is off by rounding.
     *
     * @param  array{float, float}  $to
     */
    public function endingAt(array $to): self
    {
        return new self($this->from, $to, $this->centre, $this->sweep);
    }

    public function radius(): float
    {
        return $this->centre === null
            ? INF
            : hypot($this->from[0] - $this->centre[0], $this->from[1] - $this->centre[1]);
    }

    public function length(): float
    {
        return $this->centre === null
            ? hypot($this->to[0] - $this->from[0], $this->to[1] - $this->from[1])
            : $this->radius() * abs($this->sweep);
    }

    /**
     * @param  float  $t  from 0 at its start to 1 at its end
     * @return array{float, float}
     */
    public function pointAt(float $t): array
    {
        if ($this->centre === null) {
            return [
                $this->from[0] * (1.0 - $t) + $this->to[0] * $t,
                $this->from[1] * (1.0 - $t) + $this->to[1] * $t,
            ];
        }
        [$x, $y] = [$this->from[0] - $this->centre[0], $this->from[1] - $this->centre[1]];
        [$cos, $sin] = [cos($this->sweep * $t), sin($this->sweep * $t)];

        return [$this->centre[0] + $x * $cos - $y * $sin, $this->centre[1] + $x * $sin + $y * $cos];
    }

    /** Returns its part of the signed area of its outline, mm² (Green: ½∮(x dy − y dx)). */
    public function area(): float
    {
        $triangle = ($this->from[0] * $this->to[1] - $this->to[0] * $this->from[1]) / 2;

        return $this->centre === null
            ? $triangle
            : $triangle + $this->radius() ** 2 / 2 * ($this->sweep - sin($this->sweep));
    }

    /** Returns the greatest extent in a direction from the origin, mm. */
    public function extent(float $x, float $y): float
    {
        $extent = max($this->from[0] * $x + $this->from[1] * $y, $this->to[0] * $x + $this->to[1] * $y);
        if ($this->centre === null) {
            return $extent;
        }

        return $this->isAbeam($x, $y) ? $this->centre[0] * $x + $this->centre[1] * $y + $this->radius() : $extent;
    }

    /** Returns the distance of a point from it, mm. */
    public function distanceTo(float $x, float $y): float
    {
        $ends = min(hypot($x - $this->from[0], $y - $this->from[1]), hypot($x - $this->to[0], $y - $this->to[1]));
        if ($this->centre === null) {
            [$along, $across] = [$this->to[0] - $this->from[0], $this->to[1] - $this->from[1]];
            $length = hypot($along, $across);
            $part = (($x - $this->from[0]) * $along + ($y - $this->from[1]) * $across) / $length ** 2;

            return $part <= 0.0 || $part >= 1.0
                ? $ends
                : abs(($x - $this->from[0]) * $across - ($y - $this->from[1]) * $along) / $length;
        }
        [$dx, $dy] = [$x - $this->centre[0], $y - $this->centre[1]];

        return $this->isAbeam($dx, $dy) ? abs(hypot($dx, $dy) - $this->radius()) : $ends;
    }

    /**
     * Returns how often it goes counter-clockwise round a point, as a part of the closed outline whose other pieces add
     * theirs: −1, 0 or 1 for its crossing of the ray from the point along +x by its chord, and the same for a point
     * between chord and arc.
     */
    public function windingAbout(float $x, float $y): int
    {
        [[$ax, $ay], [$bx, $by]] = [$this->from, $this->to];
        $side = ($bx - $ax) * ($y - $ay) - ($by - $ay) * ($x - $ax);
        if ($side === 0.0) {
            // A point on the line of the chord counts as one a little to its +x, or above it where it is level.
            $side = $by === $ay ? $bx - $ax : $ay - $by;
        }
        $winding = match (true) {
            $ay <= $y && $by > $y && $side > 0.0 => 1,
            $ay > $y && $by <= $y && $side < 0.0 => -1,
            default => 0,
        };
        if ($this->centre === null) {
            return $winding;
        }
        $isInCircle = hypot($x - $this->centre[0], $y - $this->centre[1]) < $this->radius();
        $turn = $this->sweep > 0.0 ? 1 : -1;
        $isFull = $this->from === $this->to;

        return $winding + ($isInCircle && ($isFull || $side * $turn < 0.0) ? $turn : 0);
    }

    /** Whether a direction from the centre of an arc lies between its ends. */
    private function isAbeam(float $x, float $y): bool
    {
        $start = atan2($this->from[1] - ($this->centre[1] ?? 0.0), $this->from[0] - ($this->centre[0] ?? 0.0));
        $turn = (atan2($y, $x) - $start) * ($this->sweep > 0.0 ? 1.0 : -1.0);
        $turn -= 2 * M_PI * floor($turn / (2 * M_PI));

        return $turn <= abs($this->sweep);
    }
}
