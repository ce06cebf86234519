<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

use Bowline\Body\Quadrature;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Vector;

/**
 * A circular edge whose parameter does not go evenly round it: opposite a hole, so that the lines between the two are
 * those of the cylinder.
 */
final readonly class ParametrizedArc implements EdgeCurve
{
    /** @param  CubicChain  $shares  x: the share of the angle of the arc that is gone at each parameter, from 0 to 1 */
    public function __construct(
        private ArcCurve $arc,
        private CubicChain $shares,
    ) {
    }

    public function pointAt(float $t): Vector
    {
        return $this->arc->pointAt($this->shares->pointAt($t)->x);
    }

    public function derivativeAt(float $t): Vector
    {
        return $this->arc->derivativeAt($this->shares->pointAt($t)->x)->times($this->shares->derivativeAt($t)->x);
    }

    public function pieces(Chord $chord): int
    {
        $steepest = max(array_map(static fn (Vector $slope): float => abs($slope->x), $this->shares->slopes));

        return (int) ceil($this->arc->pieces($chord) * max(1.0, $steepest));
    }

    public function quadrature(): array
    {
        return Quadrature::spline($this->shares->knots);
    }

    public function hull(): array
    {
        return $this->arc->hull();
    }

    public function moved(callable $point): self
    {
        return new self($this->arc->moved($point), $this->shares);
    }

    public function accept(CurveVisitor $visitor): mixed
    {
        return $visitor->arc($this->arc);
    }
}
