<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/** A place on a centreline with three unit directions square to one another: right-handed, the third along it. */
final readonly class Frame
{
    private function __construct(
        public Vector $at,
        public Vector $first,
        public Vector $second,
        public Vector $along,
    ) {
    }

    /** The first direction is $up made square to the axis, or x where the axis runs along $up. */
    public static function upright(Vector $at, Vector $along): self
    {
        $up = new Vector(0.0, 0.0, 1.0);
        $square = $up->minus($along->times($up->dot($along)));
        if ($square->length() < Tolerance::NO_SIDE) {
            $x = new Vector(1.0, 0.0, 0.0);
            $square = $x->minus($along->times($x->dot($along)));
        }

        return new self($at, $square->unit(), $along->cross($square->unit()), $along);
    }

    public function movedTo(Vector $at): self
    {
        return new self($at, $this->first, $this->second, $this->along);
    }

    /** Carried along a bend: the section does not twist about its own centreline. */
    public function turned(Vector $at, Vector $axis, float $angle): self
    {
        return new self(
            $at, $this->first->turnedAbout($axis, $angle),
            $this->second->turnedAbout($axis, $angle), $this->along->turnedAbout($axis, $angle),
        );
    }

    /** The same place seen from the other side: what ran on now comes back. */
    public function facingBack(): self
    {
        return new self($this->at, $this->second, $this->first, $this->along->times(-1.0));
    }

    public function polar(float $radius, float $angle): Vector
    {
        return $this->at
            ->plus($this->first->times($radius * cos($angle)))
            ->plus($this->second->times($radius * sin($angle)));
    }

    /** Angle of a point round the axis, in [0, 2π). */
    public function angleOf(Vector $point): float
    {
        $offset = $point->minus($this->at);
        $angle = atan2($offset->dot($this->second), $offset->dot($this->first));

        return $angle < 0.0 ? $angle + 2 * M_PI : $angle;
    }
}
