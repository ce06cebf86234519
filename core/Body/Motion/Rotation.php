<?php

declare(strict_types=1);

namespace Bowline\Body\Motion;

use Bowline\Body\Boundary\ArcCurve;
use Bowline\Body\Boundary\ConeSurface;
use Bowline\Body\Boundary\CurveVisitor;
use Bowline\Body\Boundary\CylinderSurface;
use Bowline\Body\Boundary\EdgeCurve;
use Bowline\Body\Boundary\EllipseCurve;
use Bowline\Body\Boundary\LineCurve;
use Bowline\Body\Boundary\PlaneSurface;
use Bowline\Body\Boundary\SphereSurface;
use Bowline\Body\Boundary\SplineCurve;
use Bowline\Body\Boundary\Surface;
use Bowline\Body\Boundary\TorusSurface;
use Bowline\Body\Frame;
use Bowline\Body\Quadrature;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Vector;
use LogicException;

/**
 * Round an axis by the right-hand rule: a bend, or a full turn for what is turned on a lathe.
 *
 * @implements CurveVisitor<Surface>
 */
final readonly class Rotation implements CurveVisitor, Motion
{
    /** Radii and heights about the axis that differ by less than this are equal, mm: rounding at 10 m. */
    private const SAME = 1e-8;

    /**
     * @param  Vector  $centre  a point of the axis
     * @param  Vector  $axis  unit
     * @param  float  $angle  radians, over 0 and at most a full turn
     */
    public function __construct(
        private Vector $centre,
        private Vector $axis,
        private float $angle,
    ) {
    }

    public function placeAt(float $t): AffineMap
    {
        return AffineMap::of(
            fn (Vector $one): Vector => $one->turnedAbout($this->axis, $this->angle * $t), $this->centre, $this->centre,
        );
    }

    public function velocityAt(float $t): AffineMap
    {
        return AffineMap::of(
            fn (Vector $one): Vector => $this->axis
                ->cross($one->turnedAbout($this->axis, $this->angle * $t))
                ->times($this->angle),
            $this->centre,
            Vector::zero(),
        );
    }

    public function pathOf(Vector $start): EdgeCurve
    {
        return ArcCurve::about($this->centre, $this->axis, $start, $this->angle);
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
        $radius = max(0.0, ...array_map(fn (Vector $point): float => $this->about($point)[0], $points));
        $pieces = $chord->pieces($radius, $this->angle);

        return array_map(static fn (int $i): float => $i / $pieces, range(0, $pieces));
    }

    public function isStraight(): bool
    {
        return false;
    }

    public function frameOf(Frame $start): Frame
    {
        return $start->turned($this->placeAt(1.0)->point($start->at), $this->axis, $this->angle);
    }

    public function quadrature(): array
    {
        return Quadrature::arc($this->angle);
    }

    public function line(LineCurve $line): Surface
    {
        [$from, $fromHeight] = $this->about($line->from);
        [$to, $toHeight] = $this->about($line->to);
        if (abs($fromHeight - $toHeight) < self::SAME) {
            $isOutward = $to > $from;

            return new PlaneSurface(
                $this->frameAt($line->from, $fromHeight, $isOutward ? $this->axis : $this->axis->times(-1.0)),
            );
        }
        if (abs($from - $to) < self::SAME) {
            return new CylinderSurface($this->frameAt($line->from, $fromHeight, $this->axis), $from);
        }
        $widens = ($to - $from) / ($toHeight - $fromHeight);

        return new ConeSurface(
            $this->frameAt($line->from, $fromHeight, $widens > 0.0 ? $this->axis : $this->axis->times(-1.0)),
            $from,
            atan(abs($widens)),
        );
    }

    public function arc(ArcCurve $arc): Surface
    {
        [$major, $height] = $this->about($arc->frame->at);
        if ($major < self::SAME) {
            return new SphereSurface($this->frameAt($arc->pointAt(0.0), $height, $this->axis), $arc->radius);
        }

        return new TorusSurface($this->frameAt($arc->frame->at, $height, $this->axis), $major, $arc->radius);
    }

    public function ellipse(EllipseCurve $ellipse): never
    {
        throw new LogicException('no section has an ellipse in it');
    }

    public function spline(SplineCurve $spline): never
    {
        throw new LogicException('no section has a spline in it');
    }

    /** @return array{float, float} distance of a point from the axis, and its height along it, mm */
    private function about(Vector $point): array
    {
        $way = $point->minus($this->centre);
        $height = $way->dot($this->axis);

        return [$way->minus($this->axis->times($height))->length(), $height];
    }

    /** Returns the frame on the axis at a height, its first direction towards a point. */
    private function frameAt(Vector $towards, float $height, Vector $along): Frame
    {
        return Frame::of(
            $this->centre->plus($this->axis->times($height)),
            $along,
            $towards->minus($this->centre)->squareTo($this->axis),
        );
    }
}
