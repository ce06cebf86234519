<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

use Bowline\Body\Quadrature;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Vector;

/** An edge on a chain of cubics through points with given derivatives: a cubic B-spline with double inner knots. */
final readonly class SplineCurve implements EdgeCurve
{
    public function __construct(public CubicChain $chain)
    {
    }

    public function pointAt(float $t): Vector
    {
        return $this->chain->pointAt($t);
    }

    public function derivativeAt(float $t): Vector
    {
        return $this->chain->derivativeAt($t);
    }

    public function pieces(Chord $chord): int
    {
        return $this->chain->pieces($chord);
    }

    public function quadrature(): array
    {
        return Quadrature::spline($this->chain->knots);
    }

    public function hull(): array
    {
        return $this->chain->controlPoints();
    }

    public function moved(callable $point): self
    {
        $zero = $point(Vector::zero());

        return new self(new CubicChain(
            $this->chain->knots,
            array_map($point, $this->chain->points),
            array_map(static fn (Vector $slope): Vector => $point($slope)->minus($zero), $this->chain->slopes),
        ));
    }

    public function accept(CurveVisitor $visitor): mixed
    {
        return $visitor->spline($this);
    }
}
