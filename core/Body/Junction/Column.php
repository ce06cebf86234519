<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\Boundary\ArcCurve;
use Bowline\Body\Boundary\CubicChain;
use Bowline\Body\Boundary\EdgeCurve;
use Bowline\Body\Boundary\ParametrizedArc;
use Bowline\Body\Frame;
use Bowline\Geometry\Vector;
use Closure;

/**
 * A part of the way round a tube, all along it: the angle in the frames of its section at each parameter from 0 to 1.
 * What lies along it has the same parameters, so that the lines between two edges of it are those of the cylinder.
 */
final readonly class Column
{
    /** @param  Closure(float): float  $angle  radians, rising or falling throughout */
    private function __construct(private Closure $angle, private bool $isEven)
    {
    }

    /** A column beside all holes. */
    public static function plain(float $from, float $to): self
    {
        return new self(static fn (float $t): float => $from + ($to - $from) * $t, true);
    }

    /**
     * A column over parts of holes. It stands still at both its ends, where holes may be widest: there a hole turns
     * back, and goes on as the square root of what is left of the angle.
     */
    public static function throughHoles(float $from, float $to): self
    {
        return new self(static fn (float $t): float => $from + ($to - $from) * sin(M_PI * $t / 2) ** 2, false);
    }

    /**
     * The column over the whole of one hole, even round its branch.
     *
     * @param  float  $over  angle of the branch
     */
    public static function overHole(PlacedSaddle $foot, float $over): self
    {
        return new self(
            static fn (float $t): float => $over + $foot->saddle->angleAt(M_PI * ($t - 0.5)), $foot->saddle->isEqual(),
        );
    }

    /**
     * Returns what goes on from a part of a hole round its branch.
     *
     * @param  float  $over  angle of the branch round its host
     * @param  float  $ahead  angle round the branch of the side that lies ahead along the host
     */
    public function onBranch(PlacedSaddle $foot, float $over, float $ahead, bool $isAhead): self
    {
        return new self(fn (float $t): float => $isAhead
            ? $ahead - $this->turnAt($foot, $over, $t)
            : $ahead + M_PI + $this->turnAt($foot, $over, $t), false);
    }

    public function angleAt(float $t): float
    {
        return ($this->angle)($t);
    }

    /** Returns the turn about a branch at a parameter, radians from −90° to 90°. */
    public function turnAt(PlacedSaddle $foot, float $over, float $t): float
    {
        $angle = $this->angleAt($t) - $over;

        return $foot->saddle->turnAt($angle - 2 * M_PI * round($angle / (2 * M_PI)));
    }

    /** Whether it lies over a hole. */
    public function isOver(PlacedSaddle $foot, float $over): bool
    {
        $angle = $this->angleAt(0.5) - $over;

        return abs($angle - 2 * M_PI * round($angle / (2 * M_PI))) < $foot->saddle->halfAngle();
    }

    /** @param  Frame  $ring  at its centre */
    public function arc(Frame $ring, float $radius): EdgeCurve
    {
        [$from, $to] = [$this->angleAt(0.0), $this->angleAt(1.0)];
        $arc = ArcCurve::about(
            $ring->at, $ring->along->times($to < $from ? -1.0 : 1.0), $ring->polar($radius, $from), abs($to - $from),
        );

        return $this->isEven ? $arc : new ParametrizedArc($arc, CubicChain::fitted(
            fn (float $t): Vector => new Vector(($this->angleAt($t) - $from) / ($to - $from), 0.0, 0.0),
        ));
    }
}
