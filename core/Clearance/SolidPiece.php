<?php

declare(strict_types=1);

namespace Bowline\Clearance;

use Bowline\Geometry\Bounds;
use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;
use Bowline\Job\Shape\Shape;

/** A body of a fitting or of the surroundings. */
final readonly class SolidPiece implements Surface
{
    public function __construct(
        public Shape $shape,
        public Pose $pose,
    ) {
    }

    /** Returns a box along the axes of the job that holds it: what its own extent comes to along each of these. */
    public function bounds(): Bounds
    {
        $half = $this->shape->halfExtent()->toArray();
        $reach = Vector::zero();
        foreach ([[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]] as $axis => $way) {
            $along = $this->pose->direction(new Vector(...$way))->times($half[$axis]);
            $reach = $reach->plus(new Vector(abs($along->x), abs($along->y), abs($along->z)));
        }
        $middle = $this->pose->point($this->shape->middle());

        return new Bounds($middle->minus($reach), $middle->plus($reach));
    }

    /** Whether the straight between any two of its places is in it. */
    public function isConvex(): bool
    {
        return in_array($this->shape->drawnAs(), ['box', 'cylinder', 'panel'], true);
    }

    public function roundedBox(): ?array
    {
        $isAlongAxes = array_filter(
            [new Vector(1.0, 0.0, 0.0), new Vector(0.0, 1.0, 0.0)],
            fn (Vector $way): bool => $this->pose->direction($way)->axisName() === null,
        ) === [];

        return $this->shape->drawnAs() === 'box' && $isAlongAxes ? [$this->bounds(), 0.0] : null;
    }

    public function at(Vector $point, float $within = INF): array
    {
        $own = $this->pose->ownPoint($point);
        [$distance, $x, $y, $z] = $this->shape->outside($own->x, $own->y, $own->z, $within);

        return [min($distance, $within), $this->pose->direction(new Vector($x, $y, $z)), null];
    }
}
