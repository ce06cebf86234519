<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

/** How large cubes are with which the surface of a body is found, so that its facets keep within a chord tolerance. */
final readonly class CubeSizes
{
    /** As a share of the radius of a tube at most. */
    private const COARSEST = 0.4;

    /** Those of patches, as a share of the radius of a tube, and of a fillet. */
    private const PATCH_ON_LEG = 0.7;

    private const PATCH_ON_FILLET = 0.8;

    /**
     * And where a fillet begins and the curvature changes at once: a patch of the size s over that is off by about
     * s²/100ρ there.
     */
    private const PATCH_ON_SEAM = 10.0;

    /** What of their size they have where tubes meet in an edge, as vertices there stand in for those of both. */
    private const AT_EDGE = 0.5;

    /** What they are made smaller by at each try, where triangles do not close. */
    private const FINER = 0.83;

    /** The same for patches, where one is too far off. */
    private const FINER_PATCHES = 0.93;

    /** @param  non-empty-list<float>  $ofLegs  sizes on each leg, mm */
    private function __construct(
        public array $ofLegs,
        private float $chord,
        private float $scale,
        private ?float $within = null,
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

    /**
     * Returns sizes in proportion to what they are on: for patches, which follow its curvature.
     *
     * @param  non-empty-list<MemberTube>  $legs
     * @param  list<float>  $balls  radii of fillets, mm
     * @param  float  $within  how far they may be off it, mm
     * @param  int  $try  how often it has been tried before
     */
    public static function ofPatches(array $legs, array $balls, float $within, int $try): self
    {
        $scale = self::FINER_PATCHES ** $try;
        $ofLegs = array_map(static fn (MemberTube $leg): float => $scale * self::PATCH_ON_LEG
            * ($leg->bore > 0.0 ? $leg->bore : $leg->radius), $legs);
        $made = new self($ofLegs, 0.0, $scale, $within);
        $seams = array_filter(array_map($made->ofSeam(...), $balls), is_float(...));
        if ($seams === []) {
            return $made;
        }
        // Cubes are the largest or halves of that, and so on: on the least fillet no smaller than needed.
        $greatest = min($seams) * 2 ** max(0.0, floor(log(max($ofLegs) / min($seams), 2)));

        return new self(
            array_map(static fn (float $size): float => min($size, $greatest), $ofLegs), 0.0, $scale, $within,
        );
    }

    /** Returns the size where the fillet of a radius begins, mm; null where that need not be followed by itself. */
    public function ofSeam(float $radius): ?float
    {
        return $this->within === null || $radius <= 0.0
            ? null
            : $this->scale * min(self::PATCH_ON_FILLET * $radius, self::PATCH_ON_SEAM * sqrt($this->within * $radius));
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

        if ($this->within !== null) {
            return $this->scale * self::PATCH_ON_FILLET * $radius;
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
