<?php

declare(strict_types=1);

namespace Bowline\Clearance;

use Bowline\Geometry\Bounds;
use Bowline\Geometry\Path;
use Bowline\Geometry\Segment;
use Bowline\Geometry\Vector;
use Bowline\Space\TubeDistance;

/** A ball that is carried along a segment: a piece of a tube, the rim of its end, a flange. Millimetres. */
final readonly class RoundPiece implements Surface
{
    public Bounds $bounds;

    private TubeDistance $tube;

    /**
     * @param  float  $along  developed length of the run at its start
     * @param  bool  $isAlong  whether it goes along the run; a rim stays at one place of it
     * @param  string|null  $end  `from` or `to` where it stands out from the tube at an end
     */
    public function __construct(
        public Segment $segment,
        public float $radius,
        public float $along,
        public bool $isAlong,
        public ?string $end,
    ) {
        $this->bounds = Bounds::of([$segment]);
        $this->tube = TubeDistance::along(new Path([$segment]), $radius, false, false);
    }

    public function bounds(): Bounds
    {
        return $this->bounds->grown($this->radius);
    }

    public function roundedBox(): ?array
    {
        $isAlongAxis = is_infinite($this->segment->leastRadius())
            && $this->segment->directionAt(0.0)->axisName() !== null;

        return $isAlongAxis ? [$this->bounds, $this->radius] : null;
    }

    /** Returns the developed length of the run at a length along it. */
    public function lengthAt(float $along): float
    {
        return $this->along + ($this->isAlong ? $along : 0.0);
    }

    public function at(Vector $point): array
    {
        [$distance, $x, $y, $z, $along] = $this->tube->at($point->x, $point->y, $point->z);

        return [$distance, new Vector($x, $y, $z), $this->lengthAt($along)];
    }
}
