<?php

declare(strict_types=1);

namespace Bowline\Body\Motion;

use Bowline\Body\Boundary\ArcCurve;
use Bowline\Body\Boundary\CylinderSurface;
use Bowline\Body\Boundary\EdgeCurve;
use Bowline\Body\Boundary\LineCurve;
use Bowline\Body\Boundary\Surface;
use Bowline\Body\Frame;
use Bowline\Body\Quadrature;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Vector;

/** Moves points of a cylinder along it to a ring round it: what lies between a hole, or a saddle, and a plain end. */
final readonly class AxialProjection implements Motion
{
    /** @param  Frame  $ring  at the centre of the ring, its third direction along the axis */
    public function __construct(
        private Frame $ring,
        private float $radius,
    ) {
    }

    public function placeAt(float $t): AffineMap
    {
        $axis = $this->ring->along;

        return AffineMap::of(
            static fn (Vector $one): Vector => $one->minus($axis->times($t * $one->dot($axis))),
            $this->ring->at, $this->ring->at,
        );
    }

    public function velocityAt(float $t): AffineMap
    {
        $axis = $this->ring->along;

        return AffineMap::of(
            static fn (Vector $one): Vector => $axis->times(-$one->dot($axis)), $this->ring->at, Vector::zero(),
        );
    }

    public function pathOf(Vector $start): EdgeCurve
    {
        return new LineCurve($start, $this->placeAt(1.0)->point($start));
    }

    /** Returns the arc of the ring from the start of a curve to its end, on the side of its middle. */
    public function carried(EdgeCurve $profile): EdgeCurve
    {
        $onto = $this->placeAt(1.0);
        [$start, $middle, $end] = array_map(
            static fn (float $t): Vector => $onto->point($profile->pointAt($t)), [0.0, 0.5, 1.0],
        );
        $way = $middle->minus($this->ring->at);
        $side = $start->minus($this->ring->at)->cross($way)->dot($this->ring->along) < 0.0 ? -1.0 : 1.0;
        $axis = $this->ring->along->times($side);
        $turn = static fn (Vector $one, Vector $two): float => fmod(
            atan2($one->cross($two)->dot($axis), $one->dot($two)) + 2 * M_PI, 2 * M_PI,
        );

        return ArcCurve::about(
            $this->ring->at, $axis, $start,
            $turn($start->minus($this->ring->at), $way) + $turn($way, $end->minus($this->ring->at)),
        );
    }

    public function surfaceOf(EdgeCurve $profile): Surface
    {
        return new CylinderSurface($this->ring, $this->radius);
    }

    public function divisions(Chord $chord, array $points): array
    {
        return [0.0, 1.0];
    }

    public function isStraight(): bool
    {
        return true;
    }

    public function frameOf(Frame $start): Frame
    {
        return $start->movedTo($this->placeAt(1.0)->point($start->at));
    }

    public function quadrature(): array
    {
        return Quadrature::straight();
    }
}
