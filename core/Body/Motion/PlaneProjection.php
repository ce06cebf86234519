<?php

declare(strict_types=1);

namespace Bowline\Body\Motion;

use Bowline\Body\Boundary\ArcCurve;
use Bowline\Body\Boundary\CurveVisitor;
use Bowline\Body\Boundary\EdgeCurve;
use Bowline\Body\Boundary\EllipseCurve;
use Bowline\Body\Boundary\LineCurve;
use Bowline\Body\Boundary\SplineCurve;
use Bowline\Body\Boundary\Surface;
use Bowline\Body\Frame;
use Bowline\Body\Quadrature;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Vector;
use LogicException;

/**
 * Straight on to a plane, whatever its angle: a tube that is cut off at a slant.
 *
 * @implements CurveVisitor<EdgeCurve>
 */
final readonly class PlaneProjection implements CurveVisitor, Motion
{
    /**
     * @param  Vector  $direction  unit, towards the plane
     * @param  Vector  $at  a point of the plane
     * @param  Vector  $normal  of the plane, unit, not square to the direction
     */
    public function __construct(
        private Vector $direction,
        private Vector $at,
        private Vector $normal,
    ) {
    }

    /** Returns how far a point is from the plane along the direction, mm. */
    public function distanceOf(Vector $point): float
    {
        return $this->at->minus($point)->dot($this->normal) / $this->direction->dot($this->normal);
    }

    public function placeAt(float $t): AffineMap
    {
        $slope = $t / $this->direction->dot($this->normal);

        return AffineMap::of(
            fn (Vector $one): Vector => $one->minus($this->direction->times($one->dot($this->normal) * $slope)),
            $this->at, $this->at,
        );
    }

    public function velocityAt(float $t): AffineMap
    {
        $slope = 1.0 / $this->direction->dot($this->normal);

        return AffineMap::of(
            fn (Vector $one): Vector => $this->direction->times(-$one->dot($this->normal) * $slope),
            $this->at, Vector::zero(),
        );
    }

    public function pathOf(Vector $start): EdgeCurve
    {
        return new LineCurve($start, $this->placeAt(1.0)->point($start));
    }

    public function carried(EdgeCurve $profile): EdgeCurve
    {
        return $profile->accept($this);
    }

    public function surfaceOf(EdgeCurve $profile): Surface
    {
        return (new Translation($this->direction))->surfaceOf($profile);
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

    public function line(LineCurve $line): EdgeCurve
    {
        return $line->moved($this->placeAt(1.0)->point(...));
    }

    public function arc(ArcCurve $arc): EdgeCurve
    {
        $onto = $this->placeAt(1.0);

        return new EllipseCurve(
            $onto->point($arc->frame->at), $onto->direction($arc->frame->first->times($arc->radius)),
            $onto->direction($arc->frame->second->times($arc->radius)), $arc->angle,
        );
    }

    public function ellipse(EllipseCurve $ellipse): never
    {
        throw new LogicException('what is projected is square to its way');
    }

    public function spline(SplineCurve $spline): never
    {
        throw new LogicException('no section has a spline in it');
    }
}
