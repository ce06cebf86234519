<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Geometry\ConvexGap;
use Bowline\Geometry\Outline;
use Bowline\Geometry\Vector;
use Bowline\Job\End\Flange;

/** The plate of a flange where it stands: its rim, which is convex, as thick as it is. */
final readonly class FlangePlate
{
    /** @param  Frame  $facing  at the middle of its face, its third direction away from its run */
    private function __construct(
        private Frame $facing,
        private Outline $rim,
        private float $thickness,
    ) {
    }

    /**
     * @param  Vector  $at  middle of its face
     * @param  Vector  $out  unit, into the run that it is on
     * @param  Vector  $up  by which it is turned
     */
    public static function at(Flange $flange, Vector $at, Vector $out, Vector $up): self
    {
        return new self(Frame::upright($at, $out->times(-1.0), $up), $flange->outline(), $flange->thickness);
    }

    /**
     * Returns by how much another has to be moved until they do not overlap, as a negative gap, mm; where they do not,
     * a distance that they have at least.
     */
    public function gapTo(self $other): float
    {
        $directions = [$this->facing->along, $other->facing->along];
        $between = $other->middle()->minus($this->middle());
        foreach ([$this, $other] as $plate) {
            $across = $between->squareTo($plate->facing->along);
            if ($across->length() > 0.5) {
                $directions[] = $across;
            }
        }
        array_push($directions, ...array_map(static fn (Vector $one): Vector => $one->times(-1.0), $directions));

        return ConvexGap::between($this->extent(...), $other->extent(...), $directions, 0.0);
    }

    /** Returns how far it reaches along a unit direction, mm. */
    private function extent(Vector $way): float
    {
        [$x, $y] = [$way->dot($this->facing->first), $way->dot($this->facing->second)];
        $across = hypot($x, $y);

        return $way->dot($this->facing->at)
            + ($across > 0.0 ? $across * $this->rim->extent($x / $across, $y / $across) : 0.0)
            + max(0.0, -$way->dot($this->facing->along) * $this->thickness);
    }

    private function middle(): Vector
    {
        return $this->facing->at->minus($this->facing->along->times($this->thickness / 2));
    }
}
