<?php

declare(strict_types=1);

namespace Bowline\Job\End;

/** A round plate welded on square to the end of the run, its face at the end. Millimetres. */
final readonly class Flange implements End
{
    /** Clearance of the bore of a slip-on plate over its tube, on the diameter, mm. */
    public const PLAY = 1.0;

    /** Clearance hole of an M10 bolt, ISO 273 coarse, mm. */
    public const BOLT_HOLE = 12;

    public function __construct(
        public float $outsideDiameter,
        public float $thickness,
        public float $bore,
        public float $boltCircle,
        public int $holeCount,
        public float $holeDiameter,
    ) {
    }

    public function type(): string
    {
        return 'flange';
    }

    /** Returns the radial material between the bolt holes and the rim, mm; negative when they break out. */
    public function rimLeft(): float
    {
        return $this->outsideDiameter / 2 - $this->boltCircle / 2 - $this->holeDiameter / 2;
    }

    /** Returns the material between neighbouring bolt holes, mm; negative when they overlap. */
    public function betweenHoles(): float
    {
        return $this->holeCount < 2
            ? INF
            : $this->boltCircle * sin(M_PI / $this->holeCount) - $this->holeDiameter;
    }

    /** Returns the radial gap between the bolt holes and a circle of this diameter in the centre, mm. */
    public function clearOf(float $diameter): float
    {
        return $this->boltCircle / 2 - $this->holeDiameter / 2 - $diameter / 2;
    }

    public function flange(): self
    {
        return $this;
    }

    public function plugThickness(float $wall): null
    {
        return null;
    }
}
