<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\Boundary\CubicChain;
use Bowline\Body\Boundary\SplineCurve;
use Bowline\Body\Frame;
use Bowline\Geometry\Saddle;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Closure;

/** Where one cylinder of a branch stands on that of its host, in space. */
final readonly class PlacedSaddle
{
    /** Sine of the least angle between a branch and its host. */
    public const LEAST_SINE = 0.05;

    /** Angle about the branch within which a place is not told from that where its hole is widest, radians. */
    private const LEAST_TURN = 0.01;

    /**
     * @param  Vector  $over  unit, square to the host, on the side of the branch
     * @param  Vector  $beside  unit, square to both, right-handed about the host from $over
     */
    private function __construct(
        public Vector $at,
        public Vector $hostAxis,
        public Vector $axis,
        public Vector $over,
        private Vector $beside,
        public Saddle $saddle,
    ) {
    }

    /**
     * @param  Vector  $at  where both axes meet
     * @param  Vector  $hostAxis  unit
     * @param  Vector  $axis  of the branch, unit, away from the host
     * @param  float  $hostRadius  mm
     * @param  float  $radius  not more than that of the host, mm
     */
    public static function of(Vector $at, Vector $hostAxis, Vector $axis, float $hostRadius, float $radius): self
    {
        $over = $axis->squareTo($hostAxis);

        return new self(
            $at, $hostAxis, $axis, $over, $hostAxis->cross($over),
            new Saddle($hostRadius, $radius, acos(max(-1.0, min(1.0, $axis->dot($hostAxis))))),
        );
    }

    /**
     * Returns a part of the saddle.
     *
     * @param  bool  $isAhead  whether it is of the half farther along the host
     * @param  Closure(float): float  $turn  about the axis of the branch at each parameter from 0 to 1, radians
     */
    public function edge(bool $isAhead, Closure $turn): SplineCurve
    {
        return new SplineCurve(CubicChain::fitted(
            fn (float $t): Vector => $this->at->plus($this->placed($this->saddle->pointAt($turn($t), $isAhead))),
        ));
    }

    /** Returns the point of the axis of the host beside which it is widest. */
    public function widest(): Vector
    {
        return $this->at->plus($this->hostAxis->times($this->saddle->widestAt()));
    }

    /** Returns the angle in a frame of the branch of the side that lies ahead along the host, radians. */
    public function aheadOn(Frame $branch): float
    {
        return $branch->angleOf($branch->at->plus($this->hostAxis->squareTo($this->axis)));
    }

    /** Returns the angle in a frame of the host at which the branch stands, radians. */
    public function overOn(Frame $host): float
    {
        return $host->angleOf($host->at->plus($this->over));
    }

    /**
     * Returns the angle round the host at which a place round the branch stands on it.
     *
     * @param  Frame  $host  at the start of its straight
     * @param  Frame  $branch  at its start
     * @param  float  $angle  in the frame of the branch, radians
     * @return float radians; NAN so close to where the hole is widest that both can not be told apart
     */
    public function onHost(Frame $host, Frame $branch, float $angle): float
    {
        $sine = -sin($angle - $this->aheadOn($branch));
        $isWidest = abs($sine) > 1.0 - Tolerance::SAFEGUARD;
        $turn = $isWidest ? M_PI_2 * ($sine <=> 0.0) : asin($sine);

        return ! $isWidest && abs($turn) > M_PI_2 - self::LEAST_TURN
            ? NAN
            : $this->overOn($host) + $this->saddle->angleAt($turn);
    }

    /** @param  array{float, float, float}  $place  along, over and beside the host */
    private function placed(array $place): Vector
    {
        return $this->hostAxis->times($place[0])->plus($this->over->times($place[1]))
            ->plus($this->beside->times($place[2]));
    }
}
