<?php

declare(strict_types=1);

namespace Bowline\Body\Motion;

use Bowline\Body\Boundary\ArcCurve;
use Bowline\Body\Boundary\CurveVisitor;
use Bowline\Body\Boundary\CylinderSurface;
use Bowline\Body\Boundary\EdgeCurve;
use Bowline\Body\Boundary\EllipseCurve;
use Bowline\Body\Boundary\LineCurve;
use Bowline\Body\Boundary\PlaneSurface;
use Bowline\Body\Boundary\SplineCurve;
use Bowline\Body\Boundary\Surface;
use Bowline\Body\Frame;
use Bowline\Body\Quadrature;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Vector;
use LogicException;

/**
 * Straight on.
 *
 * @implements CurveVisitor<Surface>
 */
final readonly class Translation implements CurveVisitor, Motion
{
    public function __construct(private Vector $by)
    {
    }

    public function placeAt(float $t): AffineMap
    {
        return AffineMap::of(static fn (Vector $one): Vector => $one, Vector::zero(), $this->by->times($t));
    }

    public function velocityAt(float $t): AffineMap
    {
        return AffineMap::of(static fn (Vector $one): Vector => Vector::zero(), Vector::zero(), $this->by);
    }

    public function pathOf(Vector $start): EdgeCurve
    {
        return new LineCurve($start, $start->plus($this->by));
    }

    public function carried(EdgeCurve $profile): EdgeCurve
    {
        return $profile->moved($this->placeAt(1.0)->point(...));
    }

    public function surfaceOf(EdgeCurve $profile): Surface
    {
        return $profile->accept($this);
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
        return $start->movedTo($start->at->plus($this->by));
    }

    public function quadrature(): array
    {
        return Quadrature::straight();
    }

    public function line(LineCurve $line): Surface
    {
        $side = $line->to->minus($line->from)->unit();

        return new PlaneSurface(Frame::of($line->from, $side->cross($this->by)->unit(), $side));
    }

    public function arc(ArcCurve $arc): Surface
    {
        return new CylinderSurface($arc->frame, $arc->radius);
    }

    public function ellipse(EllipseCurve $ellipse): never
    {
        throw new LogicException('no section has an ellipse in it');
    }

    public function spline(SplineCurve $spline): never
    {
        throw new LogicException('no section has a spline in it');
    }
}
