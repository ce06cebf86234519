<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\Boundary\CubicChain;
use Bowline\Body\Boundary\SplineCurve;
use Bowline\Geometry\Saddle;
use Bowline\Geometry\Vector;
use Closure;

/** Where one cylinder of a branch stands on that of its host, in space. */
final readonly class PlacedSaddle
{
    /** Distance of the spline from the curve in which both cylinders meet, at most, mm. */
    private const ACCURACY = 1e-6;

    /** Sine of the least angle between a branch and its host. */
    public const LEAST_SINE = 0.05;

    /** Pieces of half a saddle at first, and at most. */
    private const PIECES = 16;

    private const MOST_PIECES = 1024;

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
     * Returns a half of the saddle, round the host by the right-hand rule about its axis.
     *
     * @param  bool  $isAhead  whether it is the half farther along the host
     */
    public function half(bool $isAhead): SplineCurve
    {
        return new SplineCurve(self::chain(
            fn (float $t): Vector => $this->at->plus($this->placed($this->saddle->pointAt(self::turn($t), $isAhead))),
            fn (float $t): Vector => $this->placed(
                $this->saddle->derivativeAt(self::turn($t), $isAhead),
            )->times(M_PI),
        ));
    }

    /**
     * Returns which share of its angle round the host is gone at each parameter of its halves.
     *
     * @return CubicChain x, from 0 to 1
     */
    public function shares(): CubicChain
    {
        $whole = 2 * $this->saddle->halfAngle();
        $isEqual = $this->saddle->isEqual();

        return self::chain(
            function (float $t) use ($whole, $isEqual): Vector {
                [, $over, $beside] = $this->saddle->pointAt(self::turn($t), true);

                return new Vector($isEqual ? $t : 0.5 + atan2($beside, $over) / $whole, 0.0, 0.0);
            },
            function (float $t) use ($whole): Vector {
                [, $over, $beside] = $this->saddle->pointAt(self::turn($t), true);
                [, $overSlope, $besideSlope] = $this->saddle->derivativeAt(self::turn($t), true);
                $turning = ($over * $besideSlope - $beside * $overSlope) / $this->saddle->hostRadius ** 2;

                return new Vector($turning * M_PI / $whole, 0.0, 0.0);
            },
        );
    }

    /** Returns the turn about the axis of the branch at a parameter of a half, radians. */
    private static function turn(float $t): float
    {
        return M_PI * ($t - 0.5);
    }

    /** @param  array{float, float, float}  $place  along, over and beside the host */
    private function placed(array $place): Vector
    {
        return $this->hostAxis->times($place[0])->plus($this->over->times($place[1]))
            ->plus($this->beside->times($place[2]));
    }

    /**
     * @param  Closure(float): Vector  $point
     * @param  Closure(float): Vector  $slope
     */
    private static function chain(Closure $point, Closure $slope): CubicChain
    {
        for ($pieces = self::PIECES; ; $pieces *= 2) {
            $knots = array_map(static fn (int $i): float => $i / $pieces, range(0, $pieces));
            $chain = new CubicChain($knots, array_map($point, $knots), array_map($slope, $knots));
            $off = max(array_map(
                static fn (int $i): float => $chain->pointAt(($i + 0.5) / $pieces)->distanceTo(
                    $point(($i + 0.5) / $pieces),
                ),
                range(0, $pieces - 1),
            ));
            if ($off < self::ACCURACY || $pieces >= self::MOST_PIECES) {
                return $chain;
            }
        }
    }
}
