<?php

declare(strict_types=1);

namespace Bowline\Job\End;

/**
 * A round plate welded on square to the run's end, its face at the end of the run. Millimetres.
 */
final readonly class Flange implements End
{
    /** How much wider than its tube the bore of a plate is that is slipped over it, on the diameter, mm. */
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

    /** Radial material between the bolt holes and the rim; negative when they break out. */
    public function rimLeft(): float
    {
        return $this->outsideDiameter / 2 - $this->boltCircle / 2 - $this->holeDiameter / 2;
    }

    /** Material between one bolt hole and the next; negative when they run into each other. */
    public function betweenHoles(): float
    {
        return $this->holeCount < 2
            ? INF
            : $this->boltCircle * sin(M_PI / $this->holeCount) - $this->holeDiameter;
    }

    /** Radial gap between the bolt holes and something round of this diameter in the middle. */
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
