<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

/** How large cubes are with which the surface of a body is found, so that its facets keep within a chord tolerance. */
final readonly class CubeSizes
{
    /** As a share of the radius of a tube at most. */
    private const COARSEST = 0.4;

    /** What of their size they have where tubes meet in an edge, as vertices there stand in for those of both. */
    private const AT_EDGE = 0.5;

    /** What they are made smaller by at each try, where triangles do not close. */
    private const FINER = 0.83;

    /** @param  non-empty-list<float>  $ofLegs  sizes on each leg, mm */
    private function __construct(
        public array $ofLegs,
        private float $chord,
        private float $scale,
    ) {
    }

    /**
     * @param  non-empty-list<MemberTube>  $legs
     * @param  float  $chord  farthest that a facet stands off the surface, mm
     * @param  int  $try  how often it has been tried before
     */
    public static function of(array $legs, float $chord, int $try = 0): self
    {
        $scale = self::FINER ** $try;

        return new self(array_map(static function (MemberTube $leg) use ($chord, $scale): float {
            $radius = $leg->bore > 0.0 ? $leg->bore : $leg->radius;

            return $scale * min(self::within($radius, $chord), self::COARSEST * $radius);
        }, $legs), $chord, $scale);
    }

    public function greatest(): float
    {
        return max($this->ofLegs);
    }

    /**
     * Returns the size on the fillet of a radius, mm; INF where it stands off its corner by less than the chord,
     * ρ(√2 − 1) in a square one, so that it need not be followed.
     */
    public function ofFillet(float $radius): float
    {
        if ($radius <= 0.0) {
            return self::AT_EDGE * min($this->ofLegs);
        }

        return (M_SQRT2 - 1) * $radius > $this->chord ? $this->scale * self::within($radius, $this->chord) : INF;
    }

    /**
     * Returns the size s of cubes for a chord on a circle: half a diagonal of a square of s stands s²/4r off it, and
     * vertices of two cubes are farther apart than s by a tenth at times.
     */
    private static function within(float $radius, float $chord): float
    {
        return 1.8 * sqrt($radius * $chord);
    }
}
