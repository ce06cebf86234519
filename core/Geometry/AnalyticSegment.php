<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/** Shared by lines and arcs, which are known exactly from their two ends. */
trait AnalyticSegment
{
    public function points(Chord $chord): array
    {
        return array_map($this->pointAt(...), $this->places($chord));
    }

    public function knots(): array
    {
        return [0.0, $this->length()];
    }

    public function tightestAt(): float
    {
        return 0.0;
    }

    public function sparser(float $turn): self
    {
        return $this;
    }

    public function curve(): ?Curve
    {
        return null;
    }
}
