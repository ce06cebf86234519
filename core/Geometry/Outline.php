<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/** A closed flat outline of straight and circular pieces, counter-clockwise round what is filled. Millimetres. */
final readonly class Outline
{
    /** @param  non-empty-list<OutlinePiece>  $pieces  each begins where the one before it ends */
    public function __construct(public array $pieces)
    {
    }

    /**
     * @param  array{float, float}  $centre
     * @param  float  $angle  of its one vertex, radians
     */
    public static function circle(float $radius, array $centre = [0.0, 0.0], float $angle = 0.0): self
    {
        $start = [$centre[0] + $radius * cos($angle), $centre[1] + $radius * sin($angle)];

        return new self([OutlinePiece::arc($start, $start, $centre, 2 * M_PI)]);
    }

    /**
     * A rectangle about the origin.
     *
     * @param  float  $corner  radius of its corners, mm; less than half of both sides
     */
    public static function rectangle(float $width, float $height, float $corner = 0.0): self
    {
        [$x, $y] = [$width / 2 - $corner, $height / 2 - $corner];
        // Each corner with its centre, where the outline comes into it and where it leaves.
        $corners = [
            [[$x, -$y], [$x, -$y - $corner], [$x + $corner, -$y]],
            [[$x, $y], [$x + $corner, $y], [$x, $y + $corner]],
            [[-$x, $y], [-$x, $y + $corner], [-$x - $corner, $y]],
            [[-$x, -$y], [-$x - $corner, -$y], [-$x, -$y - $corner]],
        ];
        $pieces = [];
        foreach ($corners as $i => [$centre, $from, $to]) {
            if ($corner > 0.0) {
                $pieces[] = OutlinePiece::arc($from, $to, $centre, M_PI / 2);
            }
            $next = $corners[($i + 1) % 4][1];
            if (hypot($next[0] - $to[0], $next[1] - $to[1]) > Tolerance::NOTHING) {
                $pieces[] = OutlinePiece::line($to, $next);
            }
        }

        return $pieces === [] ? self::circle($corner) : new self($pieces);
    }

    /** Returns the same outline the other way round, as that of a hole. */
    public function reversed(): self
    {
        return new self(array_reverse(array_map(
            static fn (OutlinePiece $piece): OutlinePiece => $piece->reversed(), $this->pieces,
        )));
    }

    /** Returns the same outline turned counter-clockwise about the origin, radians. */
    public function turned(float $angle): self
    {
        return new self(array_map(
            static fn (OutlinePiece $piece): OutlinePiece => $piece->turned($angle), $this->pieces,
        ));
    }

    /** Returns the signed area, mm²: negative where it runs clockwise. */
    public function area(): float
    {
        return array_sum(array_map(static fn (OutlinePiece $piece): float => $piece->area(), $this->pieces));
    }

    public function length(): float
    {
        return array_sum(array_map(static fn (OutlinePiece $piece): float => $piece->length(), $this->pieces));
    }

    /** Returns the greatest extent from the origin in a unit direction, mm. */
    public function extent(float $x, float $y): float
    {
        return max(array_map(static fn (OutlinePiece $piece): float => $piece->extent($x, $y), $this->pieces));
    }

    /** Returns the radius of the smallest circle about the origin that holds it, mm. */
    public function reach(): float
    {
        return max(array_map(static function (OutlinePiece $piece): float {
            $ends = max(hypot(...$piece->from), hypot(...$piece->to));
            if ($piece->centre === null) {
                return $ends;
            }
            $far = hypot(...$piece->centre);

            return $far < Tolerance::NOTHING
                ? $piece->radius()
                : max($ends, $piece->extent($piece->centre[0] / $far, $piece->centre[1] / $far));
        }, $this->pieces));
    }

    /** Returns how far within it a point lies, mm; negative where the point is outside of it. */
    public function depthOf(float $x, float $y): float
    {
        $turns = 0;
        foreach ($this->pieces as $piece) {
            $turns += $piece->windingAbout($x, $y);
        }
        $distance = min(array_map(static fn (OutlinePiece $piece): float => $piece->distanceTo($x, $y), $this->pieces));

        return $turns === 0 ? -$distance : $distance;
    }
}
