<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

use Bowline\Body\Quadrature;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Vector;

/** A straight edge. */
final readonly class LineCurve implements EdgeCurve
{
    public function __construct(
        public Vector $from,
        public Vector $to,
    ) {
    }

    public function pointAt(float $t): Vector
    {
        return $this->from->times(1.0 - $t)->plus($this->to->times($t));
    }

    public function derivativeAt(float $t): Vector
    {
        return $this->to->minus($this->from);
    }

    public function pieces(Chord $chord): int
    {
        return 1;
    }

    public function quadrature(): array
    {
        return Quadrature::straight();
    }

    public function hull(): array
    {
        return [$this->from, $this->to];
    }

    public function moved(callable $point): self
    {
        return new self($point($this->from), $point($this->to));
    }

    public function accept(CurveVisitor $visitor): mixed
    {
        return $visitor->line($this);
    }
}
