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
use Bowline\Body\Boundary\SphereSurface;
use Bowline\Body\Boundary\SplineCurve;
use Bowline\Body\Boundary\Surface;
use Bowline\Body\Boundary\TorusSurface;
use Bowline\Body\Frame;
use Bowline\Body\Quadrature;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use LogicException;

/**
 * Widens or narrows a circle about an axis as it goes along it, so that its radius follows a meridian: a straight one
 * makes a cone, a circular one a fillet, a knuckle or a dome. Its maps are similarities about the axis.
 *
 * @implements CurveVisitor<EdgeCurve>
 */
final readonly class Flare implements CurveVisitor, Motion
{
    /**
     * @param  Frame  $start  at the centre of the circle, its third direction the axis
     * @param  float  $radius  of the circle, mm
     * @param  float  $centreRadius  of the centre of a circular meridian, from the axis, mm
     * @param  float  $centreHeight  of that centre, along the axis from the start, mm
     * @param  float  $sweep  of a circular meridian, radians, positive from outwards to along; 0 for a straight one
     * @param  float  $toRadius  at the end, mm
     * @param  float  $rise  along the axis, mm
     */
    private function __construct(
        private Frame $start,
        private float $radius,
        private float $centreRadius,
        private float $centreHeight,
        private float $sweep,
        private float $toRadius,
        private float $rise,
    ) {
    }

    /** @param  float  $rise  mm, over 0 */
    public static function cone(Frame $start, float $radius, float $toRadius, float $rise): self
    {
        return new self($start, $radius, 0.0, 0.0, 0.0, $toRadius, $rise);
    }

    /**
     * A meridian round a centre.
     *
     * @param  float  $sweep  radians, not 0
     */
    public static function round(
        Frame $start,
        float $radius,
        float $centreRadius,
        float $centreHeight,
        float $sweep,
    ): self {
        [$out, $up] = [$radius - $centreRadius, -$centreHeight];
        $toRadius = $centreRadius + $out * cos($sweep) - $up * sin($sweep);

        return new self(
            $start, $radius, $centreRadius, $centreHeight, $sweep,
            // A dome closes in its pole, not beside it.
            abs($toRadius) < Tolerance::NOTHING ? 0.0 : $toRadius,
            $centreHeight + $out * sin($sweep) + $up * cos($sweep),
        );
    }

    public function placeAt(float $t): AffineMap
    {
        [$radius, $height] = $this->meridianAt($t);
        $scale = $radius / $this->radius;

        return AffineMap::of(
            static fn (Vector $one): Vector => $one->times($scale),
            $this->start->at, $this->start->at->plus($this->start->along->times($height)),
        );
    }

    public function velocityAt(float $t): AffineMap
    {
        [$radius, $height] = $this->meridianSpeedAt($t);
        $scale = $radius / $this->radius;

        return AffineMap::of(
            static fn (Vector $one): Vector => $one->times($scale),
            $this->start->at, $this->start->along->times($height),
        );
    }

    public function pathOf(Vector $start): EdgeCurve
    {
        $out = $start->minus($this->start->at)->unit();
        $on = fn (float $radius, float $height): Vector => $this->start->at
            ->plus($out->times($radius))->plus($this->start->along->times($height));
        if ($this->sweep === 0.0) {
            return new LineCurve($start, $on($this->toRadius, $this->rise));
        }
        $axis = $out->cross($this->start->along)->times($this->sweep > 0.0 ? 1.0 : -1.0);

        return ArcCurve::about($on($this->centreRadius, $this->centreHeight), $axis, $start, abs($this->sweep));
    }

    public function carried(EdgeCurve $profile): EdgeCurve
    {
        return $this->toRadius > 0.0 ? $profile->moved($this->placeAt(1.0)->point(...)) : $profile->accept($this);
    }

    public function arc(ArcCurve $arc): EdgeCurve
    {
        return new ArcCurve($arc->frame->movedTo($this->end()), $this->toRadius, $arc->angle);
    }

    public function line(LineCurve $line): never
    {
        throw new LogicException('only circles are widened');
    }

    public function ellipse(EllipseCurve $ellipse): never
    {
        throw new LogicException('only circles are widened');
    }

    public function spline(SplineCurve $spline): never
    {
        throw new LogicException('only circles are widened');
    }

    public function surfaceOf(EdgeCurve $profile): Surface
    {
        if ($this->sweep === 0.0) {
            $widens = ($this->toRadius - $this->radius) / $this->rise;
            if (abs($this->toRadius - $this->radius) < Tolerance::NOTHING) {
                return new CylinderSurface($this->start, $this->radius);
            }
            $isWider = $widens > 0.0;
            $frame = Frame::of(
                $this->start->at, $this->start->along->times($isWider ? 1.0 : -1.0), $this->start->first,
            );

            return new ConeSurface($frame, $this->radius, atan(abs($widens)));
        }
        $middle = $this->start->movedTo(
            $this->start->at->plus($this->start->along->times($this->centreHeight)),
        );

        return abs($this->centreRadius) < Tolerance::NOTHING
            ? new SphereSurface($middle, $this->meridianRadius())
            : new TorusSurface($middle, $this->centreRadius, $this->meridianRadius());
    }

    public function divisions(Chord $chord, array $points): array
    {
        if ($this->sweep === 0.0) {
            return [0.0, 1.0];
        }
        $pieces = $chord->pieces($this->meridianRadius(), abs($this->sweep));

        return array_map(static fn (int $i): float => $i / $pieces, range(0, $pieces));
    }

    public function isStraight(): bool
    {
        return $this->sweep === 0.0;
    }

    public function frameOf(Frame $start): Frame
    {
        return $start->movedTo($start->at->plus($this->start->along->times($this->rise)));
    }

    public function quadrature(): array
    {
        return $this->sweep === 0.0 ? Quadrature::straight() : Quadrature::arc(abs($this->sweep));
    }

    /** Returns the frame of the circle that it ends in. */
    public function endFrame(): Frame
    {
        return $this->start->movedTo($this->end());
    }

    /** Returns the radius of the circle that it ends in; 0 where it closes in a pole. */
    public function endRadius(): float
    {
        return $this->toRadius;
    }

    private function end(): Vector
    {
        return $this->start->at->plus($this->start->along->times($this->rise));
    }

    private function meridianRadius(): float
    {
        return hypot($this->radius - $this->centreRadius, $this->centreHeight);
    }

    /** @return array{float, float} radius and height of the meridian, mm */
    private function meridianAt(float $t): array
    {
        if ($t === 1.0 || $this->sweep === 0.0) {
            return [$this->radius + ($this->toRadius - $this->radius) * $t, $this->rise * $t];
        }
        [$out, $up] = [$this->radius - $this->centreRadius, -$this->centreHeight];
        [$cos, $sin] = [cos($this->sweep * $t), sin($this->sweep * $t)];

        return [$this->centreRadius + $out * $cos - $up * $sin, $this->centreHeight + $out * $sin + $up * $cos];
    }

    /** @return array{float, float} their derivatives by the parameter, mm */
    private function meridianSpeedAt(float $t): array
    {
        if ($this->sweep === 0.0) {
            return [$this->toRadius - $this->radius, $this->rise];
        }
        [$radius, $height] = $this->meridianAt($t);

        return [($this->centreHeight - $height) * $this->sweep, ($radius - $this->centreRadius) * $this->sweep];
    }
}
