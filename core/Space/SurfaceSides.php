<?php

declare(strict_types=1);

namespace Bowline\Space;

/** Whether a surface of triangles is open and which way its normals point: a part of it does not show that. */
final readonly class SurfaceSides
{
    /** A surface counts as open when |Σ area vectors| exceeds this share of its total area. */
    private const OPEN = 1e-3;

    /**
     * @param  bool  $isOpen  whether it encloses nothing
     * @param  bool  $isTurned  whether its normals point inwards
     */
    public function __construct(
        public bool $isOpen,
        public bool $isTurned,
    ) {
    }

    /**
     * @param  float  $x  the sums of the three components of n = u × v over all triangles; y and z likewise
     * @param  float  $area  the sum of |n|
     * @param  float  $volume  the sum of corner · n
     */
    public static function ofSums(float $x, float $y, float $z, float $area, float $volume): self
    {
        return new self(sqrt($x * $x + $y * $y + $z * $z) > self::OPEN * $area, $volume < 0.0);
    }
}
