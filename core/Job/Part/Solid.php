<?php

declare(strict_types=1);

namespace Bowline\Job\Part;

use Bowline\Geometry\Pose;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Shape\Box;
use Bowline\Job\Shape\Cylinder;
use Bowline\Job\Shape\Shape;

/** One simple body of a fitting with its pose in the frame of the fitting. */
final readonly class Solid
{
    public function __construct(
        public Shape $shape,
        public Pose $pose,
    ) {
    }

    public static function box(Vector $at, float $x, float $y, float $z): self
    {
        return new self(new Box(new Vector($x, $y, $z)), Pose::at($at));
    }

    /** Returns a cylinder from one point to another. */
    public static function round(Vector $from, Vector $to, float $diameter): self
    {
        $way = $to->minus($from);
        $z = new Vector(0.0, 0.0, 1.0);
        $about = $z->cross($way);
        $middle = $from->plus($to)->times(0.5);

        return new self(new Cylinder($diameter, $way->length()), $about->length() < Tolerance::NOTHING
            ? Pose::at($middle)
            : Pose::turned($middle, $about, $z->angleTo($way)));
    }
}
