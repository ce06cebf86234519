<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Outline;

/**
 * The cross-section of a stock: an outline and what is hollow in it, in a plane square to the path with the origin on
 * it, x along its width and y along its height. Millimetres.
 */
final readonly class Section
{
    /** Diameter of the circle about the path that holds it, mm: the outside diameter where it is round. */
    public float $outsideDiameter;

    /**
     * @param  list<Outline>  $bores  what is hollow, counter-clockwise
     * @param  float  $wall  least thickness from the outside to what is hollow, or to its middle where it is solid
     */
    private function __construct(
        private Outline $outside,
        private array $bores,
        public float $wall,
        public bool $isRound,
    ) {
        $this->outsideDiameter = 2 * $outside->reach();
    }

    public static function tube(float $od, float $wall): self
    {
        $wall = min($wall, $od / 2);

        return new self(
            Outline::circle($od / 2), $wall < $od / 2 ? [Outline::circle($od / 2 - $wall)] : [], $wall, true,
        );
    }

    public static function solid(float $od): self
    {
        return self::tube($od, $od / 2);
    }

    /**
     * @param  list<Outline>  $bores  within the outline and apart from one another
     * @param  float  $wall  least thickness, mm
     */
    public static function of(Outline $outside, array $bores, float $wall): self
    {
        return new self($outside, $bores, $wall, false);
    }

    /** Returns the bore of a round section; 0 where it is solid. */
    public function insideDiameter(): float
    {
        return max(0.0, $this->outsideDiameter - 2 * $this->wall);
    }

    public function isSolid(): bool
    {
        return $this->bores === [];
    }

    /** Returns the area of the material in mm². */
    public function area(): float
    {
        return $this->outside->area() - array_sum(array_map(
            static fn (Outline $bore): float => $bore->area(), $this->bores,
        ));
    }

    /** Returns the distance from the path to the outside in a unit direction of its plane, mm. */
    public function extent(float $x, float $y): float
    {
        return $this->outside->extent($x, $y);
    }

    public function outside(): Outline
    {
        return $this->outside;
    }

    /** @return list<Outline> outlines of what is hollow, counter-clockwise */
    public function bores(): array
    {
        return $this->bores;
    }
}
