<?php

declare(strict_types=1);

namespace Bowline\Clearance;

use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;
use Bowline\Routing\MovedPosition;

/** A position of the movement at which two things are nearest, and where those of them that move stand then. */
final readonly class Moment
{
    /**
     * @param  float  $part  of the movement, 0 to 1
     * @param  float|null  $angle  of the swing, radians; null where nothing swings
     * @param  array<array-key, Pose>  $places  of fittings, by their ids
     * @param  array<array-key, list<Vector>>  $lines  of runs, by their ids: points along them
     */
    public function __construct(
        public float $part,
        public ?float $angle,
        public array $places,
        public array $lines,
    ) {
    }

    /** Returns it with what another thing that moves is like then. */
    public function with(?self $other): self
    {
        return $other === null ? $this : new self(
            $this->part, $this->angle ?? $other->angle, $this->places + $other->places, $this->lines + $other->lines,
        );
    }

    /** Returns it in degrees; null where nothing swings. */
    public function degrees(): ?float
    {
        return $this->angle === null ? null : rad2deg($this->angle);
    }

    public function words(): string
    {
        return MovedPosition::inWords($this->degrees(), $this->part);
    }
}
