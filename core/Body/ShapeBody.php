<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Body\Boundary\Solid;
use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;
use Bowline\Job\Shape\Shape;

/** The exact body of a simple shape: of equipment, or of what stands around. */
final class ShapeBody
{
    /**
     * @param  Pose  $pose  of its frame in space
     * @return Solid|null null of a shape that is no prism about its own z
     */
    public static function of(string $name, Shape $shape, Pose $pose): ?Solid
    {
        $prism = $shape->prism();
        if ($prism === null) {
            return null;
        }
        [$outline, $bottom, $height] = $prism;
        $up = $pose->direction(new Vector(0.0, 0.0, 1.0));
        $start = Frame::of(
            $pose->point(new Vector(0.0, 0.0, $bottom)), $up, $pose->direction(new Vector(1.0, 0.0, 0.0)),
        );

        return new Solid($name, [SolidBuilder::prism($start, $height, $outline)]);
    }
}
